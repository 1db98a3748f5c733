/** The windows and days of a made case, as the even load is computed from them; and its first call in a fresh process. */
import { type Demand, findFit, levelDemands, readDemands } from '../../src/lib/core/plan';
import { laySeason } from '../../src/lib/core/season';
import { type DayNumber, type Minutes, dayOf } from '../../src/lib/core/units';
import { caseOf } from './cases';

/** What the plan of a case asks, read off the plan itself: a ladder's minutes, three fifths of them due two thirds in. */
export function demandsOf(items: number, days: number) {
  const plan = laySeason(caseOf(items, days));
  const today = dayOf(plan.today);
  const rampTo = dayOf(plan.stages!.rampTo);
  const due = dayOf(plan.stages!.contextFrom) - 1;
  const demands = plan.items.map((item): Demand => {
    const early = Math.round(item.askedMin * 0.6);
    return {
      id: item.id,
      mostPerDay: 50,
      windows: [
        { from: today, to: due, minutes: early },
        { from: today, to: rampTo, minutes: item.askedMin - early }
      ]
    };
  });
  const room = new Map<DayNumber, Minutes>(plan.days.map((d) => [dayOf(d.date), d.capacityMin]));
  return { demands, room };
}

/** The exact even load of what fits, from demands to levels. */
export function evenLoad({ demands, room }: ReturnType<typeof demandsOf>) {
  const read = readDemands(demands, room);
  const fit = findFit(read, demands.length);
  return { read, fit, levels: levelDemands(read, fit.placed) };
}

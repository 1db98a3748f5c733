/**
 * The least extra minutes with which all that is asked fits: the same on each of some days, or so many on each group of
 * days (a weekday). Exact: every minimum cut of a trial that does not fit is a condition that extra minutes have to
 * satisfy, and the least numbers satisfying all cuts found so far are tried until they fit.
 */
import type { DayNumber, Minutes } from '../units';
import { type Cover, leastCover } from './cover';
import { type Demand, type Demands, readDemands } from './demand';
import { Transport } from './transport';

/** Days that get the same extra minutes, and the most they can be given. */
export type ExtraDays = { readonly days: readonly DayNumber[]; readonly most: Minutes };

/** What these rows lack on these columns: their minutes less what most-per-day allows them elsewhere. */
type Lack = { readonly columns: readonly number[]; readonly needMin: Minutes };

/** Whether all that is asked fits into the days. Cost: one maximum flow. */
export function doesFit(asked: readonly Demand[], capacity: ReadonlyMap<DayNumber, Minutes>): boolean {
  return findLack(readDemands(asked, capacity), asked.length) === null;
}

function findLack({ rows, columns }: Demands, items: number): Lack | null {
  const rooms = columns.map((c) => c.room * c.days.length);
  const flow = new Transport(rows, rooms, items);
  rows.forEach((row, r) => flow.ask(r, row.minutes));
  if (flow.send() === rows.reduce((sum, row) => sum + row.minutes, 0)) return null;
  const cut = flow.cut();
  const needed = cut.rows.reduce((sum, r) => sum + rows[r]!.minutes, 0);
  return { columns: cut.columns, needMin: needed - cut.ties.reduce((sum, tie) => sum + tie.most, 0) };
}

/**
 * The least extra minutes of a day of each group, in the groups' order, with the least sum over the groups; null where no
 * minutes on these days make it fit. Cost: a flow for each cut that comes to bind.
 */
export function leastExtra(
  asked: readonly Demand[],
  capacity: ReadonlyMap<DayNumber, Minutes>,
  groups: readonly ExtraDays[]
): Minutes[] | null {
  const groupOf = new Map(groups.flatMap(({ days }, g) => days.map((day) => [day, g] as const)));
  const conditions: Cover[] = [];
  let extra: number[] | null = groups.map(() => 0);
  while (extra) {
    const tried = new Map(capacity);
    for (const [day, g] of groupOf) tried.set(day, (capacity.get(day) ?? 0) + extra[g]!);
    const demands = readDemands(asked, tried);
    const lack = findLack(demands, asked.length);
    if (!lack) return extra;
    const days = lack.columns.flatMap((c) => demands.columns[c]!.days);
    const there = days.reduce((sum, day) => sum + (capacity.get(day) ?? 0), 0);
    conditions.push({
      times: groups.map((_, g) => days.filter((day) => groupOf.get(day) === g).length),
      least: lack.needMin - there
    });
    extra = leastCover(
      conditions,
      groups.map(({ most }) => most)
    );
  }
  return null;
}

/** Of all least extra minutes those whose highest is least, so that no day carries what others could share. */
export function leastEvenExtra(
  asked: readonly Demand[],
  capacity: ReadonlyMap<DayNumber, Minutes>,
  groups: readonly ExtraDays[]
): Minutes[] | null {
  const upTo = (most: Minutes) =>
    leastExtra(
      asked,
      capacity,
      groups.map((group) => ({ ...group, most: Math.min(group.most, most) }))
    );
  const sum = (extra: readonly Minutes[]) => extra.reduce((total, minutes) => total + minutes, 0);
  let best = leastExtra(asked, capacity, groups);
  if (!best) return null;
  const least = sum(best);
  let [tooLow, high] = [Math.ceil(least / groups.length) - 1, Math.max(0, ...best)];
  while (high - tooLow > 1) {
    const middle = Math.floor((tooLow + high) / 2);
    const tried = upTo(middle);
    if (tried && sum(tried) === least) {
      best = tried;
      high = middle;
    } else tooLow = middle;
  }
  return best;
}

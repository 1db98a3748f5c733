/** Puts a laying into words and dates: the plan that everything else reads. Decides nothing. */
import { dateRungs } from '../../plan';
import { type Minutes, dayOf, formatDate } from '../../units';
import { describeDays, ladderOf } from './days';
import { rungPinsOf } from './ask';
import type { ItemCase, LaidMinutes, SeasonFrame } from './frame';
import { type ItemState, type PlannedItem, type PlannedRung, type SeasonPlan, rungKey } from '../laid/plan';
import { groundOf, statedOf } from '../facts/ground';
import type { Agreed, SeasonRequest } from '../facts/request';
import { describeShortage, shortByDay } from './shortage';
import { readUnkept } from './unkept';
import { describeWeeks } from './weeks';

export function describePlan(
  request: SeasonRequest,
  frame: SeasonFrame,
  cases: readonly ItemCase[],
  laid: LaidMinutes,
  presumed: SeasonPlan['presumed']
): SeasonPlan {
  const items = cases.map((one) => describeItem(request, one, laid));
  const ground = groundOf(request);
  const same = request.previous?.ground === ground ? request.previous : undefined;
  const days = describeDays(request, frame, cases, items, laid);
  const next = request.rounds.find(
    (r) => (request.countsDownTo?.includes(r.id) ?? true) && dayOf(r.date) === frame.nextRoundDay
  );
  const stages = cases.map((c) => c.stages).find((s) => s?.dayZero === frame.nextRoundDay);
  return {
    today: formatDate(frame.today),
    began: formatDate(frame.began),
    nextRoundId: next?.id ?? null,
    daysToGo: frame.nextRoundDay === null ? null : frame.nextRoundDay - frame.today,
    stages: stages
      ? {
          groundworkTo: formatDate(stages.groundwork.to),
          contextFrom: formatDate(stages.contextFrom),
          rampTo: formatDate(stages.rampTo),
          mockFrom: formatDate(stages.mockFrom),
          lastDaysFrom: formatDate(stages.lastDaysFrom)
        }
      : null,
    items,
    days,
    weeks: describeWeeks(request, frame, days, shortByDay(laid, frame)),
    short: describeShortage(laid, frame),
    presumed,
    unkept: readUnkept(frame, cases, items, days, laid),
    agreed: {
      ground,
      stated: Object.assign({}, ...request.items.map(statedOf)) as Record<string, string>,
      carried: cases.flatMap((c) => c.climb.carried ?? []),
      rungs: cases.flatMap((c) =>
        c.climb.rungs.map(({ sectionId, bpm, bars, minutes, basis }, i) => ({
          sectionId,
          bpm,
          ...(bars ? { bars } : {}),
          minutes,
          basis,
          ...firstDue(same, { sectionId, bpm, bars }, items.find(({ id }) => id === c.item.id)!.rungs[i])
        }))
      ),
      allotments: laid.minutes.flatMap(({ owner, kind, allotments }) =>
        allotments.map((a) => ({ itemId: owner.item.id, kind, date: formatDate(a.day), minutes: a.minutes }))
      )
    }
  };
}

/** The first day on which a rung was ever due: while it does not hold, each laying dates it anew. */
function firstDue(
  previous: Agreed | undefined,
  rung: Parameters<typeof rungKey>[0],
  planned: PlannedRung | undefined
) {
  const before = previous?.rungs.find((one) => rungKey(one) === rungKey(rung))?.due;
  const due = [before, planned?.date].filter((date) => date != null).sort()[0];
  return due ? { due } : {};
}

function describeItem(request: SeasonRequest, one: ItemCase, laid: LaidMinutes): PlannedItem {
  const { item, climb, stages } = one;
  const ladder = ladderOf(laid, one);
  const left = climb.rungs.map((r) => r.minutes - r.minutesDone);
  const rungPins = rungPinsOf(request, item);
  const own = laid.minutes.filter((m) => m.owner === one);
  const leftOut = (of: typeof own) => of.reduce((sum, m) => sum + m.leftOutMin, 0);
  // weekly minutes that are left out are not the ladder's
  const dates = dateRungs(doWithout(left, leftOut(own.filter((m) => m.kind === 'ladder'))), ladder);
  const rungs: PlannedRung[] = climb.rungs.map(
    ({ sectionId, bpm, bars, share, click, asksMin, minutes, minutesDone, seconds, attempts }, i) => ({
      sectionId,
      bpm,
      bars,
      share: Math.round(share * 10_000) / 10_000,
      click,
      asksMin,
      minutes,
      minutesDone,
      seconds: Math.round(seconds * 10) / 10,
      attempts: Math.round(attempts * 100) / 100,
      date: dates[i] === null || dates[i] === undefined ? null : formatDate(dates[i]),
      pinnedTo: rungPins.find((pin) => rungKey(pin) === rungKey({ sectionId, bpm, bars }))?.date ?? null
    })
  );
  const touched = [
    ...own.flatMap((m) => m.allotments.map((a) => a.day)),
    ...laid.touches.filter((t) => t.id === item.id).map((t) => t.day)
  ];
  const hasPulse = climb.sections.some((s) => s.unit !== null);
  const isPlanned = stages !== null && !item.isLeftOut;
  const state: ItemState = !stages
    ? 'past'
    : item.isLeftOut
      ? 'left-out'
      : !hasPulse
        ? 'minutes'
        : rungs.length > 0
          ? 'climbing'
          : 'holds';
  return {
    id: item.id,
    name: item.name,
    kind: item.kind,
    state,
    dayZero: stages ? formatDate(stages.dayZero) : null,
    sections: climb.sections,
    slowestSectionId: climb.slowestSectionId,
    heldShare: climb.heldShare === null ? null : Math.round(climb.heldShare * 1000) / 1000,
    clicksToGo: climb.clicksToGo === null ? null : Math.round(climb.clicksToGo * 10) / 10,
    cleanShare: climb.cleanShare,
    rungs: isPlanned ? rungs : [],
    askedMin: own.flatMap((m) => m.asked.windows).reduce((sum, { minutes }) => sum + minutes, 0),
    shortMin: own.reduce((sum, m) => sum + m.shortMin, 0),
    leftOutMin: leftOut(own),
    nextTouch: touched.length > 0 ? formatDate(Math.min(...touched)) : null
  };
}

/** The highest rungs do without what is left out; each keeps a minute. */
function doWithout(rungs: readonly Minutes[], leftOut: Minutes): Minutes[] {
  let open = leftOut;
  return [...rungs]
    .reverse()
    .map((minutes) => {
      const less = Math.min(open, Math.max(0, minutes - 1));
      open -= less;
      return minutes - less;
    })
    .reverse();
}

/** Puts a laying into words and dates: the plan that everything else reads. Decides nothing. */
import { type DayCapacity, dateRungs, orderBlocks, splitBlocks, startTimes } from '../plan';
import { type DayNumber, type Minutes, dayOf, formatDate } from '../units';
import { type ItemCase, type Laid, type SeasonFrame, loggedOn } from './frame';
import type { ItemState, PlannedBlock, PlannedDay, PlannedItem, PlannedRung, SeasonPlan } from './plan';
import type { RungPin, SeasonRequest } from './request';
import { describeShortage, shortByDay } from './shortage';
import { describeWeeks } from './weeks';

export function describePlan(
  request: SeasonRequest,
  frame: SeasonFrame,
  cases: readonly ItemCase[],
  laid: Laid
): SeasonPlan {
  const items = cases.map((one) => describeItem(request, one, laid));
  const days = describeDays(request, frame, cases, items, laid);
  const head = request.rounds.find((r) => frame.dayZero !== null && dayOf(r.date) === frame.dayZero);
  const stages = cases.map((c) => c.stages).find((s) => s?.dayZero === frame.dayZero);
  return {
    today: formatDate(frame.today),
    began: formatDate(frame.began),
    nextRoundId: head?.id ?? null,
    daysToGo: frame.dayZero === null ? null : frame.dayZero - frame.today,
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
    agreed: {
      carried: cases.flatMap((c) => c.climb.carried ?? []),
      rungs: cases.flatMap((c) =>
        c.climb.rungs.map(({ sectionId, bpm, minutes, basis }) => ({ sectionId, bpm, minutes, basis }))
      ),
      allotments: laid.minutes.flatMap(({ owner, kind, allotments }) =>
        allotments.map((a) => ({ itemId: owner.item.id, kind, date: formatDate(a.day), minutes: a.minutes }))
      )
    }
  };
}

function ladderOf(laid: Laid, itemId: string) {
  return laid.minutes
    .filter((m) => m.owner.item.id === itemId && m.kind === 'ladder')
    .flatMap((m) => m.allotments);
}

function describeItem(request: SeasonRequest, one: ItemCase, laid: Laid): PlannedItem {
  const { item, climb, stages } = one;
  const ladder = ladderOf(laid, item.id);
  const left = climb.rungs.map((r) => r.minutes - r.minutesDone);
  const rungPins = (request.pins ?? []).filter((p): p is RungPin => 'bpm' in p && p.itemId === item.id);
  const own = laid.minutes.filter((m) => m.owner === one);
  const leftOutMin = own.reduce((sum, m) => sum + m.leftOutMin, 0);
  const dates = dateRungs(doWithout(left, leftOutMin), ladder);
  const rungs: PlannedRung[] = climb.rungs.map(
    ({ sectionId, bpm, click, asksMin, minutes, minutesDone, seconds, attempts }, i) => ({
      sectionId,
      bpm,
      click,
      asksMin,
      minutes,
      minutesDone,
      seconds: Math.round(seconds * 10) / 10,
      attempts: Math.round(attempts * 100) / 100,
      date: dates[i] === null || dates[i] === undefined ? null : formatDate(dates[i]),
      pinnedTo: rungPins.find((pin) => pin.sectionId === sectionId && pin.bpm === bpm)?.date ?? null
    })
  );
  const touched = [
    ...own.flatMap((m) => m.allotments.map((a) => a.day)),
    ...laid.touches.filter((t) => t.id === item.id).map((t) => t.day)
  ];
  const hasPulse = climb.sections.some((s) => s.unit !== null);
  const state: ItemState = !stages ? 'past' : !hasPulse ? 'minutes' : rungs.length > 0 ? 'climbing' : 'holds';
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
    rungs: stages ? rungs : [],
    askedMin: stages ? left.reduce((sum, m) => sum + m, 0) : 0,
    shortMin: own.reduce((sum, m) => sum + m.shortMin, 0),
    leftOutMin,
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

function describeDays(
  request: SeasonRequest,
  frame: SeasonFrame,
  cases: readonly ItemCase[],
  items: readonly PlannedItem[],
  laid: Laid
): PlannedDay[] {
  const clicks = new Map(items.map((item) => [item.id, item.clicksToGo ?? 0]));
  const missed = missedYesterday(request, frame);
  const pinned = new Set(
    (request.pins ?? []).flatMap((p) => ('minutes' in p ? [`${p.itemId} ${p.date}`] : []))
  );
  const isWork = (kind: PlannedBlock['kind']) => kind === 'ladder' || kind === 'minutes';
  const rungAt = new Map(cases.map((one) => [one.item.id, rungByDay(one, laid)]));
  return [...frame.capacities].map(([day, capacity]) => {
    const blocks = blocksOf(day, laid).map((b) => ({
      ...b,
      clicksToGo: clicks.get(b.id) ?? 0,
      wasMissed: day === frame.today && missed.has(b.id)
    }));
    const ordered = orderBlocks(blocks);
    const before = request.time.warmUpMin + request.time.fundamentalsMin;
    const starts = startTimes(
      ordered,
      capacity.spans,
      Math.max(before, day === frame.today ? loggedOn(request, day) : 0)
    );
    const planned = ordered.map((b, i): PlannedBlock => {
      const rung = b.kind === 'ladder' ? rungAt.get(b.id)?.(day) : undefined;
      return {
        itemId: b.id,
        kind: b.kind,
        minutes: b.minutes,
        start: sayTime(starts[i]!),
        sectionId: rung?.sectionId ?? null,
        bpm: rung?.bpm ?? null,
        isPinned: isWork(b.kind) && pinned.has(`${b.id} ${formatDate(day)}`)
      };
    });
    return describeDay(day, capacity, planned);
  });
}

function describeDay(day: DayNumber, capacity: DayCapacity, blocks: readonly PlannedBlock[]): PlannedDay {
  return {
    date: formatDate(day),
    capacityMin: capacity.minutes,
    parts: capacity.parts,
    plannedMin: blocks.reduce((sum, b) => sum + b.minutes, 0),
    blocks
  };
}

function blocksOf(day: DayNumber, laid: Laid) {
  const touches = laid.touches
    .filter((t) => t.day === day)
    .map((t) => ({
      id: t.id,
      kind: t.kind as PlannedBlock['kind'],
      minutes: t.minutes,
      isWarm: t.kind === 'keep-warm',
      isRun: t.kind !== 'keep-warm'
    }));
  const work = laid.minutes.flatMap(({ owner, kind, allotments }) =>
    allotments
      .filter((a) => a.day === day)
      .flatMap((a) => splitBlocks(a.minutes))
      .map((minutes) => ({
        id: owner.item.id,
        kind: kind as PlannedBlock['kind'],
        minutes,
        isWarm: false,
        isRun: false
      }))
  );
  return [...touches, ...work];
}

/** Which rung an item's minutes of a day belong to: the first not complete before that day. */
function rungByDay(one: ItemCase, laid: Laid) {
  const ladder = ladderOf(laid, one.item.id);
  return (day: DayNumber) => {
    let before = ladder.filter((a) => a.day < day).reduce((sum, a) => sum + a.minutes, 0);
    return (
      one.climb.rungs.find((rung) => (before -= rung.minutes - rung.minutesDone) < 0) ??
      one.climb.rungs.at(-1)
    );
  };
}

/** Items that yesterday's plan asked for and the log does not have. */
function missedYesterday(request: SeasonRequest, frame: SeasonFrame): ReadonlySet<string> {
  const yesterday = formatDate(frame.today - 1);
  const planned = (request.previous?.allotments ?? [])
    .filter((a) => a.date === yesterday)
    .map((a) => a.itemId);
  return new Set(planned.filter((id) => loggedOn(request, frame.today - 1, id) === 0));
}

function sayTime(minutes: Minutes | null): string | null {
  if (minutes === null) return null;
  return `${String(Math.floor(minutes / 60)).padStart(2, '0')}:${String(minutes % 60).padStart(2, '0')}`;
}

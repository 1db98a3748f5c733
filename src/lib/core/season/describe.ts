/** Puts a laying into words and dates: the plan that everything else reads. Decides nothing. */
import { type DayCapacity, type Shortage, dateRungs, orderBlocks, splitBlocks, startTimes } from '../plan';
import { type DayNumber, type Minutes, dayOf, formatDate, saySpan } from '../units';
import { type ItemCase, type Laid, type SeasonFrame, loggedOn } from './frame';
import type {
  ItemState,
  PlannedBlock,
  PlannedDay,
  PlannedItem,
  PlannedRung,
  PlannedShortage,
  PlannedWeek,
  SeasonPlan
} from './plan';
import type { SeasonRequest } from './request';

export function describePlan(
  request: SeasonRequest,
  frame: SeasonFrame,
  cases: readonly ItemCase[],
  laid: Laid
): SeasonPlan {
  const items = cases.map((one) => describeItem(one, frame, laid));
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
    weeks: describeWeeks(request, frame, days, laid.short),
    short: describeShortage(laid.short, items, frame, cases),
    agreed: {
      carried: cases.flatMap((c) => c.climb.carried ?? []),
      rungs: cases.flatMap((c) =>
        c.climb.rungs.map(({ sectionId, bpm, minutes, basis }) => ({ sectionId, bpm, minutes, basis }))
      ),
      allotments: laid.minutes.flatMap(({ itemId, kind, allotments }) =>
        allotments.map((a) => ({ itemId, kind, date: formatDate(a.day), minutes: a.minutes }))
      )
    }
  };
}

function ladderOf(laid: Laid, itemId: string) {
  return laid.minutes
    .filter((m) => m.itemId === itemId && m.kind === 'ladder')
    .flatMap((m) => m.allotments)
    .sort((a, b) => a.day - b.day);
}

function describeItem(one: ItemCase, frame: SeasonFrame, laid: Laid): PlannedItem {
  const { item, climb, stages } = one;
  const ladder = ladderOf(laid, item.id);
  const left = climb.rungs.map((r) => r.minutes - r.minutesDone);
  const dates = dateRungs(left, ladder);
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
      date: dates[i] === null || dates[i] === undefined ? null : formatDate(dates[i])
    })
  );
  const touched = [
    ...laid.minutes.filter((m) => m.itemId === item.id).flatMap((m) => m.allotments.map((a) => a.day)),
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
    shortMin: laid.short.filter((s) => s.id === item.id).reduce((sum, s) => sum + s.minutes, 0),
    nextTouch: touched.length > 0 ? formatDate(Math.min(...touched)) : null
  };
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
        bpm: rung?.bpm ?? null
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
  const work = laid.minutes.flatMap(({ itemId, kind, allotments }) =>
    allotments
      .filter((a) => a.day === day)
      .flatMap((a) => splitBlocks(a.minutes))
      .map((minutes) => ({
        id: itemId,
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

/** A week is flagged when it asks for more than this times the mean of the two before (common practice, from memory). */
const JUMP = 1.2;

/** Weeks counted back from the next round; beyond it, weeks with negative numbers up to the last round. */
function describeWeeks(
  request: SeasonRequest,
  frame: SeasonFrame,
  days: readonly PlannedDay[],
  short: readonly Shortage[]
): PlannedWeek[] {
  const { dayZero, today } = frame;
  if (dayZero === null || days.length === 0) return [];
  const logged = (from: DayNumber) =>
    request.log
      .filter((t) => dayOf(t.date) >= from && dayOf(t.date) < from + 7 && dayOf(t.date) <= today)
      .reduce((sum, t) => sum + t.minutes, 0);
  const first = Math.ceil((dayZero - today) / 7);
  const last = Math.ceil((dayZero - dayOf(days.at(-1)!.date)) / 7);
  const weeks: PlannedWeek[] = [];
  const practised = [logged(dayZero - 7 * (first + 2)), logged(dayZero - 7 * (first + 1))];
  for (let week = first; week >= last; week -= 1) {
    const from = dayZero - 7 * week;
    const inWeek = days.filter((d) => dayOf(d.date) >= from && dayOf(d.date) < from + 7);
    const planned = sumBy(inWeek, (d) => d.plannedMin);
    const missing = sumBy(
      short.filter((s) => s.day >= from && s.day < from + 7),
      (s) => s.minutes
    );
    const whole = planned + logged(from);
    const mean = (practised.at(-1)! + practised.at(-2)!) / 2;
    weeks.push({
      weeksToGo: week,
      from: formatDate(from),
      to: formatDate(from + 6),
      thereMin: sumBy(inWeek, (d) =>
        dayOf(d.date) === today ? (frame.open.get(today) ?? 0) : d.capacityMin
      ),
      askedMin: planned + missing,
      plannedMin: planned,
      isJump: mean > 0 && whole > JUMP * mean
    });
    practised.push(whole);
  }
  return weeks;
}

function sumBy<T>(values: readonly T[], of: (value: T) => Minutes): Minutes {
  return values.reduce((sum, value) => sum + of(value), 0);
}

function describeShortage(
  short: readonly Shortage[],
  items: readonly PlannedItem[],
  frame: SeasonFrame,
  cases: readonly ItemCase[]
): PlannedShortage | null {
  const minutes = sumBy(short, (s) => s.minutes);
  if (minutes === 0) return null;
  const lacking = items.filter((item) => item.shortMin > 0);
  const to = Math.max(
    ...cases.filter((c) => lacking.some((item) => item.id === c.item.id)).map((c) => c.stages!.rampTo)
  );
  const days = short.map((s) => s.day);
  const [from, until] = [Math.max(frame.today, Math.min(...days)), Math.min(to, Math.max(...days))];
  const names = lacking.map((item) => `${item.name} ${item.shortMin}`).join(', ');
  return {
    minutes,
    from: formatDate(from),
    to: formatDate(until),
    items: lacking.map((item) => ({ itemId: item.id, minutes: item.shortMin })),
    says: `${minutes} min short, ${saySpan(from, Math.max(from, until))}: ${names}.`
  };
}

function sayTime(minutes: Minutes | null): string | null {
  if (minutes === null) return null;
  return `${String(Math.floor(minutes / 60)).padStart(2, '0')}:${String(minutes % 60).padStart(2, '0')}`;
}

/**
 * What an item asks of the days: a ladder's minutes, of which the rungs below 80 % are due before context begins, or so
 * many minutes a week. A rung pinned to a date closes a window there, with a block on that date that reaches it; what
 * follows a pin is no longer due before context, since its pace was set by hand.
 */
import {
  type AskedDemand,
  IN_CONTEXT_SHARE,
  LEAST_BLOCK_MIN,
  LEAST_LONG_BLOCK_MIN,
  LONGEST_BLOCK_MIN,
  type Stages,
  type Window,
  leastBlockMinutes
} from '../../plan';
import { targetOf } from '../../tempo';
import { type DayNumber, type Minutes, type Share, dayOf } from '../../units';
import { type Climb } from '../climb/climb';
import { isForMinutes, minutesPerWeek } from '../climb/work-done';
import type { SeasonFrame } from './frame';
import { rungKey } from '../laid/plan';
import type { RungPin, SeasonItem, SeasonRequest } from '../facts/request';

/** Two longest blocks of one item on one day (judgement). */
const DEFAULT_MOST_PER_DAY_MIN: Minutes = 2 * LONGEST_BLOCK_MIN;

type AgreedMinutes = AskedDemand['kept'];

export const mostPerDay = (item: SeasonItem): Minutes => item.mostPerDayMin ?? DEFAULT_MOST_PER_DAY_MIN;

/**
 * Most minutes a day of weekly minutes that share an item's day with its ladder: one block where a week's are no more than one, and never so
 * few that a window's would not fit on the days it has. The ladder has the rest of the item's most.
 */
function mostBesideLadder(
  item: SeasonItem,
  windows: readonly Window[],
  { open, longest }: SeasonFrame
): Minutes {
  const blocks = Math.max(1, Math.ceil(minutesPerWeek(item) / longest));
  const needed = windows.map(({ from, to, minutes }) => {
    let days = 0;
    for (let day = from; day <= to; day += 1) if ((open.get(day) ?? 0) >= LEAST_LONG_BLOCK_MIN) days += 1;
    return Math.ceil(minutes / Math.max(1, Math.min(days, blocks)));
  });
  return Math.min(mostPerDay(item) - LEAST_BLOCK_MIN, Math.max(0, ...needed));
}

/** Rungs pinned to a date: by themselves, or as the target of a section that is due on a day. */
export function rungPinsOf(request: SeasonRequest, item: SeasonItem): RungPin[] {
  const due = item.sections.flatMap(({ id, tempo, dueOn }) => {
    const target = targetOf(tempo);
    return dueOn && target ? [{ itemId: item.id, sectionId: id, bpm: target.bpm, date: dueOn }] : [];
  });
  const own = (request.pins ?? []).filter((p): p is RungPin => 'bpm' in p && p.itemId === item.id);
  return [...own, ...due];
}

type RungToAsk = { readonly share: Share; readonly minutes: Minutes; readonly pinnedTo: DayNumber | null };
/** Rungs that are climbed between two days: up to a pin, or to the ramp's end. */
type Leg = { readonly from: DayNumber; readonly to: DayNumber; readonly rungs: readonly RungToAsk[] };

/** Null where the ladder asks nothing. `beside` are the minutes a day that its weekly minutes may take of the item's; what is overdue rests less. */
export function askOfClimb(
  climb: Climb,
  item: SeasonItem,
  stages: Stages,
  frame: SeasonFrame,
  pins: readonly RungPin[],
  kept: AgreedMinutes,
  beside: Minutes = 0,
  isOverdue = false
): AskedDemand | null {
  const rungs = climb.rungs.map((rung) => {
    const pin = pins.find((p) => rungKey(p) === rungKey(rung));
    const pinnedTo = pin ? dayOf(pin.date) : null;
    return { share: rung.share, minutes: rung.minutes - rung.minutesDone, pinnedTo };
  });
  if (sum(rungs.map((r) => r.minutes)) === 0) return null;
  const most = Math.max(LEAST_BLOCK_MIN, mostPerDay(item) - beside);
  const first = Math.max(frame.today, stages.began);
  const legs = cutAtPins(rungs, first, rampEnd(stages, frame.today));
  const [untilFirstPin, ...afterPins] = legs;
  const windows = [
    ...windowsOf(untilFirstPin!, stages.contextFrom - 1),
    // what follows a pin is no longer due before context: its pace was set by hand
    ...afterPins.flatMap((leg) => windowsOf(leg, null))
  ];
  const pinned = legs.slice(0, -1).map((leg) => blockOnPin(leg, kept, most, frame.longest));
  const own = kept.filter((k) => !pinned.some((p) => p.day === k.day));
  return {
    id: item.id,
    mostPerDay: most,
    windows,
    kept: [...pinned, ...own],
    least: leastOf(climb, item.schools?.inARow ?? frame.inARow),
    longest: frame.longest,
    climbing: {
      rungs: rungs.map((r) => r.minutes),
      mostRest: (day) =>
        isOverdue || day >= stages.dayZero - CLOSE_DAYS || isBeforeMock(day, frame)
          ? frame.closeRest
          : frame.mostRest,
      touchedOn: new Set(),
      lastPlayed: climb.lastPlayed
    }
  };
}

/** So many days before a mock every item rests on no more than one practice day (judgement). */
const BEFORE_MOCK_DAYS = 7;
const isBeforeMock = (day: DayNumber, { mocks }: SeasonFrame) =>
  mocks.some((mock) => day < mock && day >= mock - BEFORE_MOCK_DAYS);

/** A rung that has not held so many days after it was first due is overdue (judgement). */
const OVERDUE_DAYS = 7;

/** Whether the rung that is climbed next is overdue. */
export function isRungOverdue({ rungs }: Climb, request: SeasonRequest): boolean {
  const [next] = rungs;
  const due = next && request.previous?.rungs.find((one) => rungKey(one) === rungKey(next))?.due;
  return due !== undefined && dayOf(request.today) - dayOf(due) > OVERDUE_DAYS;
}

/** So many days before a round an item rests on no more than one practice day (judgement). */
const CLOSE_DAYS = 14;

/** Least minutes of a block of a ladder: by the longest of its sections, at the tempo nearest its target. */
function leastOf({ rungs }: Climb, inARow: number): Minutes {
  const seconds = new Map(rungs.map((rung) => [rung.sectionId, rung.seconds]));
  return leastBlockMinutes(Math.max(0, ...seconds.values()), inARow);
}

/** The last leg ends with the ramp; a pin on a day before its leg begins, or after the ramp, cuts nothing. */
function cutAtPins(rungs: readonly RungToAsk[], first: DayNumber, end: DayNumber): Leg[] {
  const legs: Leg[] = [];
  let [from, open]: [DayNumber, RungToAsk[]] = [first, []];
  for (const rung of rungs) {
    open.push(rung);
    const { pinnedTo: day } = rung;
    if (day === null || day < from || day > end) continue;
    legs.push({ from, to: day, rungs: open });
    [from, open] = [day + 1, []];
  }
  return [...legs, { from, to: end, rungs: open }];
}

/** What a leg asks; of it the rungs below 80 % by `dueBy`, where that day lies within it. */
function windowsOf({ from, to, rungs }: Leg, dueBy: DayNumber | null): Window[] {
  const whole = sum(rungs.map((r) => r.minutes));
  const isDue = dueBy !== null && from <= dueBy && dueBy < to;
  const due = isDue ? sum(rungs.filter((r) => r.share < IN_CONTEXT_SHARE).map((r) => r.minutes)) : 0;
  return [
    ...(due > 0 ? [{ from, to: dueBy!, minutes: due }] : []),
    ...(whole > due ? [{ from, to, minutes: whole - due }] : [])
  ];
}

/** A block on the day of the pin that reaches its rung: as long as the rung asks, or as one pinned there by hand. */
function blockOnPin(
  { to: day, rungs }: Leg,
  kept: AgreedMinutes,
  most: Minutes,
  longest: Minutes
): AgreedMinutes[number] {
  const asks = Math.max(LEAST_LONG_BLOCK_MIN, Math.min(longest, rungs.at(-1)!.minutes));
  const whole = sum(rungs.map((r) => r.minutes));
  const byHand = kept.filter((k) => k.isPinned && k.day === day).map((k) => k.minutes);
  return { day, minutes: Math.max(Math.min(asks, whole, most), ...byHand), isPinned: true };
}

/**
 * Last day for climbing: the ramp's end; once the mock window has opened with rungs still missing, its days may be
 * used as well, up to the light last ones, since a date that is past helps nobody.
 */
function rampEnd(stages: Stages, today: DayNumber): DayNumber {
  return today <= stages.rampTo ? stages.rampTo : stages.lastDaysFrom - 1;
}

/**
 * Minutes a week without a ladder, week by week counted back from the round; what the week's log has is done. Weeks
 * that ask less than a block are taken together. Null where nothing is asked.
 */
export function askOfMinutes(
  request: SeasonRequest,
  item: SeasonItem,
  stages: Stages,
  frame: SeasonFrame,
  kept: AgreedMinutes
): AskedDemand | null {
  const perWeek = minutesPerWeek(item);
  if (perWeek === 0) return null;
  const windows: Window[] = [];
  for (let from = stages.dayZero - 7; from > frame.today - 7; from -= 7) {
    const to = Math.min(from + 6, stages.lastDaysFrom - 1);
    const days = to - Math.max(from, frame.began) + 1;
    const done = sum(
      ownTouches(request, item)
        .filter((t) => dayOf(t.date) >= from && dayOf(t.date) <= frame.today)
        .map((t) => t.minutes)
    );
    const minutes = Math.round((perWeek * Math.max(0, days)) / 7) - done;
    // what was pinned by hand is not cut to its week
    const pinned = sum(kept.filter((k) => k.isPinned && k.day >= from && k.day <= to).map((k) => k.minutes));
    const asked = Math.max(minutes, pinned);
    if (asked > 0) windows.unshift({ from: Math.max(from, frame.today), to, minutes: asked });
  }
  if (windows.length === 0) return null;
  const joined = joinSmall(windows);
  const hasLadder = item.sections.some((s) => s.tempo.kind !== 'free');
  const most = hasLadder ? mostBesideLadder(item, joined, frame) : mostPerDay(item);
  return {
    id: item.id,
    mostPerDay: most,
    windows: joined,
    kept,
    least: LEAST_LONG_BLOCK_MIN,
    longest: frame.longest
  };
}

/** Joins windows that ask less than a block to the one after, the last to the one before. */
function joinSmall(windows: readonly Window[]): Window[] {
  const joined: Window[] = [];
  for (const window of windows) {
    const before = joined.at(-1);
    const isLast = window === windows.at(-1) && window.minutes < LEAST_LONG_BLOCK_MIN;
    if (before && (before.minutes < LEAST_LONG_BLOCK_MIN || isLast))
      joined[joined.length - 1] = {
        from: before.from,
        to: window.to,
        minutes: before.minutes + window.minutes
      };
    else joined.push(window);
  }
  return joined;
}

/** Touches that count for the weekly minutes. */
function ownTouches(request: SeasonRequest, item: SeasonItem) {
  return request.log.filter((t) => t.itemId === item.id && isForMinutes(t, item));
}

function sum(values: readonly number[]): number {
  return values.reduce((total, value) => total + value, 0);
}

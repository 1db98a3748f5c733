/** Where a day lies between the left and the right edge of the countback, in per cent; the next round is the right edge. */
import { type DayNumber, dayOf } from '$lib/core/units';

export type TimeAxis = {
  readonly from: DayNumber;
  readonly today: DayNumber;
  readonly dayZero: DayNumber;
  /** Per cent of the width, 0 to 100; days outside lie on the edge. */
  readonly at: (day: DayNumber) => number;
  readonly dayWidth: number;
};

/** The past gets at most this share of the width: what has to be decided lies ahead. */
const MOST_PAST_SHARE = 0.42;

/** An axis from the plan's beginning, or as much of the past as there is room for, to the round. */
export function timeAxis(began: string, today: string, round: string): TimeAxis {
  const [start, now, dayZero] = [dayOf(began), dayOf(today), dayOf(round)];
  const ahead = Math.max(1, dayZero - now);
  const past = Math.min(
    now - start,
    Math.max(3, Math.round((ahead * MOST_PAST_SHARE) / (1 - MOST_PAST_SHARE)))
  );
  const from = now - Math.max(0, past);
  const span = Math.max(1, dayZero - from);
  const at = (day: DayNumber) => Math.min(100, Math.max(0, ((day - from) / span) * 100));
  return { from, today: now, dayZero, at, dayWidth: 100 / span };
}

/** Weeks to go with the day each begins on, every so many that their numbers do not touch. */
export function weekMarks(axis: TimeAxis): { readonly weeks: number; readonly day: DayNumber }[] {
  const count = Math.floor((axis.dayZero - axis.from) / 7);
  const every = count <= 18 ? 1 : count <= 36 ? 2 : 4;
  return Array.from({ length: Math.floor(count / every) }, (_, i) => (i + 1) * every)
    .map((weeks) => ({ weeks, day: axis.dayZero - 7 * weeks }))
    .reverse();
}

/** Up to so many days are counted one by one: beyond, their numbers would touch. */
const MOST_DAYS_COUNTED = 28;

/** What the head counts down: days to go from today on where the round is near, else the weeks. */
export function countMarks(axis: TimeAxis): {
  readonly unit: 'days' | 'weeks';
  readonly marks: readonly { readonly count: number; readonly day: DayNumber }[];
} {
  const ahead = axis.dayZero - axis.today;
  if (ahead > 0 && axis.dayZero - axis.from <= MOST_DAYS_COUNTED) {
    const days = Array.from({ length: ahead }, (_, i) => ({ count: ahead - i, day: axis.today + i }));
    return { unit: 'days', marks: days };
  }
  return { unit: 'weeks', marks: weekMarks(axis).map(({ weeks, day }) => ({ count: weeks, day })) };
}

/**
 * No empty days now and full ones later: where a day is left under two thirds of its share of the load while a later one lies above its own,
 * blocks of the later one move nearer, the earliest first. A block only moves to a day that its window covers.
 */
import type { DayNumber, Minutes } from '../units';
import type { Window } from './demand';

/** A day under this part of its share is filled (judgement). */
const LEAST_OF_SHARE = 2 / 3;
/** What is filled may lie this much above its share (judgement). */
const MOST_OF_SHARE = 4 / 3;

/** Each pass moves blocks nearer only, so that it ends; this many are enough (judgement). */
const MOST_PASSES = 20;

export type Filling = {
  /** Minutes of each that is asked on each day; they are moved. */
  readonly minutes: readonly Map<DayNumber, Minutes>[];
  readonly asked: readonly { readonly windows: readonly Window[]; readonly mostPerDay: Minutes }[];
  readonly capacity: ReadonlyMap<DayNumber, Minutes>;
  /** The even load of each day. */
  readonly share: ReadonlyMap<DayNumber, Minutes>;
  /** Whether a day may be filled: where a plan was agreed, those that lost something of it. */
  readonly isOpen: (day: DayNumber, load: Minutes) => boolean;
  /** What was set by hand stays. */
  readonly isPinned: (asked: number, day: DayNumber) => boolean;
};

/** Cost: days for each block that moves. */
export function fillForward({ minutes, asked, capacity, share, isOpen, isPinned }: Filling): void {
  const load = new Map<DayNumber, Minutes>();
  for (const mine of minutes) for (const [day, min] of mine) load.set(day, (load.get(day) ?? 0) + min);
  const days = [...share.keys()].filter((day) => capacity.get(day)! > 0).sort((a, b) => a - b);
  const on = (day: DayNumber) => load.get(day) ?? 0;
  const move = (a: number, from: DayNumber, to: DayNumber) => {
    const moved = minutes[a]!.get(from)!;
    minutes[a]!.delete(from);
    minutes[a]!.set(to, moved);
    load.set(from, on(from) - moved);
    load.set(to, on(to) + moved);
  };
  const fill = (day: DayNumber, d: number) => {
    if (!isOpen(day, on(day))) return false;
    let hasMoved = false;
    for (const later of days.slice(d + 1)) {
      if (on(day) >= LEAST_OF_SHARE * share.get(day)!) break;
      if (on(later) <= share.get(later)!) continue;
      const most = Math.min(capacity.get(day)!, MOST_OF_SHARE * share.get(day)!) - on(day);
      const movable = minutes.findIndex(
        (mine, a) =>
          mine.has(later) &&
          !mine.has(day) &&
          !isPinned(a, later) &&
          mine.get(later)! <= most &&
          asked[a]!.windows.some((w) => w.from <= day && later <= w.to)
      );
      if (movable < 0) continue;
      move(movable, later, day);
      hasMoved = true;
    }
    return hasMoved;
  };
  // what a day takes may leave one behind it in need
  for (let pass = 0; pass < MOST_PASSES; pass += 1) if (!days.map(fill).some(Boolean)) return;
}

/**
 * What stays of a plan that was agreed, and what is then still asked. A kept block counts for the window that closes
 * first; what is asked no longer is taken from the latest days, so that no date comes later by it. Nothing kept goes over a
 * day's capacity or an item's most per day: the lower in the order yields.
 */
import type { DayNumber, Minutes } from '../units';
import { LEAST_LONG_BLOCK_MIN } from './block-task';
import type { Demand, Lying } from './demand';

export type AgreedMinutes = {
  readonly day: DayNumber;
  readonly minutes: Minutes;
  readonly isPinned: boolean;
  /** What was missed comes before what else was agreed. */
  readonly isFirst?: boolean;
};

export type Stay = {
  /** What is still asked beside it, in the same places. */
  readonly demands: readonly Demand[];
  readonly minutes: readonly ReadonlyMap<DayNumber, Minutes>[];
  readonly lying: Lying;
};

/** Least minutes of a block of what is asked: all of it where that is less. */
export function leastBlock(demand: Demand): Minutes {
  return Math.min(demand.least ?? LEAST_LONG_BLOCK_MIN, sumMinutes(demand.windows));
}

type Keepable = Demand & { readonly kept: readonly AgreedMinutes[] };

/** Pinned blocks first, then what was missed, then what was agreed; of each item the earliest days first. `stays` says which are looked at. */
export function keepAgreed(
  asked: readonly Keepable[],
  capacity: ReadonlyMap<DayNumber, Minutes>,
  stays: (kept: AgreedMinutes, asked: number) => boolean
): Stay {
  const left = asked.map((one) => one.windows.map((w) => w.minutes));
  const minutes = asked.map(() => new Map<DayNumber, Minutes>());
  const load = new Map<DayNumber, Minutes>();
  const keep = (one: Keepable, a: number, { day, minutes: most, isPinned }: AgreedMinutes) => {
    const there = minutes[a]!.get(day) ?? 0;
    const room = Math.min((capacity.get(day) ?? 0) - (load.get(day) ?? 0), one.mostPerDay - there);
    const open = openWindows(one, left[a]!, day);
    const asks = open.reduce((sum, w) => sum + left[a]![w]!, 0);
    const stay = Math.min(most, room, asks);
    if (stay <= 0) return;
    const isBlock = isPinned || there + stay >= leastBlock(one);
    // the end of what is asked, less than a block: the block before it grows
    const at = isBlock ? day : stay === asks && stay < most ? blockBefore(one, a, day, stay) : undefined;
    if (at === undefined) return;
    takeOff(left[a]!, open, stay);
    minutes[a]!.set(at, (minutes[a]!.get(at) ?? 0) + stay);
    load.set(at, (load.get(at) ?? 0) + stay);
  };
  const blockBefore = (one: Keepable, a: number, day: DayNumber, more: Minutes) =>
    [...minutes[a]!]
      .filter(
        ([at, there]) =>
          at < day &&
          there + more <= one.mostPerDay &&
          (load.get(at) ?? 0) + more <= (capacity.get(at) ?? 0) &&
          one.windows.some((w) => w.from <= at && day <= w.to)
      )
      .sort(([x], [y]) => y - x)[0]?.[0];
  const turn = ({ isPinned, isFirst = false }: AgreedMinutes) => (isPinned ? 0 : isFirst ? 1 : 2);
  for (const now of [0, 1, 2])
    for (const a of inOrder(asked)) {
      const mine = asked[a]!.kept.filter((kept) => turn(kept) === now && stays(kept, a));
      for (const kept of mine.sort((x, y) => x.day - y.day)) keep(asked[a]!, a, kept);
    }
  return {
    demands: asked.map((one, a) => ({
      ...one,
      windows: one.windows.map((window, w) => ({ ...window, minutes: left[a]![w]! }))
    })),
    minutes,
    lying: { ofDemand: (a, day) => minutes[a]!.get(day) ?? 0, on: (day) => load.get(day) ?? 0 }
  };
}

/** Whether anything was agreed before, beside what was set by hand. */
export const isAgreed = (asked: readonly { readonly kept: readonly AgreedMinutes[] }[]): boolean =>
  asked.some((one) => one.kept.some((kept) => !kept.isPinned));

/** In the teacher's order; where what was missed needs room, what has to be done soonest is kept before what can move. */
function inOrder(asked: readonly Keepable[]): number[] {
  const order = asked.map((_, a) => a);
  if (!asked.some((one) => one.kept.some((kept) => kept.isFirst))) return order;
  const soonest = asked.map(({ windows }) => Math.min(...windows.map((w) => w.to)));
  return order.sort((a, b) => soonest[a]! - soonest[b]! || a - b);
}

/** The windows of an item that a day lies in and that still ask for minutes; the one that closes first is first. */
function openWindows({ windows }: Demand, left: readonly Minutes[], day: DayNumber): number[] {
  return windows
    .map((window, w) => ({ window, w }))
    .filter(({ window, w }) => window.from <= day && day <= window.to && left[w]! > 0)
    .sort((x, y) => x.window.to - y.window.to || x.w - y.w)
    .map(({ w }) => w);
}

/** Takes minutes off what is left of the windows, one after the other. */
function takeOff(left: Minutes[], windows: readonly number[], minutes: Minutes): void {
  let wanted = minutes;
  for (const w of windows) {
    const part = Math.min(wanted, left[w]!);
    left[w]! -= part;
    wanted -= part;
  }
}

export function sumMinutes(of: readonly { readonly minutes: Minutes }[]): Minutes {
  return of.reduce((sum, { minutes }) => sum + minutes, 0);
}

/**
 * What stays of a plan that was agreed, and what is then still asked. A kept block counts for the window that closes
 * first; what is asked no longer is taken from the nearest days, so that later dates stay. Nothing kept goes over a
 * day's capacity or an item's most per day: the lower in the order yields.
 */
import type { DayNumber, Minutes } from '../units';
import { LEAST_BLOCK_MIN } from './block-task';
import type { Demand, Lying } from './demand';

export type AgreedMinutes = {
  readonly day: DayNumber;
  readonly minutes: Minutes;
  readonly isPinned: boolean;
};

export type Stay = {
  /** What is still asked beside it, in the same places. */
  readonly demands: readonly Demand[];
  readonly minutes: readonly ReadonlyMap<DayNumber, Minutes>[];
  readonly lying: Lying;
};

/** Least minutes of a block of what is asked: all of it where that is less. */
export function leastBlock(demand: Demand): Minutes {
  return Math.min(LEAST_BLOCK_MIN, sumMinutes(demand.windows));
}

type Keepable = Demand & { readonly kept: readonly AgreedMinutes[] };

/** Pinned blocks first, then what was agreed; of each item the latest days first. `stays` says which are looked at. */
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
    if (stay <= 0 || (!isPinned && there + stay < leastBlock(one))) return;
    takeOff(left[a]!, open, stay);
    minutes[a]!.set(day, there + stay);
    load.set(day, (load.get(day) ?? 0) + stay);
  };
  for (const isPinned of [true, false])
    asked.forEach((one, a) => {
      const mine = one.kept.filter((kept) => kept.isPinned === isPinned && stays(kept, a));
      for (const kept of mine.sort((x, y) => y.day - x.day)) keep(one, a, kept);
    });
  return {
    demands: asked.map((one, a) => ({
      ...one,
      windows: one.windows.map((window, w) => ({ ...window, minutes: left[a]![w]! }))
    })),
    minutes,
    lying: { ofDemand: (a, day) => minutes[a]!.get(day) ?? 0, on: (day) => load.get(day) ?? 0 }
  };
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

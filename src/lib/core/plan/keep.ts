/**
 * What stays of a plan that was agreed, and what is then still asked. A kept block counts for the window that closes
 * first; what is asked no longer is taken from the nearest days, so that later dates stay. Nothing kept goes over a
 * day's capacity or an item's most per day: the lower in the order yields.
 */
import type { DayNumber, Minutes } from '../units';
import { LEAST_BLOCK_MIN } from './block-task';
import type { Demand, Lying } from './demand';

export type Kept = { readonly day: DayNumber; readonly minutes: Minutes; readonly isPinned: boolean };

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

export function keepAgreed(
  asked: readonly (Demand & { readonly kept: readonly Kept[] })[],
  capacity: ReadonlyMap<DayNumber, Minutes>,
  stays: (kept: Kept, asked: number) => boolean
): Stay {
  const left = asked.map((one) => one.windows.map((w) => w.minutes));
  const minutes = asked.map(() => new Map<DayNumber, Minutes>());
  const load = new Map<DayNumber, Minutes>();
  for (const isPinned of [true, false]) {
    asked.forEach((one, a) => {
      const mine = one.kept.filter((kept) => kept.isPinned === isPinned && stays(kept, a));
      for (const kept of mine.sort((x, y) => y.day - x.day)) {
        const { day } = kept;
        const there = minutes[a]!.get(day) ?? 0;
        const room = Math.min((capacity.get(day) ?? 0) - (load.get(day) ?? 0), one.mostPerDay - there);
        const open = one.windows
          .map((window, w) => ({ window, w }))
          .filter(({ window, w }) => window.from <= day && day <= window.to && left[a]![w]! > 0)
          .sort((x, y) => x.window.to - y.window.to || x.w - y.w);
        const asks = open.reduce((sum, { w }) => sum + left[a]![w]!, 0);
        const stay = Math.min(kept.minutes, room, asks);
        if (stay <= 0 || (!isPinned && there + stay < leastBlock(one))) continue;
        let wanted = stay;
        for (const { w } of open) {
          const part = Math.min(wanted, left[a]![w]!);
          left[a]![w]! -= part;
          wanted -= part;
        }
        minutes[a]!.set(day, there + stay);
        load.set(day, (load.get(day) ?? 0) + stay);
      }
    });
  }
  return {
    demands: asked.map((one, a) => ({
      ...one,
      windows: one.windows.map((window, w) => ({ ...window, minutes: left[a]![w]! }))
    })),
    minutes,
    lying: { of: (a, day) => minutes[a]!.get(day) ?? 0, on: (day) => load.get(day) ?? 0 }
  };
}

export function sumMinutes(of: readonly { readonly minutes: Minutes }[]): Minutes {
  return of.reduce((sum, { minutes }) => sum + minutes, 0);
}

/** How long a take stays: some weeks, unless something holds it. It is said before it goes. */
import type { DayNumber } from '../units';

/** Two months: long enough to be heard again, short enough that nobody's sound lies about for years (judgement). */
export const KEPT_DAYS = 60;
/** From so many days before it goes, that is said (judgement). */
export const SAID_DAYS = 14;

export type Held = {
  readonly id: string;
  readonly itemId: string;
  readonly day: DayNumber;
  /** Its place in time among those of one day. */
  readonly madeAtMs: number;
  readonly isKept: boolean;
  /** False where somebody else plays. */
  readonly isOwn: boolean;
  /** A spot was found in it. */
  readonly isOfSpot: boolean;
};

/** The day on which each take goes, by its id; null where it stays: kept by hand, held by a spot, or an item's first while its season is open. */
export function goingDays(
  takes: readonly Held[],
  isOpen: (itemId: string) => boolean
): ReadonlyMap<string, DayNumber | null> {
  const firsts = new Map<string, Held>();
  for (const take of takes.filter(({ isOwn }) => isOwn)) {
    const first = firsts.get(take.itemId);
    if (!first || take.day < first.day || (take.day === first.day && take.madeAtMs < first.madeAtMs))
      firsts.set(take.itemId, take);
  }
  const stays = (take: Held) =>
    take.isKept || take.isOfSpot || (firsts.get(take.itemId) === take && isOpen(take.itemId));
  return new Map(takes.map((take) => [take.id, stays(take) ? null : take.day + KEPT_DAYS]));
}

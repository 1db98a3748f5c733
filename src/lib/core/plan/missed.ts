/**
 * What was missed comes first: a block of each item, those farthest behind first, in up to half of the minutes of the next practice day, and
 * what has no place there by the third. What lies on those days by agreement gives way where it has to.
 */
import type { DayNumber, Minutes } from '../units';
import { LEAST_BLOCK_MIN } from './block-task';
import { type AgreedMinutes, sumMinutes } from './keep';

/** Of the next practice day's minutes (judgement). */
const MOST_OF_NEXT_DAY = 0.5;
/** By so many practice days it has come back (judgement). */
const WITHIN_DAYS = 3;

export type Missed = {
  readonly minutes: Minutes;
  /** The more, the farther behind. */
  readonly behind: number;
};

type MissedDemand = {
  readonly mostPerDay: Minutes;
  readonly missed?: Missed | undefined;
  readonly kept: readonly AgreedMinutes[];
  readonly windows: readonly { readonly minutes: Minutes }[];
};

/** What is kept of each, with what was missed put first. Where nothing was missed, as it is. */
export function putMissedFirst<D extends MissedDemand>(
  asked: readonly D[],
  capacity: ReadonlyMap<DayNumber, Minutes>
): readonly D[] {
  const days = [...capacity.keys()].filter((day) => capacity.get(day)! > 0).sort((a, b) => a - b);
  const near = days.slice(0, WITHIN_DAYS);
  const room = new Map(
    near.map((day, i) => [day, Math.floor(capacity.get(day)! * (i === 0 ? MOST_OF_NEXT_DAY : 1))])
  );
  const first = new Map<D, AgreedMinutes>();
  const order = asked.filter((one) => one.missed).sort((a, b) => b.missed!.behind - a.missed!.behind);
  for (const one of order) {
    // what is asked beside all that was agreed: the rest of what was missed is asked no longer
    const minutes = Math.min(one.missed!.minutes, sumMinutes(one.windows) - sumMinutes(one.kept));
    if (minutes < LEAST_BLOCK_MIN) continue;
    const place = near
      .map((day) => ({ day, there: one.kept.find((k) => k.day === day && !k.isPinned)?.minutes ?? 0 }))
      .find(({ day, there }) => {
        const isPinned = one.kept.some((k) => k.day === day && k.isPinned);
        return !isPinned && room.get(day)! >= minutes && there + minutes <= one.mostPerDay;
      });
    if (!place) continue;
    room.set(place.day, room.get(place.day)! - minutes);
    first.set(one, { day: place.day, minutes: place.there + minutes, isPinned: false, isFirst: true });
  }
  if (first.size === 0) return asked;
  return asked.map((one) => {
    const block = first.get(one);
    return block ? { ...one, kept: [block, ...one.kept.filter((k) => k.day !== block.day)] } : one;
  });
}

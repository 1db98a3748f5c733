/**
 * The day of a round, counted back from its slot: get up, eat, leave, arrive, register, warm up, be silent. Everything is a length before an
 * instant, so that daylight saving and two zones change no length. Source: the mock model, section 7, and handbook section 9 (common practice, no
 * published source); the lengths are judgement.
 */
import type { RoundDay } from '../record';
import { type DayStep, DAY_STEPS } from '../record/words';
import type { Milliseconds, Minutes, Share } from '../units';

const MS_PER_MINUTE = 60_000;

/** How long each step lasts up to the next, but the way, which somebody says. */
export const USUAL_MIN: Readonly<Record<Exclude<DayStep, 'leave'>, Minutes>> = {
  rise: 20,
  eat: 55,
  // to find the door, and to get warm
  arrive: 15,
  register: 20,
  // long enough to be warm, too short for a performance
  'warm-up': 40,
  silent: 20
};
/** A way that nobody has said. */
export const PRESUMED_TRAVEL_MIN: Minutes = 30;
/** So much of the way is kept besides: a quarter. */
const BUFFER: Share = 0.25;

export type StepAt = {
  readonly step: DayStep;
  readonly atMs: Milliseconds;
  readonly minutes: Minutes;
  /** Minutes of it that are spare. */
  readonly spareMin: Minutes;
  readonly beforeMin: Minutes;
  readonly note: string;
};

/** Steps in the order of the day; the last one ends at the slot. */
export function planDay(
  slotMs: Milliseconds,
  { travelMin, minutes, notes }: Pick<RoundDay, 'travelMin' | 'minutes' | 'notes'>
): StepAt[] {
  const way = travelMin ?? PRESUMED_TRAVEL_MIN;
  const spare = Math.ceil(way * BUFFER);
  const lengthOf = (step: DayStep) => (step === 'leave' ? way + spare : (minutes[step] ?? USUAL_MIN[step]));
  let beforeMin = 0;
  return [...DAY_STEPS]
    .reverse()
    .map((step) => {
      beforeMin += lengthOf(step);
      return {
        step,
        atMs: slotMs - beforeMin * MS_PER_MINUTE,
        minutes: lengthOf(step),
        spareMin: step === 'leave' ? spare : 0,
        beforeMin,
        note: notes[step] ?? ''
      };
    })
    .reverse();
}

/** The step that goes on at an instant; null before the first, and from the slot on. */
export function stepAt(steps: readonly StepAt[], slotMs: Milliseconds, nowMs: Milliseconds): DayStep | null {
  if (nowMs >= slotMs) return null;
  return steps.findLast(({ atMs }) => atMs <= nowMs)?.step ?? null;
}

/** The steps of a round's day in words. */
import type { DayStep } from '$lib/core/record/words';

export const STEP_NAMES: Readonly<Record<DayStep, string>> = {
  rise: 'get up',
  eat: 'eat',
  leave: 'leave',
  arrive: 'arrive',
  register: 'register',
  'warm-up': 'warm up',
  silent: 'silent'
};

/** What a step is, where nobody has written anything to it. */
export const STEP_SAYS: Readonly<Record<DayStep, string>> = {
  rise: '',
  eat: 'enough, and early',
  leave: '',
  arrive: 'find the door, get warm',
  register: '',
  'warm-up': 'not a performance',
  silent: 'first notes heard in the head'
};

/** "1 h 32", "18 min". */
export function sayBefore(minutes: number): string {
  const [hours, rest] = [Math.floor(minutes / 60), minutes % 60];
  if (hours === 0) return `${rest} min`;
  return rest === 0 ? `${hours} h` : `${hours} h ${String(rest).padStart(2, '0')}`;
}

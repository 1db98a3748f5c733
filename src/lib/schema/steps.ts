/** Schools of a step and strategies as a form offers them: their keys, what each means, and their names. */
import type { Strategy } from '../core/season';
import type { StepSchool } from '../core/tempo';

export const STEP_SCHOOLS = [
  'auto',
  'one',
  'two',
  'plus-2',
  'plus-4',
  'plus-5',
  'plus-10',
  'percent-5',
  'zigzag'
] as const;

export const STEPS: Record<(typeof STEP_SCHOOLS)[number], StepSchool> = {
  auto: { kind: 'scale', clicks: 'auto' },
  one: { kind: 'scale', clicks: 1 },
  two: { kind: 'scale', clicks: 2 },
  'plus-2': { kind: 'plus', bpm: 2 },
  'plus-4': { kind: 'plus', bpm: 4 },
  'plus-5': { kind: 'plus', bpm: 5 },
  'plus-10': { kind: 'plus', bpm: 10 },
  'percent-5': { kind: 'percent', percent: 5 },
  zigzag: { kind: 'zigzag' }
};

/** How an item is worked, in the trade's words. */
export const STRATEGY_NAMES: Record<Strategy, string> = {
  ramp: 'gradual ramp',
  chunks: 'chunks at tempo',
  drills: 'ramp, drills beside',
  combined: 'combined'
};

/** As short as a narrow column wants them. */
export const STEP_NAMES: Record<(typeof STEP_SCHOOLS)[number], string> = {
  auto: 'one click or two',
  one: 'one click',
  two: 'two clicks',
  'plus-2': '+2 bpm',
  'plus-4': '+4 bpm',
  'plus-5': '+5 bpm',
  'plus-10': '+10 bpm',
  'percent-5': '+5 percent',
  zigzag: 'two on, one back'
};

/** The key of a step; "auto" where none was chosen. */
export function stepKey(step: StepSchool | undefined): (typeof STEP_SCHOOLS)[number] {
  const keys = Object.keys(STEPS) as (typeof STEP_SCHOOLS)[number][];
  return keys.find((key) => JSON.stringify(STEPS[key]) === JSON.stringify(step)) ?? 'auto';
}

/** How an item climbs where nothing else is said: the studio's usual strategy, step and shape. */
import { z } from 'zod';
import { RAMP_SHAPES } from '../core/plan';
import { type ChosenSchools } from '../core/record';
import { STRATEGIES } from '../core/season';
import { STEPS, STEP_SCHOOLS, stepKey } from './steps';

export const usualForm = z.object({
  strategy: z.enum(STRATEGIES, 'Choose a strategy.').default('ramp'),
  step: z.enum(STEP_SCHOOLS, 'Choose a step.').default('auto'),
  shape: z.enum(RAMP_SHAPES, 'Choose a shape.').default('equal-percent')
});
export type UsualForm = z.infer<typeof usualForm>;

export const schoolsOfUsual = ({ strategy, step, shape }: UsualForm): ChosenSchools => ({
  strategy,
  step: STEPS[step],
  shape
});

export const fillUsual = ({ strategy, step, shape }: ChosenSchools): UsualForm => ({
  strategy: strategy ?? 'ramp',
  step: stepKey(step),
  shape: shape ?? 'equal-percent'
});

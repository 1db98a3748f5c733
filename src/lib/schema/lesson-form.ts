/** The decisions of a lesson, as small forms bring them. */
import { z } from 'zod';
import { STEP_SCHOOLS } from './steps';
import { bpmField, dateField, longText, minutesField } from '../core/record';

const id = z.string().max(80);
const numeric = <T extends z.ZodType>(field: T) =>
  z.preprocess((text) => (text === '' ? undefined : Number(text)), field);

export const targetForm = z.object({ itemId: id, sectionId: id, bpm: numeric(bpmField) });
export const stepForm = z.object({ itemId: id, step: z.enum(STEP_SCHOOLS) });
export const weekForm = z.array(z.object({ date: dateField, minutes: numeric(minutesField(0)) })).max(14);
/** `was` is the note that was there when it was opened. */
export const noteForm = z.object({ note: longText, was: z.string().max(4000).default('') });
export const wishForm = z.object({
  says: z.string().trim().min(1, 'Write what you wish.').max(1000, 'At most 1,000 characters, please.')
});
export const answerForm = z.object({
  wishId: id,
  answer: z.enum(['accepted', 'not now'])
});

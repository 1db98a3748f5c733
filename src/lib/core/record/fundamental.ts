/** One entry of a candidate's rotation of fundamentals: what, how long, how often, and until when. */
import { z } from 'zod';
import { dateField, idField, minutesField, nameField, shortText } from './fields';
import type { Immutable } from './immutable';

const weekday = z.number().int().min(1).max(7);

/** every: so many days apart, 1 is each day. weekdays: ISO 1 (Monday) to 7. a-week: so often, spread over the week. */
const often = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('every'), days: z.number().int().min(1).max(7) }),
  z.strictObject({ kind: z.literal('weekdays'), weekdays: z.array(weekday).min(1).max(7) }),
  z.strictObject({ kind: z.literal('a-week'), times: z.number().int().min(1).max(6) })
]);
export type Often = Immutable<z.infer<typeof often>>;

export const fundamental = z.strictObject({
  id: idField,
  name: nameField,
  minutes: minutesField(1, 60),
  often,
  /** What it tires, in a word; two that tire the same are not put side by side. Missing: nothing. */
  tires: shortText.unwrap().optional(),
  /** Its last day; missing: it stays. */
  until: dateField.optional(),
  /** What takes its place after that day; missing: nothing. */
  next: nameField.optional()
});
export type Fundamental = Immutable<z.infer<typeof fundamental>>;

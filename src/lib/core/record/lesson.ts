/** What lessons leave: notes to take home, one a day, and a candidate's wishes with their answers. */
import { z } from 'zod';
import { bpmField, dateField, idField, longText, minutesField } from './fields';
import type { Immutable } from './immutable';

export const lessonNote = z.strictObject({ date: dateField, note: longText });
export type LessonNote = Immutable<z.infer<typeof lessonNote>>;

/** What a wish asks for that can be carried out: minutes of a weekday, an item less, another target, lighter days. */
const wishAsk = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('minutes'),
    weekday: z.number().int().min(1).max(7),
    minutes: minutesField(0)
  }),
  z.strictObject({ kind: z.literal('left-out'), itemId: idField }),
  z.strictObject({ kind: z.literal('target'), itemId: idField, sectionId: idField, bpm: bpmField }),
  z.strictObject({ kind: z.literal('lighter'), days: z.number().int().min(1).max(14) })
]);
export type WishAsk = Immutable<z.infer<typeof wishAsk>>;

export const wish = z.strictObject({
  id: idField,
  madeOn: dateField,
  says: longText,
  /** Null while it waits for the teacher. */
  answer: z.enum(['accepted', 'not now']).nullable(),
  /** Missing where it is words alone. */
  asks: wishAsk.optional(),
  /** The teacher's words with the answer. */
  reply: longText.unwrap().optional()
});
export type Wish = Immutable<z.infer<typeof wish>>;
export type WishAnswer = NonNullable<Wish['answer']>;

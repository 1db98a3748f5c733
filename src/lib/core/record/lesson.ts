/** What lessons leave: notes to take home, one a day, and a candidate's wishes with their answers. */
import { z } from 'zod';
import { dateField, idField, longText } from './fields';
import type { Immutable } from './immutable';

export const lessonNote = z.strictObject({ date: dateField, note: longText });
export type LessonNote = Immutable<z.infer<typeof lessonNote>>;

export const wish = z.strictObject({
  id: idField,
  madeOn: dateField,
  says: longText,
  /** Null while it waits for the teacher. */
  answer: z.enum(['accepted', 'not now']).nullable()
});
export type Wish = Immutable<z.infer<typeof wish>>;
export type WishAnswer = NonNullable<Wish['answer']>;

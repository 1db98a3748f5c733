/** Small forms of the page around an audition. */
import { z } from 'zod';
import { dateField, idField, nameField, shortText } from '../core/record';

const orNone = z.preprocess(
  (text) => (text === '' || text === undefined ? null : text),
  dateField.nullable()
);
export const taskForm = z.object({
  /** That of an existing one; empty for a new one. */
  id: z.string().max(60).default(''),
  name: nameField,
  dueOn: orNone,
  who: shortText.default('')
});
export const tickForm = z.object({ id: idField, isDone: z.string().max(1).default('') });
export const dropTaskForm = z.object({ id: idField });

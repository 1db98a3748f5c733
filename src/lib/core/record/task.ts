/** A task around an audition that is not played: the application, travel, what has to be ready; with a person, a day and a tick. */
import { z } from 'zod';
import { dateField, idField, nameField, shortText } from './fields';
import type { Immutable } from './immutable';

export const task = z.strictObject({
  id: idField,
  name: nameField,
  /** The last day for it; null where it has none. */
  dueOn: dateField.nullable(),
  /** Who does it; empty where nobody said. */
  who: shortText,
  /** Null before it is done. */
  doneOn: dateField.nullable()
});
export type Task = Immutable<z.infer<typeof task>>;

/** An open task as a date of the season; it takes no minutes. */
export type TaskDate = { readonly date: string; readonly name: string; readonly kind: 'task' };

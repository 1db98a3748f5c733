/** A way to practise a few bars, of the teacher's own; the usual ones are core/practice/methods/catalogue.ts's. */
import { z } from 'zod';
import { idField, nameField, oneLine, shortText } from './fields';
import type { Immutable } from './immutable';

export const ownMethod = z.strictObject({
  id: idField,
  name: nameField,
  /** What to do, in a sentence or two. */
  says: z
    .string()
    .overwrite(oneLine)
    .trim()
    .min(1, 'Say what to do.')
    .max(400, 'At most 400 characters, please.'),
  /** Elements it is good for; none: for anything. */
  goodFor: z.array(shortText).max(16)
});
export type OwnMethod = Immutable<z.infer<typeof ownMethod>>;

/** A recorded round: its rules, how its files are named, and which take of each item is sent. */
import { z } from 'zod';
import { idField, longText, shortText } from './fields';
import type { Immutable } from './immutable';

export const prescreen = z.strictObject({
  roundId: idField,
  /** Of the call, in words: one take, cuts, order. */
  rules: longText,
  /** How files are named; what stands in braces is filled in. */
  pattern: shortText,
  /** The takes that are sent. */
  chosen: z.array(z.strictObject({ itemId: idField, takeId: idField })).max(200),
  /** Films stay outside: by the name of their file. */
  films: z.array(z.strictObject({ itemId: idField, name: shortText })).max(200)
});
export type Prescreen = Immutable<z.infer<typeof prescreen>>;

/**
 * Evidence that a check of an item holds, or does no more, as somebody said it on a day. It is a history: what is said later is added, and
 * nothing is written over.
 */
import { z } from 'zod';
import { dateField, idField } from './fields';
import type { Immutable } from './immutable';
import { CHECKS_BY_HAND, CHECK_KINDS, CHECK_LEVELS, EVIDENCE, GROUNDWORK_KINDS } from './words';

/** What somebody can say of an item: a check, or groundwork. */
export type SaidKind = (typeof CHECKS_BY_HAND)[number] | (typeof GROUNDWORK_KINDS)[number];
export const SAID_KINDS: readonly SaidKind[] = [...new Set([...CHECKS_BY_HAND, ...GROUNDWORK_KINDS])];
export const saidKind = z.enum(SAID_KINDS as [SaidKind, ...SaidKind[]]);

export const saidCheck = z.strictObject({
  id: idField,
  check: saidKind,
  /** Civil date at the candidate's home. */
  date: dateField,
  isHeld: z.boolean(),
  by: z.enum(EVIDENCE)
});
export type SaidCheck = Immutable<z.infer<typeof saidCheck>>;

/** What is set otherwise than by default of an item's checks. */
export const checkLevels = z.partialRecord(z.enum(CHECK_KINDS), z.enum(CHECK_LEVELS));
export type CheckLevels = Immutable<z.infer<typeof checkLevels>>;

/**
 * A touch: one block of work on one item, as it was logged. What holds follows from touches alone (core/practice). Attempts are kept in
 * their order, because only the order tells whether clean ones came in a row.
 */
import { z } from 'zod';
import {
  barField,
  bpmField,
  dateField,
  idField,
  longText,
  minutesField,
  shortText,
  unitField
} from './fields';
import type { Immutable } from './immutable';
import { EVIDENCE } from './words';

/** What was played, at one tempo. */
const played = {
  /** Both missing: the whole item. */
  fromBar: barField.optional(),
  toBar: barField.optional(),
  /** Missing where nothing was clicked (free sections, sight-reading, listening). */
  tempoBpm: bpmField.optional(),
  unit: unitField.optional(),
  /** c for a clean attempt, n for one that was not yet, in the order played. */
  attempts: z
    .string()
    .regex(/^[cn]*$/, 'Attempts are c for clean and n for not yet, in the order played: ccncc.')
    .max(60, 'At most 60 attempts in one touch.')
    .optional(),
  /** Elements that did not hold; with any of them the tempo does not count. */
  notHeld: z.array(shortText).max(12).optional()
};

/** Attempts at the same bars and tempo, in one go; `atMs` is the clock when it began, in ms since 1970 UTC. */
const series = z.strictObject({
  ...played,
  /** The spot that was worked at, and the method (core/practice/methods). */
  spot: idField.optional(),
  method: idField.optional(),
  atMs: z.number().int().min(0).max(4102444800000),
  seconds: z.number().int().min(0).max(43_200)
});
export type Series = Immutable<z.infer<typeof series>>;

export const touchFields = {
  itemId: idField,
  /** Civil date at the candidate's home. */
  date: dateField,
  minutes: minutesField(1, 360),
  ...played,
  /** Where several tempos were played, each by itself, in order: then tempo and attempts stand there alone. */
  series: z.array(series).max(120).optional(),
  evidence: z.enum(EVIDENCE).optional(),
  note: longText.unwrap().optional()
};

export const touch = z.strictObject({ id: idField, ...touchFields });
export type Touch = Immutable<z.infer<typeof touch>>;

const FIELDS = Object.keys(touchFields) as (keyof typeof touchFields)[];
const sayValue = (value: unknown) =>
  Array.isArray(value) && value.length > 0 ? JSON.stringify(value) : String(value ?? '');

/** Whether two touches say the same, by whatever id; nothing and an empty text are alike. */
export const isSameTouch = (a: Omit<Touch, 'id'>, b: Omit<Touch, 'id'>) =>
  FIELDS.every((field) => sayValue(a[field]) === sayValue(b[field]));

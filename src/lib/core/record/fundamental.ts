/** One entry of a candidate's rotation of fundamentals: what, how long, how often, and until when. */
import { z } from 'zod';
import {
  bpmField,
  dateField,
  idField,
  minutesField,
  nameField,
  oneLine,
  shortText,
  unitField
} from './fields';
import type { Immutable } from './immutable';
import { CLICK_STAGES } from './words';

const weekday = z.number().int().min(1).max(7);

/** every: so many days apart, 1 is each day. weekdays: ISO 1 (Monday) to 7. a-week: so often, spread over the week. */
const often = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('every'), days: z.number().int().min(1).max(7) }),
  z.strictObject({ kind: z.literal('weekdays'), weekdays: z.array(weekday).min(1).max(7) }),
  z.strictObject({ kind: z.literal('a-week'), times: z.number().int().min(1).max(6) })
]);
export type Often = Immutable<z.infer<typeof often>>;

const keyField = z.string().overwrite(oneLine).trim().min(1).max(30, 'A key has at most 30 characters.');

/** Scales, key by key. */
export const scales = z.strictObject({
  keys: z.array(keyField).min(1, 'Name at least one key.').max(48, 'At most 48 keys.'),
  octaves: z.number().int('Octaves are whole.').min(1, 'At least one octave.').max(6, 'At most six octaves.'),
  /** What is played on them, in words. */
  pattern: shortText.unwrap().optional(),
  unit: unitField,
  /** A key begins at the first tempo, and goes up to the second. */
  fromBpm: bpmField,
  toBpm: bpmField,
  /** How far the click is thinned to begin with. */
  stage: z.enum(CLICK_STAGES)
});
export type Scales = Immutable<z.infer<typeof scales>>;

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
  next: nameField.optional(),
  /** Missing where it is not of scales. */
  scales: scales.optional()
});
export type Fundamental = Immutable<z.infer<typeof fundamental>>;

/** What is sent about takes: noted, marked, outlined, set. */
import { z } from 'zod';
import {
  LONGEST_TAKE_MS,
  barField,
  bpmField,
  idField,
  nameField,
  peaks,
  shortText,
  take,
  takeMark
} from '../core/record';

export const takeSent = z.strictObject({ take });
export const marksSent = z.strictObject({
  put: z.array(takeMark).max(100),
  drop: z.array(idField).max(100)
});
export const peaksSent = z.strictObject({ peaks: peaks.min(1) });

/** Small forms of a take's page. */
export const keepForm = z.object({ isKept: z.string().max(1).default('') });
const whole = (text: unknown) =>
  typeof text === 'string' && /^\d{1,9}$/.test(text.trim()) ? Number(text) : text;
export const barForm = z.object({
  bar: z.preprocess(whole, barField),
  atMs: z.preprocess(whole, z.number().int().min(0))
});
export const heardForm = z.object({ isClean: z.string().max(1).default('') });
/** A tempo that was measured in a take, for a section. */
export const recordingForm = z.object({
  section: idField,
  bpm: z.preprocess(
    (text) => (typeof text === 'string' && text.trim() !== '' ? Number(text) : text),
    bpmField
  )
});
/** What came of hearing a spot again. */
export const againForm = z.object({
  take: z.uuid(),
  isSolved: z.string().max(1).default(''),
  idea: shortText
});
export const goneForm = z.object({ id: idField, back: z.string().max(1).default('') });

/** For whom a take is. */
export const shareForm = z.object({ name: nameField });
/** What a listener says at a moment of it. */
export const remarkForm = z.object({
  id: z.uuid(),
  atMs: z.preprocess(whole, z.number().int().min(0).max(LONGEST_TAKE_MS)),
  says: shortText.unwrap().min(1, 'Say what you hear there.')
});
export const remarkSpotForm = z
  .object({
    mark: idField,
    fromBar: z.preprocess(whole, barField),
    toBar: z.preprocess(whole, barField)
  })
  .refine(({ fromBar, toBar }) => fromBar <= toBar, 'The bars are upside down.');

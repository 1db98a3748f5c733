/** A take: the sound of an item's bars at a date, and what was heard in it. The sound itself is a file; here is what is known of it. */
import { z } from 'zod';
import { barField, bpmField, dateField, idField, shortText, unitField } from './fields';
import type { Immutable } from './immutable';
import { barsSchema } from './spot';
import { LONGEST_TAKE_MS, MOST_PEAKS, SOUND_KINDS, TAKE_SOURCES } from './words';

const msField = z.number().int().min(0).max(LONGEST_TAKE_MS);

/** A bar that was found by hand in the sound. */
const anchor = z.strictObject({ bar: barField, atMs: msField });

const fields = z.strictObject({
  /** Made on the device; it names a file while the sound is sent. */
  id: z.uuid(),
  itemId: idField,
  ...barsSchema.shape,
  /** The civil date at the candidate's home. */
  date: dateField,
  /** The device's clock when it began, in ms since 1970 UTC. */
  madeAtMs: z.number().int().min(0).max(4102444800000),
  source: z.enum(TAKE_SOURCES),
  /** What was meant to be played; null where it is not known. */
  tempo: z.strictObject({ bpm: bpmField, unit: unitField }).nullable(),
  /** Where the music begins in it: after the count. */
  musicAtMs: msField
});
const inOrder = ({ fromBar, toBar }: { fromBar: number; toBar: number }) => fromBar <= toBar;
const UPSIDE_DOWN = 'The bars are upside down.';
export const take = fields.refine(inOrder, UPSIDE_DOWN);
export type Take = Immutable<z.infer<typeof take>>;

/** What is set of a take afterwards; bars found by hand replace those of before. */
export type TakeSet =
  { readonly isKept: boolean } | { readonly anchors: readonly TakeAnchor[] } | { readonly isGone: boolean };
export type TakeAnchor = Immutable<z.infer<typeof anchor>>;

/** A place at which something was heard. */
export const takeMark = z.strictObject({
  id: idField,
  atMs: msField,
  element: shortText,
  /** What is heard there, in words; often empty. */
  says: shortText
});
export type TakeMark = Immutable<z.infer<typeof takeMark>>;

/** The loudest of each of as many equal parts of the sound, from 0 to 255. */
export const peaks = z.array(z.number().int().min(0).max(255)).max(MOST_PEAKS);

/** The file of a take, as it was found to be. */
const sound = z.strictObject({
  /** SHA-256 of its content. */
  name: z.string().regex(/^[0-9a-f]{64}$/),
  kind: z.enum(SOUND_KINDS),
  bytes: z.number().int().min(1).max(4e9),
  lengthMs: msField
});
export type Sound = Immutable<z.infer<typeof sound>>;

/** A take as it is kept: with what was found by hand and heard in it. */
export const keptTake = z
  .strictObject({
    ...fields.shape,
    anchors: z.array(anchor).max(60),
    isKept: z.boolean(),
    /** Null until it has come. */
    sound: sound.nullable(),
    listener: shortText,
    marks: z
      .array(
        z.strictObject({
          ...takeMark.shape,
          spotId: idField.nullable(),
          /** A listener's, who came by a link; missing in files of before, where they alone had words. */
          isRemark: z.boolean().optional()
        })
      )
      .max(500)
  })
  .refine(inOrder, UPSIDE_DOWN);

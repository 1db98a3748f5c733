/** What holds today of each section of a list, said in one pass. */
import { z } from 'zod';
import { EVIDENCE, bpmField, idField } from '../core/record';
import type { BeatUnit } from '../core/units';
import { sayNoClick } from './item';
import { typedNumber } from './typed';

const row = z.object({ itemId: idField, sectionId: idField, bpm: typedNumber });
export const holdsForm = z.object({
  heardBy: z.enum(EVIDENCE).default('teacher'),
  rows: z.array(row).max(400, 'At most 400 at once.').default([])
});
export type HoldsForm = z.infer<typeof holdsForm>;

/** Why a tempo cannot hold, as a sentence; null where it can, or none is said. */
export function sayHoldsFault(bpm: number | null, unit: BeatUnit): string | null {
  if (bpm === null) return null;
  const read = bpmField.safeParse(bpm);
  return read.error?.issues[0]?.message ?? sayNoClick(bpm, unit);
}

/** Changes tried on a scratch copy, as the page sends them to be kept. */
import { z } from 'zod';
import type { Changes } from '../core/season';
import { bpmField, dateField, idField, jsonText, minutesField, schools } from '../core/record';

const item = z.strictObject({
  itemId: idField,
  targets: z
    .array(z.strictObject({ sectionId: idField, bpm: bpmField }))
    .max(60)
    .optional(),
  schools: schools.optional(),
  isLeftOut: z.boolean().optional()
});

const changes: z.ZodType<Changes> = z.strictObject({
  week: z
    .array(
      z.strictObject({ weekday: z.number().int().min(1).max(7), addMin: z.number().int().min(-720).max(720) })
    )
    .max(7)
    .optional(),
  fundamentalsMin: minutesField(0, 240).optional(),
  lighterDays: z.number().int().min(1).max(14).optional(),
  daysIntoMock: z.number().int().min(0).max(60).optional(),
  rounds: z
    .array(z.strictObject({ roundId: idField, date: dateField }))
    .max(20)
    .optional(),
  items: z.array(item).max(200).optional()
});

export const changesText = jsonText(changes);

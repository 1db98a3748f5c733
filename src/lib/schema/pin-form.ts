/** What the countback's pin buttons send. */
import { z } from 'zod';
import { dateField, idField, minutesField } from '../core/record';

const rung = { itemId: idField, sectionId: idField, bpm: z.coerce.number().positive().max(1000) };

export const pinBlockForm = z.object({
  itemId: idField,
  date: dateField,
  minutes: z.coerce.number().pipe(minutesField(1, 240))
});
export const unpinBlockForm = z.object({ itemId: idField, date: dateField });
export const pinRungForm = z.object({ ...rung, date: dateField });
export const unpinRungForm = z.object(rung);

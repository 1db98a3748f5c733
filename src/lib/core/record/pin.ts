/** What a teacher set by hand: minutes of an item on a date, or the date on which a rung is to be reached, neither earlier nor later. */
import { z } from 'zod';
import { dateField, idField, minutesField } from './fields';
import type { Immutable } from './immutable';

const blockPin = z.strictObject({ itemId: idField, date: dateField, minutes: minutesField(1, 240) });
export type BlockPin = Immutable<z.infer<typeof blockPin>>;

const rungPin = z.strictObject({
  itemId: idField,
  date: dateField,
  sectionId: idField,
  bpm: z.number().positive('A tempo is a number of beats a minute.')
});
export type RungPin = Immutable<z.infer<typeof rungPin>>;

export const pin = z.union(
  [blockPin, rungPin],
  'A pin has itemId and date, and either minutes, or sectionId and bpm.'
);

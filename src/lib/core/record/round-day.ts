/** The day of a round as a candidate has set it: how long each thing takes before the slot, and what to think of at it. */
import { z } from 'zod';
import { idField, minutesField, shortText } from './fields';
import type { Immutable } from './immutable';
import { DAY_STEPS } from './words';

export const roundDay = z.strictObject({
  roundId: idField,
  /** From the door to the venue; null where nobody said. */
  travelMin: minutesField(0, 1440).nullable(),
  /** How long each step lasts where that is not as usual. */
  minutes: z.partialRecord(z.enum(DAY_STEPS), minutesField(0, 480)),
  notes: z.partialRecord(z.enum(DAY_STEPS), shortText),
  /** Of the venue: house, door, room. */
  place: shortText
});
export type RoundDay = Immutable<z.infer<typeof roundDay>>;

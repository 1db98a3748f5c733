/** The day of a round as a candidate has set it: how long each thing takes before the slot, and what to think of at it. */
import { z } from 'zod';
import { idField, longText, minutesField, shortText } from './fields';
import type { Immutable } from './immutable';
import { DAY_STEPS, MOCK_WORDS } from './words';

/** What was asked and how it went: an item that is not named was not heard. */
export const afterRound = z.strictObject({
  /** In the panel's own words. */
  result: longText,
  keep: longText,
  heard: z.array(z.strictObject({ itemId: idField, word: z.enum(MOCK_WORDS) })).max(200)
});
export type AfterRound = Immutable<z.infer<typeof afterRound>>;

export const roundDay = z.strictObject({
  roundId: idField,
  /** From the door to the venue; null where nobody said. */
  travelMin: minutesField(0, 1440).nullable(),
  /** How long each step lasts where that is not as usual. */
  minutes: z.partialRecord(z.enum(DAY_STEPS), minutesField(0, 480)),
  notes: z.partialRecord(z.enum(DAY_STEPS), shortText),
  /** Of the venue: house, door, room. */
  place: shortText,
  /** Missing before somebody has told it. */
  after: afterRound.optional()
});
export type RoundDay = Immutable<z.infer<typeof roundDay>>;

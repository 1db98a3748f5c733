/** A candidate's practice time: the week, dates that differ, lessons and mocks. */
import { z } from 'zod';
import { dateField, minutesField, shortText, timeField } from './fields';
import { fundamental } from './fundamental';
import type { Immutable } from './immutable';

const span = { start: timeField.optional(), minutes: minutesField(1) };
export type TimeSpan = Immutable<z.infer<z.ZodObject<typeof span>>>;

/** ISO weekday 1 (Monday) to 7. */
const weekday = z
  .number()
  .int()
  .min(1, 'A weekday is 1 (Monday) to 7 (Sunday).')
  .max(7, 'A weekday is 1 (Monday) to 7 (Sunday).');

/** From `date` to `until`, both included; without `until` the one day. */
export const dayException = z.strictObject({
  date: dateField,
  until: dateField.optional(),
  start: timeField.optional(),
  minutes: minutesField(0),
  why: shortText.unwrap().optional()
});
export type DayException = Immutable<z.infer<typeof dayException>>;

export const mock = z.strictObject({ date: dateField, minutes: minutesField(1, 480), name: shortText });

export const timeFields = {
  /** Several spans of one weekday add up. */
  week: z.array(z.strictObject({ weekday, ...span })).max(42, 'At most six times of day on a weekday.'),
  /** Minutes of dates instead of the pattern; several of one day add up, 0 minutes is a day off. */
  exceptions: z.array(dayException),
  /** Weekly lessons; one that lies inside the pattern's minutes costs nothing more. */
  lessons: z
    .array(z.strictObject({ weekday, ...span, minutes: minutesField(1, 240), isInside: z.boolean() }))
    .max(14, 'At most fourteen lessons a week.'),
  mocks: z.array(mock).max(60),
  warmUpMin: minutesField(0, 120),
  fundamentalsMin: minutesField(0, 240),
  /** As long as this person stays with one thing; missing: as everybody. Shortened and raised at the desk. */
  longestBlockMin: minutesField(8, 40).optional(),
  /** Fundamentals by turns, within those minutes; missing: one block of them a day. */
  rotation: z.array(fundamental).max(40, 'At most forty fundamentals.').optional()
};
export type PracticeTime = Immutable<z.infer<z.ZodObject<typeof timeFields>>>;

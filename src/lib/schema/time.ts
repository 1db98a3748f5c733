/** A candidate's week, dated exceptions and lessons, as a form or a file brings them. */
import { z } from 'zod';
import { dateField, jsonText, minutesField, shortText, timeField } from './fields';

const start = timeField.optional();
const weekday = z
  .number()
  .int()
  .min(1, 'A weekday is 1 (Monday) to 7 (Sunday).')
  .max(7, 'A weekday is 1 (Monday) to 7 (Sunday).');

const weekSpan = z.strictObject({ weekday, start, minutes: minutesField(1) });
const dayException = z.strictObject({
  date: dateField,
  start,
  minutes: minutesField(0),
  why: shortText.unwrap().optional()
});
const lesson = z.strictObject({
  weekday,
  start,
  minutes: minutesField(1, 240),
  isInside: z.boolean()
});
export const mock = z.strictObject({ date: dateField, minutes: minutesField(1, 480), name: shortText });

export const timeFields = {
  week: z.array(weekSpan).max(42, 'At most six spans a weekday.'),
  exceptions: z.array(dayException).max(400, 'At most 400 dated exceptions.'),
  lessons: z.array(lesson).max(14, 'At most fourteen lessons a week.'),
  warmUpMin: minutesField(0, 120),
  fundamentalsMin: minutesField(0, 240)
};

/** Exceptions as JSON text, as a page keeps them to put them back. */
export const exceptionsText = jsonText(timeFields.exceptions);

/** A candidate's whole practice time. */
export const practiceTime = z.strictObject(timeFields).superRefine(refineWeek);

type Spans = { week: readonly { weekday: number; minutes: number; start?: string | undefined }[] };

/** A weekday has no more minutes than a day, spans end before midnight and do not overlap. */
export function refineWeek(time: Spans, context: z.RefinementCtx): void {
  for (let day = 1; day <= 7; day += 1) {
    const spans = time.week.map((span, i) => ({ ...span, i })).filter((s) => s.weekday === day);
    if (spans.reduce((sum, s) => sum + s.minutes, 0) > 720) {
      context.addIssue({
        code: 'custom',
        path: ['week', spans[0]!.i, 'minutes'],
        message: 'More than twelve hours on one day.'
      });
    }
    const timed = spans
      .filter((s) => s.start)
      .map((s) => ({ i: s.i, from: minutesOf(s.start!), to: minutesOf(s.start!) + s.minutes }))
      .sort((a, b) => a.from - b.from);
    timed.forEach((span, n) => {
      if (span.to > 24 * 60)
        context.addIssue({
          code: 'custom',
          path: ['week', span.i, 'minutes'],
          message: 'It would run past midnight.'
        });
      if (n > 0 && span.from < timed[n - 1]!.to)
        context.addIssue({
          code: 'custom',
          path: ['week', span.i, 'start'],
          message: 'It overlaps the span before it.'
        });
    });
  }
}

function minutesOf(time: string): number {
  return Number(time.slice(0, 2)) * 60 + Number(time.slice(3, 5));
}

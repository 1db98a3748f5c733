/** A candidate's week, dated exceptions and lessons, as a form or a file brings them. */
import { z } from 'zod';
import { joinDays } from '../core/plan';
import { parseDate } from '../core/units';
import { dayException, timeFields as record } from '../core/record';

/** Spans of days, not days. */
const MOST_EXCEPTIONS = 400;
export const mostExceptions = `At most ${MOST_EXCEPTIONS} dated exceptions; days that follow on each other can be one.`;
/** A year at once, so that a slip in a date does not fill the calendar. */
const MOST_DAYS = 366;

/** Why a span of days cannot be, or null. Faults of the dates themselves are theirs to tell. */
export function spanFault(from: string, until: string): string | null {
  const [first, last] = [parseDate(from), parseDate(until)];
  if (first === null || last === null) return null;
  if (last < first) return `The dates are upside down: ${from} to ${until}.`;
  return last - first > MOST_DAYS ? 'More than a year at once: check the year.' : null;
}

export const hasTooMany = (exceptions: readonly unknown[]) => exceptions.length > MOST_EXCEPTIONS;

/** Files of before have an entry a day: they are read, and kept as spans. */
const exceptions = z
  .array(dayException)
  .max(20_000, mostExceptions)
  .superRefine((all, context) =>
    all.forEach((e, i) => {
      const fault = spanFault(e.date, e.until ?? e.date);
      if (fault) context.addIssue({ code: 'custom', path: [i, 'until'], message: fault });
    })
  )
  .transform((all) => joinDays(all))
  .refine((all) => !hasTooMany(all), mostExceptions);
const { mocks: _, ...kept } = record;
/** Without mocks: they are an audition's. */
export const timeFields = { ...kept, exceptions };

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
          message: 'It overlaps the time before it.'
        });
    });
  }
}

function minutesOf(time: string): number {
  return Number(time.slice(0, 2)) * 60 + Number(time.slice(3, 5));
}

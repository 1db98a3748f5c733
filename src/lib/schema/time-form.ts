/** A candidate's week as a form. Empty starts are "some time that day". */
import { z } from 'zod';
import { dayOf, formatDate } from '../core/units';
import { dateField, minutesField, shortText, timeField } from './fields';
import { refineWeek } from './time';

const blankTime = z
  .union([z.literal(''), timeField], 'A time is written 17:00, on the 24-hour clock.')
  .default('');
const weekday = z.number().int().min(1).max(7);

export const timeForm = z
  .object({
    version: z.number().default(1),
    warmUpMin: minutesField(0, 120),
    fundamentalsMin: minutesField(0, 240),
    week: z
      .array(z.object({ weekday, start: blankTime, minutes: minutesField(1) }))
      .max(42, 'At most six spans a weekday.'),
    lessons: z
      .array(z.object({ weekday, start: blankTime, minutes: minutesField(1, 240), isInside: z.boolean() }))
      .max(14, 'At most fourteen lessons a week.'),
    exceptions: z
      .array(
        z.object({
          date: dateField,
          until: z.union([z.literal(''), dateField]).default(''),
          minutes: minutesField(0),
          why: shortText
        })
      )
      .max(400, 'At most 400 dated exceptions.')
  })
  .superRefine((time, context) => {
    refineWeek({ week: time.week.map((s) => ({ ...s, start: s.start || undefined })) }, context);
    time.exceptions.forEach((e, i) => {
      if (e.until && e.until < e.date)
        context.addIssue({
          code: 'custom',
          path: ['exceptions', i, 'until'],
          message: `The dates are upside down: ${e.date} to ${e.until}.`
        });
    });
  });

export type TimeForm = z.infer<typeof timeForm>;

type StoredTime = {
  week: readonly { weekday: number; start?: string | undefined; minutes: number }[];
  lessons: readonly { weekday: number; start?: string | undefined; minutes: number; isInside: boolean }[];
  exceptions: readonly {
    date: string;
    start?: string | undefined;
    minutes: number;
    why?: string | undefined;
  }[];
  warmUpMin: number;
  fundamentalsMin: number;
};

export function fillTimeForm(time: StoredTime, version: number): TimeForm {
  return {
    version,
    warmUpMin: time.warmUpMin,
    fundamentalsMin: time.fundamentalsMin,
    week: time.week.map((s) => ({ weekday: s.weekday, start: s.start ?? '', minutes: s.minutes })),
    lessons: time.lessons.map((l) => ({ ...l, start: l.start ?? '' })),
    exceptions: stretches(time.exceptions)
  };
}

/** Days that follow on each other with the same minutes and reason stand as one entry. */
function stretches(exceptions: StoredTime['exceptions']): TimeForm['exceptions'] {
  const entries: TimeForm['exceptions'] = [];
  for (const { date, minutes, why = '' } of exceptions) {
    const last = entries.at(-1);
    const follows = last && dayOf(last.until || last.date) + 1 === dayOf(date);
    if (follows && last.minutes === minutes && last.why === why) last.until = date;
    else entries.push({ date, until: '', minutes, why });
  }
  return entries;
}

/** What a sound form means; a span of dates becomes one exception a day. */
export function readTimeForm(form: TimeForm): StoredTime {
  const timed = <S extends { start: string }>(span: S) => ({ ...span, start: span.start || undefined });
  return {
    warmUpMin: form.warmUpMin,
    fundamentalsMin: form.fundamentalsMin,
    week: form.week
      .map(timed)
      .sort((a, b) => a.weekday - b.weekday || (a.start ?? '').localeCompare(b.start ?? '')),
    lessons: form.lessons.map(timed),
    exceptions: form.exceptions
      .flatMap(({ date, until, minutes, why }) =>
        daysFrom(date, until || date).map((day) => ({ date: day, minutes, why }))
      )
      .sort((a, b) => a.date.localeCompare(b.date))
  };
}

/** At most a year at once, so that a slip in a date does not fill the calendar. */
function daysFrom(from: string, to: string): string[] {
  const first = dayOf(from);
  return Array.from({ length: Math.min(366, dayOf(to) - first + 1) }, (_, i) => formatDate(first + i));
}

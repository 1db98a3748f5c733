/** A candidate's week as a form. Empty starts are "some time that day". */
import { z } from 'zod';
import { joinDays } from '../core/plan';
import { dateField, minutesField, shortText, timeField } from '../core/record';
import { hasTooMany, mostExceptions, refineWeek, spanFault } from './time';

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
      .refine((all) => !hasTooMany(all), mostExceptions)
  })
  .superRefine((time, context) => {
    refineWeek({ week: time.week.map((s) => ({ ...s, start: s.start || undefined })) }, context);
    time.exceptions.forEach((e, i) => {
      const fault = spanFault(e.date, e.until || e.date);
      if (fault) context.addIssue({ code: 'custom', path: ['exceptions', i, 'until'], message: fault });
    });
  });

export type TimeForm = z.infer<typeof timeForm>;

type StoredTime = {
  week: readonly { weekday: number; start?: string | undefined; minutes: number }[];
  lessons: readonly { weekday: number; start?: string | undefined; minutes: number; isInside: boolean }[];
  exceptions: readonly {
    date: string;
    until?: string | undefined;
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
    exceptions: time.exceptions.map(({ date, until = '', minutes, why = '' }) => ({
      date,
      until,
      minutes,
      why
    }))
  };
}

/** What a sound form means. */
export function readTimeForm(form: TimeForm): StoredTime {
  const timed = <S extends { start: string }>(span: S) => ({ ...span, start: span.start || undefined });
  return {
    warmUpMin: form.warmUpMin,
    fundamentalsMin: form.fundamentalsMin,
    week: form.week
      .map(timed)
      .sort((a, b) => a.weekday - b.weekday || (a.start ?? '').localeCompare(b.start ?? '')),
    lessons: form.lessons.map(timed),
    exceptions: joinDays(
      form.exceptions.map(({ until, ...one }) => ({
        ...one,
        until: until === '' || until === one.date ? undefined : until
      }))
    )
  };
}

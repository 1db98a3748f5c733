/** A candidate's week as a form. Empty starts are "some time that day". */
import { z } from 'zod';
import { joinDays } from '../core/plan';
import { type PracticeTime, shortText, timeFields } from '../core/record';
import { hasTooMany, mostExceptions, refineWeek, spanFault } from './time';
import { orEmpty } from './typed';

const TIME = 'A time is written 17:00, on the 24-hour clock.';
const { element: span } = timeFields.week;
const { element: lesson } = timeFields.lessons;
const { element: exception } = timeFields.exceptions;

export const timeForm = z
  .object({
    version: z.number().default(1),
    warmUpMin: timeFields.warmUpMin,
    fundamentalsMin: timeFields.fundamentalsMin,
    week: z
      .array(span.strip().extend({ start: orEmpty(span.shape.start, TIME) }))
      .max(42, 'At most six spans a weekday.'),
    lessons: z
      .array(lesson.strip().extend({ start: orEmpty(lesson.shape.start, TIME) }))
      .max(14, 'At most fourteen lessons a week.'),
    exceptions: z
      .array(
        exception
          .strip()
          .omit({ start: true })
          .extend({ until: orEmpty(exception.shape.until), why: shortText })
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

type StoredTime = Omit<PracticeTime, 'mocks'>;

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

/** A candidate's week as a form. Empty starts are "some time that day". */
import { z } from 'zod';
import { LONGEST_BLOCK_MIN, joinDays } from '../core/plan';
import {
  type Fundamental,
  type Often,
  type PracticeTime,
  fundamental,
  shortText,
  timeFields
} from '../core/record';
import { hasTooMany, mostExceptions, refineWeek, spanFault } from './time';
import { orEmpty } from './typed';

const TIME = 'A time is written 17:00, on the 24-hour clock.';
const { element: span } = timeFields.week;
const { element: lesson } = timeFields.lessons;
const { element: exception } = timeFields.exceptions;

/** How often, as one choice of a list. */
export const OFTEN = [
  ...['every 1', 'every 2', 'every 3'],
  ...['a-week 1', 'a-week 2', 'a-week 3', 'a-week 4', 'a-week 5', 'a-week 6'],
  'weekdays'
] as const;
const { name, minutes, until, next, tires } = fundamental.shape;
const turn = z.object({
  id: z.string().max(64).default(''),
  name,
  minutes,
  often: z.enum(OFTEN),
  /** Of `weekdays` alone. */
  weekdays: z.array(z.number().int().min(1).max(7)).max(7),
  tires: orEmpty(tires),
  until: orEmpty(until),
  next: orEmpty(next)
});
export type TurnForm = z.infer<typeof turn>;

export const timeForm = z
  .object({
    version: z.number().default(1),
    warmUpMin: timeFields.warmUpMin,
    fundamentalsMin: timeFields.fundamentalsMin,
    longestBlockMin: timeFields.longestBlockMin.unwrap().default(LONGEST_BLOCK_MIN),
    rotation: z.array(turn).max(40, 'At most forty fundamentals.').default([]),
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
    time.rotation.forEach((one, i) => {
      const add = (field: string, message: string) =>
        context.addIssue({ code: 'custom', path: ['rotation', i, field], message });
      if (one.often === 'weekdays' && one.weekdays.length === 0) add('often', 'Which days of the week?');
      if (one.next !== '' && one.until === '') add('until', 'Until when, before that comes?');
      if (one.minutes > time.fundamentalsMin)
        add('minutes', `There are ${time.fundamentalsMin} minutes a day: it would never come.`);
    });
    time.exceptions.forEach((e, i) => {
      const fault = spanFault(e.date, e.until || e.date);
      if (fault) context.addIssue({ code: 'custom', path: ['exceptions', i, 'until'], message: fault });
    });
  });

export type TimeForm = z.infer<typeof timeForm>;

export type StoredTime = Omit<PracticeTime, 'mocks'>;

export function fillTimeForm(time: StoredTime, version: number): TimeForm {
  return {
    version,
    warmUpMin: time.warmUpMin,
    fundamentalsMin: time.fundamentalsMin,
    longestBlockMin: time.longestBlockMin ?? LONGEST_BLOCK_MIN,
    rotation: (time.rotation ?? []).map(fillTurn),
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

const fillTurn = ({
  often,
  tires: what = '',
  until: last = '',
  next: then = '',
  ...one
}: Fundamental): TurnForm => ({
  ...one,
  ...fillOften(often),
  tires: what,
  until: last,
  next: then
});

/** How often, as the form chooses it. */
export const fillOften = (often: Often): Pick<TurnForm, 'often' | 'weekdays'> =>
  often.kind === 'weekdays'
    ? { often: 'weekdays', weekdays: [...often.weekdays] }
    : {
        often: `${often.kind} ${often.kind === 'every' ? often.days : often.times}` as TurnForm['often'],
        weekdays: []
      };

export function readOften({ often, weekdays }: Pick<TurnForm, 'often' | 'weekdays'>): Often {
  if (often === 'weekdays') return { kind: 'weekdays', weekdays: [...weekdays].sort() };
  const [kind, count] = often.split(' ') as ['every' | 'a-week', string];
  return kind === 'every' ? { kind, days: Number(count) } : { kind, times: Number(count) };
}

export const readTurn = ({
  id,
  name: called,
  minutes: length,
  tires: what,
  until: last,
  next: then,
  ...how
}: TurnForm): Fundamental => ({
  id,
  name: called,
  minutes: length,
  often: readOften(how),
  ...(what ? { tires: what } : {}),
  ...(last ? { until: last } : {}),
  ...(then ? { next: then } : {})
});

/** What a sound form means. */
export function readTimeForm(form: TimeForm): StoredTime {
  const timed = <S extends { start: string }>(span: S) => ({ ...span, start: span.start || undefined });
  return {
    warmUpMin: form.warmUpMin,
    fundamentalsMin: form.fundamentalsMin,
    ...(form.longestBlockMin === LONGEST_BLOCK_MIN ? {} : { longestBlockMin: form.longestBlockMin }),
    ...(form.rotation.length > 0 ? { rotation: form.rotation.map(readTurn) } : {}),
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

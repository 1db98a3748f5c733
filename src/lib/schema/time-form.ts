/** A candidate's week as a form. Empty starts are "some time that day". */
import { z } from 'zod';
import { LONGEST_BLOCK_MIN, joinDays } from '../core/plan';
import {
  type Fundamental,
  type Often,
  type PracticeTime,
  type Scales,
  fundamental,
  scales as scalesRecord,
  shortText,
  timeFields
} from '../core/record';
import { readKeys } from '../core/practice';
import { clickOf } from '../core/tempo';
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
const { octaves, pattern, unit, fromBpm, toBpm, stage } = scalesRecord.shape;
/** Keys as one line, parted by commas; empty where it is not of scales. */
const scalesForm = {
  keys: z.string().trim().max(1500, 'At most 48 keys.').default(''),
  octaves: octaves.default(2),
  pattern: orEmpty(pattern),
  unit: unit.default('quarter'),
  fromBpm: fromBpm.default(60),
  toBpm: toBpm.default(120),
  stage: stage.default('subdivisions')
};
const turn = z.object({
  ...scalesForm,
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
      .max(42, 'At most six times of day on a weekday.'),
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
      const keys = readKeys(one.keys);
      if (keys.length > 48) add('keys', 'At most 48 keys.');
      if (keys.some((key) => key.length > 30))
        add('keys', 'A key has at most 30 characters; part them by commas.');
      if (keys.length > 0 && one.toBpm < one.fromBpm)
        add('toBpm', 'The tempo asked is no slower than the first.');
      if (keys.length > 0)
        for (const field of ['fromBpm', 'toBpm'] as const)
          if (clickOf({ bpm: one[field], unit: one.unit }) === null)
            add(field, 'No click says that tempo of this note.');
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
  scales: of,
  ...one
}: Fundamental): TurnForm => ({
  ...one,
  ...fillOften(often),
  ...fillScales(of),
  tires: what,
  until: last,
  next: then
});

/** Scales as the form has them; without keys where there are none. */
export const fillScales = (of: Scales | undefined) => ({
  keys: of?.keys.join(', ') ?? '',
  octaves: of?.octaves ?? 2,
  pattern: of?.pattern ?? '',
  unit: of?.unit ?? 'quarter',
  fromBpm: of?.fromBpm ?? 60,
  toBpm: of?.toBpm ?? 120,
  stage: of?.stage ?? 'subdivisions'
});

function readScales(form: TurnForm): Scales | undefined {
  const keys = readKeys(form.keys);
  if (keys.length === 0) return undefined;
  const { octaves: so, pattern: what, unit: of, fromBpm: from, toBpm: to, stage: at } = form;
  return {
    keys,
    octaves: so,
    ...(what ? { pattern: what } : {}),
    unit: of,
    fromBpm: from,
    toBpm: to,
    stage: at
  };
}

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

export function readTurn(form: TurnForm): Fundamental {
  const of = readScales(form);
  return {
    id: form.id,
    name: form.name,
    minutes: form.minutes,
    often: readOften(form),
    ...(form.tires ? { tires: form.tires } : {}),
    ...(form.until ? { until: form.until } : {}),
    ...(form.next ? { next: form.next } : {}),
    ...(of ? { scales: of } : {})
  };
}

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

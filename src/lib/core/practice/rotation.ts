/**
 * Fundamentals by turns: each day those that are longest overdue, within the day's minutes. The same day picks the same, whoever asks. Source:
 * the practice model, section 1.
 */
import type { Fundamental, Often } from '../record';
import { type DayNumber, type Minutes, WEEKDAY_NAMES, dayOf, sayDate, weekdayOf } from '../units';

/** As it is on a day: after its last day it is what comes next, or nothing. */
type TurnOn = Pick<Fundamental, 'id' | 'name' | 'minutes' | 'often' | 'tires' | 'scales'>;

type Turn = TurnOn & {
  /** Days since it was due, 0 where it is due today. */
  readonly overdue: number;
  /** Why it is there. */
  readonly why: string;
};

export type Rotation = {
  readonly turns: readonly Turn[];
  /** Due, and no minutes left for them: first of all tomorrow. */
  readonly wait: readonly Turn[];
};

/** `lastOn` says when each was last done, by id; of others it is not known. At most `minutes` are given. */
export function rotationOn(
  list: readonly Fundamental[],
  lastOn: ReadonlyMap<string, string>,
  date: string,
  minutes: Minutes
): Rotation {
  const day = dayOf(date);
  const due = list
    .flatMap((one, place) =>
      turnOn(one, date).map((turn) => ({ ...turn, dueOn: dueOf(one.often, place, lastOn.get(one.id), day) }))
    )
    .filter(({ dueOn }) => dueOn <= day)
    .map(({ dueOn, ...one }): Turn => {
      const overdue = day - dueOn;
      return { ...one, overdue, why: sayWhy(one, lastOn.get(one.id), overdue) };
    })
    // what was never done has waited longest; what is overdue alike keeps the list's order
    .sort((a, b) => Number(lastOn.has(a.id)) - Number(lastOn.has(b.id)) || b.overdue - a.overdue);
  let left = minutes;
  const turns: Turn[] = [];
  const wait: Turn[] = [];
  for (const turn of due) {
    const fits = turn.minutes <= left;
    (fits ? turns : wait).push(turn);
    if (fits) left -= turn.minutes;
  }
  return { turns: apart(turns), wait };
}

function turnOn({ until, next, ...one }: Fundamental, date: string): TurnOn[] {
  if (until === undefined || date <= until) return [one];
  return next === undefined ? [] : [{ ...one, name: next, scales: undefined }];
}

/** The day on which it is due: where it was never done, today, or the next of its days. */
function dueOf(often: Often, place: number, last: string | undefined, day: DayNumber): DayNumber {
  if (often.kind === 'every') return last === undefined ? day : dayOf(last) + often.days;
  const days = often.kind === 'weekdays' ? often.weekdays : spreadOver(often.times, place);
  const since = last === undefined ? day : dayOf(last) + 1;
  const ahead = Array.from({ length: 7 }, (_, n) => since + n);
  return ahead.find((on) => days.includes(weekdayOf(on))) ?? since;
}

/** So many weekdays, as far apart as a week lets them be; another entry begins on another. */
const spreadOver = (times: number, place: number): number[] =>
  [0, 1, 2, 3, 4, 5, 6]
    .filter((n) => Math.floor(((n + 1) * times) / 7) > Math.floor((n * times) / 7))
    .map((n) => ((n + place) % 7) + 1);

/** Two that tire the same are not put side by side, where another can stand between. */
function apart(turns: readonly Turn[]): Turn[] {
  const left = [...turns];
  const laid: Turn[] = [];
  while (left.length > 0) {
    const before = laid.at(-1)?.tires;
    const other = before ? left.findIndex(({ tires }) => tires !== before) : 0;
    laid.push(...left.splice(Math.max(0, other), 1));
  }
  return laid;
}

function sayWhy({ often }: TurnOn, last: string | undefined, overdue: number): string {
  const told = sayOften(often);
  if (last === undefined) return `${told}; not done so far`;
  return overdue > 0 ? `${told}; last on ${sayDate(dayOf(last))}` : told;
}

export function sayOften(often: Often): string {
  switch (often.kind) {
    case 'every':
      return ['each day', 'every other day', 'every third day'][often.days - 1] ?? `every ${often.days} days`;
    case 'weekdays':
      return `on ${often.weekdays.map((d) => WEEKDAY_NAMES[d - 1]!.slice(0, 3)).join(', ')}`;
    case 'a-week':
      return often.times === 1 ? 'once a week' : `${often.times} times a week`;
  }
}

/** How often a week it comes, on so many practice days. */
function timesAWeek(often: Often, practised: readonly number[]): number {
  const days = practised.length;
  if (often.kind === 'weekdays') return often.weekdays.filter((day) => practised.includes(day)).length;
  return Math.min(days, often.kind === 'every' ? 7 / often.days : often.times);
}

/** Minutes a week that the list asks on a date, and those that there are: so many each practice day. `practised` are ISO weekdays. */
export function rotationArithmetic(
  list: readonly Fundamental[],
  date: string,
  { practised, minutesADay }: { readonly practised: readonly number[]; readonly minutesADay: Minutes }
): { readonly asked: Minutes; readonly there: Minutes } {
  const asked = list
    .flatMap((one) => turnOn(one, date))
    .reduce((sum, { minutes, often }) => sum + minutes * timesAWeek(often, practised), 0);
  return { asked: Math.round(asked), there: practised.length * minutesADay };
}

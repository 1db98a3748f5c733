/**
 * The least extra practice that makes a plan fit: so much on each weekday, or the same on all. Minutes of play are found exactly
 * (plan/extra.ts) and turned into minutes on the clock, since each full hour brings its break. Rest days stay rest days.
 */
import { type ExtraDays, BREAK_MIN_PER_HOUR, LIGHT_DAYS, exceptionsOn, leastEvenExtra } from '../../plan';
import { type DayNumber, type Minutes, WEEKDAY_NAMES, weekdayOf } from '../../units';
import { type Asking, readAsking } from '../lay/lay';
import type { SeasonRequest } from '../facts/request';
import type { Tried } from './tried';
import { MORE_FOR_BLOCKS, type Remedy, type RemedyKind, count, laysWhole, list, none } from './trial';

/** Longest day that can be entered, in minutes. */
const MOST_A_DAY_MIN: Minutes = 720;
const MINUTES_A_DAY = 1440;

type Weekday = ExtraDays & { readonly weekday: number; readonly grossMin: Minutes };

/** Weekdays that are practised on, with the days that follow the pattern; never a day of rest, never a dated exception or the light week after a time away. */
function practiceWeekdays({ request, capacity, frame }: Asking): Weekday[] {
  const isDated = (day: DayNumber) =>
    exceptionsOn(request.time.exceptions, day).length > 0 ||
    frame.aways.some(({ to }) => day > to && day <= to + LIGHT_DAYS);
  return [1, 2, 3, 4, 5, 6, 7].flatMap((weekday) => {
    const spans = request.time.week.filter((s) => s.weekday === weekday);
    const grossMin = spans.reduce((sum, s) => sum + s.minutes, 0);
    const days = [...capacity]
      .filter(([day, minutes]) => minutes > 0 && weekdayOf(day) === weekday && !isDated(day))
      .map(([day]) => day);
    if (grossMin === 0 || days.length === 0) return [];
    const most = Math.min(MOST_A_DAY_MIN - grossMin, untilTaken(spans));
    return [{ weekday, grossMin, days, most: Math.max(0, most - breaksIn(grossMin, grossMin + most)) }];
  });
}

/** Minutes by which the weekday's longest span can grow before the next begins or the day ends. */
function untilTaken(spans: SeasonRequest['time']['week']): Minutes {
  const longest = spans.reduce((a, b) => (b.minutes > a.minutes ? b : a));
  if (longest.start === undefined) return MOST_A_DAY_MIN;
  const minute = (start: string) => Number(start.slice(0, 2)) * 60 + Number(start.slice(3));
  const end = minute(longest.start) + longest.minutes;
  const later = spans.flatMap((s) =>
    s.start !== undefined && minute(s.start) >= end ? [minute(s.start)] : []
  );
  return Math.min(MINUTES_A_DAY, ...later) - end;
}

const breaksIn = (before: Minutes, after: Minutes) =>
  BREAK_MIN_PER_HOUR * (Math.floor(after / 60) - Math.floor(before / 60));

/** The least minutes on the clock that bring so many more to play: each full hour begun brings its break. */
function onTheClock(grossMin: Minutes, playMin: Minutes): Minutes {
  let add = playMin;
  while (add - breaksIn(grossMin, grossMin + add) < playMin) add += 1;
  return add;
}

export function addByWeekday(season: Tried): Remedy {
  const asking = readAsking(season.request);
  const weekdays = practiceWeekdays(asking);
  return addTo(season, 'minutes-by-weekday', weekdays, extraOver(asking, weekdays));
}

export function addAlike(season: Tried): Remedy {
  const asking = readAsking(season.request);
  const weekdays = practiceWeekdays(asking);
  const all = { days: weekdays.flatMap((w) => w.days), most: Math.min(...weekdays.map((w) => w.most)) };
  const [each] = (weekdays.length > 0 && extraOver(asking, [all])) || [];
  return addTo(season, 'minutes-alike', weekdays, each === undefined ? null : weekdays.map(() => each));
}

function extraOver({ asks, capacity }: Asking, groups: readonly ExtraDays[]): Minutes[] | null {
  return leastEvenExtra(
    asks.map((ask) => ask.asked),
    capacity,
    groups
  );
}

/** Adds the least extra minutes of play, and the breaks they bring, to the weekdays that have any. */
function addTo(
  season: Tried,
  kind: RemedyKind,
  weekdays: readonly Weekday[],
  extra: readonly Minutes[] | null
): Remedy {
  if (weekdays.length === 0) return none(kind, 'There are no practice days in the week to add minutes to.');
  if (!extra)
    return none(
      kind,
      'Minutes alone do not cure it: an item may have no more on a day, or its days are over.'
    );
  const weekFor = (more: Minutes) =>
    weekdays.flatMap(({ weekday, grossMin, most }, i) =>
      extra[i]! > 0 ? [{ weekday, addMin: onTheClock(grossMin, Math.min(most, extra[i]! + more)) }] : []
    );
  const tries = Array.from({ length: MORE_FOR_BLOCKS + 1 }, (_, more) => weekFor(more));
  const more = Math.max(
    0,
    tries.findIndex((adds) => laysWhole(season, { week: adds }))
  );
  const week = tries[more]!;
  const sum = week.reduce((total, { addMin }) => total + addMin, 0);
  const says =
    kind === 'minutes-alike'
      ? `Practise ${count(extra[0]! + more, 'minute')} longer on each practice day: ${sum} a week on the clock.`
      : `Practise longer: ${sayWeekdays(week)}; ${sum} a week on the clock.`;
  return { kind, changes: { week }, says };
}

/** "12 minutes on Mondays and Tuesdays and 10 minutes on Saturdays": weekdays with the same minutes are said together. */
function sayWeekdays(week: readonly { readonly weekday: number; readonly addMin: Minutes }[]): string {
  const lengths = [...new Set(week.map(({ addMin }) => addMin))].sort((a, b) => b - a);
  return list(
    lengths.map((length) => {
      const names = week.filter((w) => w.addMin === length).map((w) => `${WEEKDAY_NAMES[w.weekday - 1]}s`);
      return `${count(length, 'minute')} on ${list(names)}`;
    })
  );
}

/**
 * Weeks counted back from the next round: what each has, asks and holds, whether it jumps, and the limit that keeps it
 * from jumping. Beyond the round, weeks have numbers from 0 down.
 */
import { dayCapacity } from '../../plan';
import { type DayNumber, type Minutes, dayOf, formatDate, perList } from '../../units';
import type { SeasonFrame } from './frame';
import type { PlannedDay, PlannedWeek } from '../laid/plan';
import type { SeasonRequest } from '../facts/request';

/** A week is flagged above this times the mean of the two practised before it (common practice, from memory). */
const JUMP = 1.2;

/** Minutes short on a day, to be shown where they are missing. */
export type ShortOn = ReadonlyMap<DayNumber, Minutes>;

export function describeWeeks(
  request: SeasonRequest,
  frame: SeasonFrame,
  days: readonly PlannedDay[],
  short: ShortOn
): PlannedWeek[] {
  const { nextRoundDay: dayZero, today } = frame;
  if (dayZero === null || days.length === 0) return [];
  const weeks: PlannedWeek[] = [];
  const practised = practisedWeeks(request, frame, dayZero);
  const last = Math.ceil((dayZero - dayOf(days.at(-1)!.date)) / 7);
  for (let week = firstWeek(dayZero, today); week >= last; week -= 1) {
    const from = dayZero - 7 * week;
    const [first, lastDay] = [formatDate(from), formatDate(from + 6)];
    const inWeek = days.filter((d) => d.date >= first && d.date <= lastDay);
    const planned = sum(inWeek.map((d) => d.plannedMin));
    const missing = sum([0, 1, 2, 3, 4, 5, 6].map((i) => short.get(from + i) ?? 0));
    const whole = planned + loggedFrom(request, from, today);
    const most = mostAfter(practised);
    weeks.push({
      weeksToGo: week,
      from: first,
      to: lastDay,
      thereMin: sum(
        inWeek.map((d) => (d.date === request.today ? (frame.open.get(today) ?? 0) : d.capacityMin))
      ),
      askedMin: planned + missing,
      plannedMin: planned,
      isJump: most !== null && whole > most
    });
    const isWhole = from >= today || practised.length > 0;
    if (whole > 0 && isWhole && isUsual(request, from)) practised.push(whole);
  }
  return weeks;
}

/** Capacities under which no week asks more than a fifth above the mean of the two practised before it. */
export function limitWeeks(
  request: SeasonRequest,
  frame: SeasonFrame,
  capacity: ReadonlyMap<DayNumber, Minutes>
): ReadonlyMap<DayNumber, Minutes> {
  const { dayZero, today } = frame;
  if (dayZero === null) return capacity;
  const practised = practisedWeeks(request, frame, dayZero);
  if (mostAfter(practised) === null) return capacity;
  const limited = new Map(capacity);
  for (let week = firstWeek(dayZero, today); week > 0; week -= 1) {
    const from = dayZero - 7 * week;
    const days = [0, 1, 2, 3, 4, 5, 6].map((i) => from + i).filter((day) => capacity.has(day));
    const there = sum(days.map((day) => capacity.get(day)!));
    const reserved = sum(days.map((day) => frame.open.get(day)! - capacity.get(day)!));
    const logged = loggedFrom(request, from, today);
    const most = Math.floor(mostAfter(practised)!) - reserved - logged;
    if (there > 0 && most < there)
      for (const day of days) limited.set(day, Math.floor((capacity.get(day)! * Math.max(0, most)) / there));
    if (isUsual(request, from))
      practised.push(Math.min(there + reserved + logged, Math.max(1, mostAfter(practised)!)));
  }
  return limited;
}

/** Weeks to go of the week that today lies in. */
function firstWeek(dayZero: DayNumber, today: DayNumber): number {
  return Math.ceil((dayZero - today) / 7);
}

function mostAfter(practised: readonly Minutes[]): number | null {
  const [a, b] = practised.slice(-2);
  return a === undefined || b === undefined ? null : (JUMP * (a + b)) / 2;
}

/** A week with less than this share of its usual minutes says nothing of the next: it is a holiday's (judgement). */
const USUAL_SHARE = 0.8;

/** Whether a week has its usual minutes, but for what lessons and mocks take. */
function isUsual({ time }: SeasonRequest, from: DayNumber): boolean {
  const plain = { ...time, exceptions: [] };
  const days = [0, 1, 2, 3, 4, 5, 6].map((i) => from + i);
  const minutesWith = (given: SeasonRequest['time']) =>
    sum(days.map((day) => dayCapacity(day, given).minutes));
  return time.exceptions.length === 0 || minutesWith(time) >= USUAL_SHARE * minutesWith(plain);
}

/** Minutes of the two weeks before this one in which anything was practised, oldest first. */
function practisedWeeks(request: SeasonRequest, { today }: SeasonFrame, dayZero: DayNumber): Minutes[] {
  const weeks: Minutes[] = [];
  const [first] = request.log;
  if (!first) return weeks;
  for (
    let from = dayZero - 7 * (firstWeek(dayZero, today) + 1);
    from > dayOf(first.date) - 7 && weeks.length < 2;
    from -= 7
  ) {
    const minutes = loggedFrom(request, from, today);
    if (minutes > 0 && isUsual(request, from)) weeks.unshift(minutes);
  }
  return weeks;
}

/** Minutes of each date of a log: added up once, and asked for week by week. */
const minutesByDate = perList((log: SeasonRequest['log']): ReadonlyMap<string, Minutes> => {
  const by = new Map<string, Minutes>();
  for (const { date, minutes } of log) by.set(date, (by.get(date) ?? 0) + minutes);
  return by;
});

function loggedFrom({ log }: SeasonRequest, from: DayNumber, today: DayNumber): Minutes {
  const by = minutesByDate(log);
  const days = [0, 1, 2, 3, 4, 5, 6].map((i) => from + i).filter((day) => day <= today);
  return sum(days.map((day) => by.get(formatDate(day)) ?? 0));
}

function sum(values: readonly number[]): number {
  return values.reduce((total, value) => total + value, 0);
}

/**
 * Civil dates: days of a calendar, without a clock. What is practised is planned in these.
 * A date is written YYYY-MM-DD and computed with as a day number, so that adding days cannot be wrong.
 * Zones and instants are left to zone.ts. Proleptic Gregorian calendar, years 1900 to 2199.
 */
import type { DayNumber } from './quantity';

const MS_PER_DAY = 86_400_000;
const SHAPE = /^(\d{4})-(\d{2})-(\d{2})$/;

/** Dates read before: a log of thousands of touches has few of them, and reading one is slow. */
const known = new Map<string, DayNumber>();
const MOST_KNOWN = 10_000;

/** The day number of a written date, or null where no such day exists (29 February of a common year). */
export function parseDate(text: string): DayNumber | null {
  const before = known.get(text);
  if (before !== undefined) return before;
  const day = readDate(text);
  if (day === null) return null;
  if (known.size >= MOST_KNOWN) known.clear();
  known.set(text, day);
  return day;
}

function readDate(text: string): DayNumber | null {
  const match = SHAPE.exec(text);
  if (!match) return null;
  const [year, month, day] = [Number(match[1]), Number(match[2]), Number(match[3])];
  if (year < 1900 || year > 2199) return null;
  const ms = Date.UTC(year, month - 1, day);
  const back = new Date(ms);
  const isReal = back.getUTCMonth() === month - 1 && back.getUTCDate() === day;
  return isReal ? ms / MS_PER_DAY : null;
}

/** The day number of a date that is known to exist. Throws RangeError otherwise. */
export function dayOf(text: string): DayNumber {
  const day = parseDate(text);
  if (day === null) throw new RangeError(`not a civil date: ${text}`);
  return day;
}

/** Days written before: a plan writes each of its own many times. */
const written = new Map<DayNumber, string>();

/** YYYY-MM-DD of a day number. */
export function formatDate(day: DayNumber): string {
  const before = written.get(day);
  if (before !== undefined) return before;
  const text = new Date(day * MS_PER_DAY).toISOString().slice(0, 10);
  if (written.size >= MOST_KNOWN) written.clear();
  written.set(day, text);
  return text;
}

/** ISO 8601 weekday: 1 is Monday, 7 is Sunday. 1970-01-01 was a Thursday. */
export function weekdayOf(day: DayNumber): number {
  return ((((day + 3) % 7) + 7) % 7) + 1;
}

/** Monday first; the name of `weekday` stands at `weekday - 1`. */
export const WEEKDAY_NAMES = [
  'Monday',
  'Tuesday',
  'Wednesday',
  'Thursday',
  'Friday',
  'Saturday',
  'Sunday'
] as const;
/** January first. */
export const MONTH_NAMES = [
  'January',
  'February',
  'March',
  'April',
  'May',
  'June',
  'July',
  'August',
  'September',
  'October',
  'November',
  'December'
] as const;

/** "Tue 24 Nov", for labels and sentences. */
export function sayDate(day: DayNumber): string {
  const date = new Date(day * MS_PER_DAY);
  const month = MONTH_NAMES[date.getUTCMonth()]!.slice(0, 3);
  return `${WEEKDAY_NAMES[weekdayOf(day) - 1]!.slice(0, 3)} ${date.getUTCDate()} ${month}`;
}

/** "24 November 2026", where the year matters. */
export function sayLongDate(day: DayNumber): string {
  const date = new Date(day * MS_PER_DAY);
  return `${date.getUTCDate()} ${MONTH_NAMES[date.getUTCMonth()]} ${date.getUTCFullYear()}`;
}

/** "7 to 20 December", "28 November to 3 December", or one date where both are the same. */
export function saySpan(from: DayNumber, to: DayNumber): string {
  const [a, b] = [new Date(from * MS_PER_DAY), new Date(to * MS_PER_DAY)];
  const end = `${b.getUTCDate()} ${MONTH_NAMES[b.getUTCMonth()]}`;
  if (from === to) return end;
  if (a.getUTCMonth() === b.getUTCMonth() && a.getUTCFullYear() === b.getUTCFullYear()) {
    return `${a.getUTCDate()} to ${end}`;
  }
  return `${a.getUTCDate()} ${MONTH_NAMES[a.getUTCMonth()]} to ${end}`;
}

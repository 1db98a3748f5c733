/**
 * Where a civil date meets the clock: which day it is in a zone, and whether a local time exists there.
 * Zones are IANA names. Local times that daylight saving skips do not exist; ones it repeats mean the first.
 * Method: the Temporal API (polyfilled where the platform has none).
 */
import { Temporal } from 'temporal-polyfill';
import { dayOf } from './civil-date';
import type { DayNumber } from './quantity';

/** Whether this platform's zone table knows the name; offsets such as "+01:00" are not zones. */
export function isZone(name: string): boolean {
  if (!/^[A-Za-z]/.test(name)) return false;
  try {
    Temporal.Instant.fromEpochMilliseconds(0).toZonedDateTimeISO(name);
    return true;
  } catch {
    return false;
  }
}

/** The day of each zone in the minute asked last: a page asks for every candidate, and the answer takes long. */
const asked = { minute: NaN, days: new Map<string, DayNumber>() };
const MS_PER_MINUTE = 60_000;

/** The civil date in `zone` at an instant given in milliseconds since 1970-01-01T00:00Z. Within a minute no day turns: offsets are whole minutes (since 1972). */
export function dayInZone(epochMs: number, zone: string): DayNumber {
  const minute = Math.floor(epochMs / MS_PER_MINUTE);
  if (minute !== asked.minute) {
    asked.minute = minute;
    asked.days.clear();
  }
  const before = asked.days.get(zone);
  if (before !== undefined) return before;
  const day = dayOf(
    Temporal.Instant.fromEpochMilliseconds(epochMs).toZonedDateTimeISO(zone).toPlainDate().toString()
  );
  asked.days.set(zone, day);
  return day;
}

/** What calendar and clock say in `zone` at an instant given in milliseconds since 1970-01-01T00:00Z; HH:MM on the 24-hour clock. */
export function clockIn(epochMs: number, zone: string): { readonly date: string; readonly time: string } {
  const there = Temporal.Instant.fromEpochMilliseconds(epochMs).toZonedDateTimeISO(zone);
  return {
    date: there.toPlainDate().toString(),
    time: there.toPlainTime().toString({ smallestUnit: 'minute' })
  };
}

/** Milliseconds since 1970-01-01T00:00Z of a local date and time, or null where the clock skips that time. */
export function instantOf(date: string, time: string, zone: string): number | null {
  const plain = Temporal.PlainDateTime.from(`${date}T${time}`);
  const zoned = plain.toZonedDateTime(zone, { disambiguation: 'earlier' });
  return zoned.toPlainDateTime().equals(plain) ? zoned.epochMilliseconds : null;
}

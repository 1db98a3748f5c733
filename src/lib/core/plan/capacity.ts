/**
 * How many minutes a day has for the list: the weekday pattern or a dated exception, less lessons, mocks,
 * warm-up, fundamentals and breaks. Every deduction is kept, so that the number can explain itself.
 */
import { type DayNumber, type Minutes, dayOf, weekdayOf } from '../units';
import type { PracticeTime, TimeSpan } from '../record';
import { exceptionsOn } from './exceptions';

export type { PracticeTime };

export type CapacityPart = { readonly what: string; readonly minutes: Minutes };
export type DayCapacity = {
  readonly minutes: Minutes;
  readonly parts: readonly CapacityPart[];
  readonly spans: readonly TimeSpan[];
};

/** Five minutes off in each full hour (judgement, after the common advice of 5 to 10). */
export const BREAK_MIN_PER_HOUR: Minutes = 5;

/** Minutes for the list on one day, with its arithmetic; never below 0. */
export function dayCapacity(day: DayNumber, time: PracticeTime): DayCapacity {
  const dated = exceptionsOn(time.exceptions, day);
  const weekday = weekdayOf(day);
  const spans = (dated.length > 0 ? dated : time.week.filter((s) => s.weekday === weekday)).filter(
    (s) => s.minutes > 0
  );
  const gross = spans.reduce((sum, s) => sum + s.minutes, 0);
  const from = dated.length > 0 ? (dated.find((e) => e.why)?.why ?? 'this date') : 'the weekday';
  if (gross === 0) return { minutes: 0, parts: [{ what: from, minutes: 0 }], spans: [] };

  const lessons = time.lessons.filter((l) => l.weekday === weekday && !l.isInside);
  const mocks = time.mocks.filter((m) => dayOf(m.date) === day);
  const parts: CapacityPart[] = [
    { what: from, minutes: gross },
    ...lessons.map((l) => ({ what: 'lesson', minutes: -l.minutes })),
    ...mocks.map((m) => ({ what: m.name, minutes: -m.minutes })),
    { what: 'warm-up', minutes: -time.warmUpMin },
    { what: 'fundamentals', minutes: -time.fundamentalsMin },
    { what: 'breaks', minutes: -BREAK_MIN_PER_HOUR * Math.floor(gross / 60) }
  ].filter((part) => part.minutes !== 0);
  const minutes = Math.max(
    0,
    parts.reduce((sum, part) => sum + part.minutes, 0)
  );
  return { minutes, parts, spans };
}

/**
 * A long time away: how the first week after it is laid, and how far down one starts again. Read from the dated exceptions
 * without minutes that follow on each other; what was logged in between ends it.
 */
import { type DayNumber, type Minutes, dayOf } from '../units';
import type { DayCapacity, PracticeTime } from './capacity';

export type Away = { readonly from: DayNumber; readonly to: DayNumber };

/** Shorter breaks are days off like others (judgement). */
const LONG_DAYS = 10;
export const LIGHT_DAYS = 7;
/** Share of its minutes that a day of the first week after has (judgement). */
const LIGHT_SHARE = 0.6;
/** Clicks below what held before, where one starts again (judgement). */
export const CLICKS_AFTER_AWAY = 2;

/** Long times away, in order. */
export function readAways(exceptions: PracticeTime['exceptions']): Away[] {
  const off = new Set(exceptions.filter((e) => e.minutes === 0).map((e) => dayOf(e.date)));
  for (const { date, minutes } of exceptions) if (minutes > 0) off.delete(dayOf(date));
  const aways: { from: DayNumber; to: DayNumber }[] = [];
  for (const day of [...off].sort((a, b) => a - b)) {
    const last = aways.at(-1);
    if (last && last.to === day - 1) last.to = day;
    else aways.push({ from: day, to: day });
  }
  return aways.filter(({ from, to }) => to - from + 1 >= LONG_DAYS);
}

/** A day's minutes, fewer in the week after a long time away. */
export function lightAfter(day: DayNumber, capacity: DayCapacity, aways: readonly Away[]): DayCapacity {
  const isLight = aways.some(({ to }) => day > to && day <= to + LIGHT_DAYS);
  const minutes: Minutes = isLight ? Math.floor(capacity.minutes * LIGHT_SHARE) : capacity.minutes;
  if (minutes === capacity.minutes) return capacity;
  const part = { what: 'light week after the time away', minutes: minutes - capacity.minutes };
  return { ...capacity, minutes, parts: [...capacity.parts, part] };
}

/** Whether what held on `on` lies before a long time away that is over. */
export function isBeforeAway(on: DayNumber, today: DayNumber, aways: readonly Away[]): boolean {
  return aways.some(({ from, to }) => on <= from && to < today);
}

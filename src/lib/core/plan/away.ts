/**
 * A long time away: how the first week after it is laid, and how far down one starts again. Read from the dated exceptions
 * without minutes that follow on each other; what was logged in between ends it.
 */
import type { DayNumber, Minutes } from '../units';
import type { DayCapacity, PracticeTime } from './capacity';
import { type DaySpan, mergeSpans, spanOf } from './exceptions';

export type Away = DaySpan;

/** Shorter breaks are days off like others (judgement). */
const LONG_DAYS = 10;
export const LIGHT_DAYS = 7;
/** Share of its minutes that a day of the first week after has (judgement). */
const LIGHT_SHARE = 0.6;
/** Clicks below what held before, where one starts again (judgement). */
export const CLICKS_AFTER_AWAY = 2;

/** Long times away, in order. */
export function readAways(exceptions: PracticeTime['exceptions']): Away[] {
  const off = mergeSpans(exceptions.filter((e) => e.minutes === 0).map(spanOf));
  const on = mergeSpans(exceptions.filter((e) => e.minutes > 0).map(spanOf));
  return off.flatMap((span) => without(span, on)).filter(({ from, to }) => to - from + 1 >= LONG_DAYS);
}

/** What of a span is left between others, which are in order and apart. */
function without(span: DaySpan, others: readonly DaySpan[]): DaySpan[] {
  const left: DaySpan[] = [];
  let from = span.from;
  for (const other of others) {
    if (other.to < from || other.from > span.to) continue;
    if (other.from > from) left.push({ from, to: other.from - 1 });
    from = other.to + 1;
  }
  return from <= span.to ? [...left, { from, to: span.to }] : left;
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

/**
 * Dated exceptions to the week: spans of days with minutes of their own. AgreedMinutes as spans, never as days, so that a year away is one
 * entry and not 365. Several of one day add up.
 */
import type { DayException } from '../record';
import { type DayNumber, dayOf, formatDate } from '../units';

export type { DayException };

export type DaySpan = { readonly from: DayNumber; readonly to: DayNumber };

export const spanOf = ({ date, until }: Pick<DayException, 'date' | 'until'>): DaySpan => ({
  from: dayOf(date),
  to: dayOf(until ?? date)
});

export function exceptionsOn<E extends DayException>(exceptions: readonly E[], day: DayNumber): E[] {
  return exceptions.filter((e) => {
    const { from, to } = spanOf(e);
    return from <= day && day <= to;
  });
}

const withSpan = <E extends DayException>(exception: E, { from, to }: DaySpan): E => ({
  ...exception,
  date: formatDate(from),
  until: from === to ? undefined : formatDate(to)
});

/** Without the days of a span: what reaches over it keeps its days on either side. */
export function clearDays<E extends DayException>(exceptions: readonly E[], { from, to }: DaySpan): E[] {
  return exceptions.flatMap((e) => {
    const span = spanOf(e);
    if (span.to < from || span.from > to) return [e];
    const before = span.from < from ? [withSpan(e, { from: span.from, to: from - 1 })] : [];
    const after = span.to > to ? [withSpan(e, { from: to + 1, to: span.to })] : [];
    return [...before, ...after];
  });
}

/** In order of days; what follows on what is alike, with no second entry on its days, stands as one. */
export function joinDays<E extends DayException>(exceptions: readonly E[]): E[] {
  const joined: E[] = [];
  const sorted = [...exceptions].sort((a, b) => a.date.localeCompare(b.date));
  for (const one of sorted) {
    const last = joined.at(-1);
    const span = spanOf(one);
    if (last && isAlike(last, one) && spanOf(last).to + 1 === span.from)
      joined[joined.length - 1] = withSpan(last, { from: spanOf(last).from, to: span.to });
    else joined.push(one);
  }
  return joined;
}

function isAlike(a: DayException, b: DayException): boolean {
  return a.minutes === b.minutes && (a.start ?? '') === (b.start ?? '') && (a.why ?? '') === (b.why ?? '');
}

/** Spans that touch or overlap as one, in order. */
export function mergeSpans(spans: readonly DaySpan[]): DaySpan[] {
  const merged: { from: DayNumber; to: DayNumber }[] = [];
  for (const { from, to } of [...spans].sort((a, b) => a.from - b.from)) {
    const last = merged.at(-1);
    if (last && from <= last.to + 1) last.to = Math.max(last.to, to);
    else merged.push({ from, to });
  }
  return merged;
}

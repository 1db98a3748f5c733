/** Days on which something hurt, read from what was said at the desk. */
import type { DeskEvent } from '../record';
import { dayOf, formatDate } from '../units';
import { inOrder } from './event-order';

/** From each day on which it hurt to the one before it was said to be well, or to today. */
export function hurtDaysOf(events: readonly DeskEvent[], today: string): string[] {
  const days = new Set<string>();
  let since: string | null = null;
  const close = (until: string) => {
    if (since === null) return;
    // what hurt and was well again on one day was stopped all the same
    for (let day = dayOf(since); day < Math.max(dayOf(until), dayOf(since) + 1); day += 1)
      days.add(formatDate(day));
    since = null;
  };
  for (const event of inOrder(events)) {
    if (event.kind === 'hurt') since ??= event.date;
    if (event.kind === 'well') close(event.date);
  }
  close(formatDate(dayOf(today) + 1));
  return [...days];
}

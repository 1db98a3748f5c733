/** What a line says of an audition, the same on the studio's page and the candidate's. */
import { dayOf, sayDate } from '$lib/core/units';
import type { StudioAudition } from '$lib/schema/view';

export function sayRound({ roundName, roundDate, isWeek }: StudioAudition): string {
  if (roundDate === null) return 'has taken place';
  return `${roundName}, ${isWeek ? 'week of ' : ''}${sayDate(dayOf(roundDate))}`;
}

/** Of an audition that is over only how long its list was: nothing is measured against it any more. */
export function sayItems({ items, holding, roundDate }: StudioAudition): string {
  if (items === 0) return 'the list is empty';
  if (roundDate === null) return `${items} ${items === 1 ? 'item' : 'items'}`;
  return `${holding} of ${items} hold`;
}

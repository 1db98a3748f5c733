/** What a row of the countback says in words: under its name, and along its line where it is only one line high. */
import { type PlannedItem, type PlannedRung, sayRung } from '$lib/core/season';
import { dayOf, sayDate } from '$lib/core/units';
import type { CountbackItem } from '$lib/schema/view';

export function sayFacts(planned: PlannedItem, item: CountbackItem, isUnseen: boolean): string {
  return [
    ...(planned.kind === 'sight-reading' ? [] : [`bars ${item.fromBar}–${item.toBar}`]),
    ...(isUnseen ? ['no evidence yet'] : []),
    ...(item.forAudition ? [`for ${item.forAudition}`] : []),
    ...(item.alsoFor ? [`also for ${item.alsoFor}`] : [])
  ].join(' · ');
}

export function sayLine(planned: PlannedItem, heldSince: string | null): string {
  if (planned.state === 'left-out') return 'left out of the plan';
  const since = heldSince ? ` since ${sayDate(dayOf(heldSince)).slice(4)}` : '';
  return [
    planned.state === 'minutes' ? 'minutes every week' : `holds${since}`,
    ...(planned.nextTouch ? [`touched again ${sayDate(dayOf(planned.nextTouch))}`] : []),
    ...(planned.shortMin ? [`${planned.shortMin} min short`] : [])
  ].join(' · ');
}

/** The rungs without minutes, from the first to the last. */
export function sayOpen(rungs: readonly PlannedRung[]): string {
  return [...new Set([rungs[0], rungs.at(-1)])].flatMap((rung) => (rung ? [sayRung(rung)] : [])).join(' to ');
}

export function sayToGo(clicks: number): string {
  const whole = Math.round(clicks);
  return clicks < 1 ? 'under 1 click to go' : `${whole} ${whole === 1 ? 'click' : 'clicks'} to go`;
}

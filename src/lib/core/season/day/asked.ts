/**
 * Blocks that are put on a day to come because they answer a check of readiness: what is wanted, how long it takes, and the bars that are
 * named. Source: the mock model, section 6.
 */
import type { DeskEvent, PlanItem, RoadBlock } from '../../record';
import type { AskedBlock } from '../../record/words';
import { touchMinutes } from '../../plan';
import { sectionSeconds, targetOf } from '../../tempo';
import { type BarRange, type Minutes, randomFrom, seedOf } from '../../units';

export type Asked = { readonly itemId: string; readonly as: AskedBlock };

/** Starts are drawn so many at a time. */
export const STARTS = 5;
/** A start is a few bars, and a breath before the next. */
export const ANY_BAR_MIN: Minutes = 5;
/** Where nothing says how long the music is. */
const USUAL_RUN_MIN: Minutes = 8;

/** Whether a block answers what is wanted: put in for it, or the plan's own work at the item. A run of the plan's is not the first of its day. */
export const doesAnswer = (
  { asked, kind, work }: Pick<RoadBlock, 'asked' | 'kind' | 'work'>,
  as: AskedBlock
): boolean => asked === as || (as === 'work' && (work !== null || kind === 'minutes'));

/** What is wanted on the day of these events, each once, in the order in which it was asked for. */
export function wantedOn(events: readonly DeskEvent[]): Asked[] {
  const wanted = new Map<string, Asked>();
  for (const event of events) {
    if (event.kind !== 'asked') continue;
    const key = `${event.as} ${event.itemId}`;
    if (!event.isWanted) wanted.delete(key);
    else if (!wanted.has(key)) wanted.set(key, { itemId: event.itemId, as: event.as });
  }
  return [...wanted.values()];
}

/** Minutes to play an item once at its targets, as a plan has them for a run. */
export function runMinutesOf({ sections, metre, fromBar, pickupBeats = 0 }: PlanItem): Minutes {
  const seconds = sections.reduce((sum, section) => {
    const target = targetOf(section.tempo);
    const pickup = section.fromBar === fromBar ? pickupBeats : 0;
    const bars = section.toBar - section.fromBar + 1;
    return target ? sum + sectionSeconds(section.tempo, metre, bars, pickup, target.bpm) : sum;
  }, 0);
  return seconds === 0 ? USUAL_RUN_MIN : touchMinutes(seconds);
}

/** Bars to begin from, drawn anew for each day, none twice; fewer where there are fewer. */
export function drawStarts({ fromBar, toBar }: BarRange, about: string): number[] {
  const random = randomFrom(seedOf(about));
  const left = Array.from({ length: toBar - fromBar + 1 }, (_, i) => fromBar + i);
  return Array.from(
    { length: Math.min(STARTS, left.length) },
    () => left.splice(Math.floor(random() * left.length), 1)[0]!
  );
}

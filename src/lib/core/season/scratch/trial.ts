/** What remedies share: what they are, whether changes make a plan fit, and the least number that does. */
import { doesFit } from '../../plan';
import type { Changes } from './change';
import { type Asking, layShort, readAsking } from '../lay/lay';
import type { Tried } from './tried';

export const REMEDY_KINDS = [
  'stretch',
  'strategy',
  'mock-days',
  'minutes-by-weekday',
  'minutes-alike',
  'fundamentals',
  'leave-out'
] as const;
export type RemedyKind = (typeof REMEDY_KINDS)[number];

export type Remedy = {
  readonly kind: RemedyKind;
  /** What carries it out; null where nothing of this kind makes it fit. */
  readonly changes: Changes | null;
  /** One sentence: what it is and what it costs, or why it does not help. */
  readonly says: string;
};

/** Whether all that is asked finds its minutes. */
export function fits({ asks, capacity }: Asking): boolean {
  return doesFit(
    asks.map((ask) => ask.asked),
    capacity
  );
}

export const fitsWith = (season: Tried, changes: Changes) => fits(readAsking(season.with(changes).request));

/** Whether it also lies in whole blocks. */
export const laysWhole = (season: Tried, changes: Changes) => layShort(season.with(changes).request) === null;

/** So many are tried beyond the least that fits, for whole blocks (judgement). */
export const MORE_FOR_BLOCKS = 8;

/** The least number whose changes make it fit, or one of the next few where only that lies in whole blocks. */
export function leastThat(
  season: Tried,
  first: number,
  last: number,
  changesFor: (n: number) => Changes
): number | null {
  for (let n = first; n <= last; n += 1) {
    if (!fitsWith(season, changesFor(n))) continue;
    for (let more = n; more <= Math.min(last, n + MORE_FOR_BLOCKS); more += 1)
      if (laysWhole(season, changesFor(more))) return more;
    return n;
  }
  return null;
}

export const none = (kind: RemedyKind, says: string): Remedy => ({ kind, changes: null, says });

export const count = (n: number, what: string) => `${n} ${what}${n === 1 ? '' : 's'}`;
export const list = (words: readonly string[]) =>
  words.length < 2 ? words.join('') : `${words.slice(0, -1).join(', ')} and ${words.at(-1)}`;

/**
 * What a day at the desk is made from, besides the season and its plan: what happened at the desk, and what is shown beside it. Plain values,
 * as a studio reads them and a device keeps them. What was done since they were read is added to them.
 */
import { type NoteSpread, joinSpreads } from '../../pitch';
import { type ScaleAnswer, type Ways, inOrder, keysPlayedIn } from '../../practice';
import type { DeskEvent, PlanItem, Task } from '../../record';
import type { KeysPlayed } from '../day/scales';
import type { DeskItem, HurtView } from './view';

export type DayFacts = {
  readonly audition: {
    readonly id: string;
    readonly name: string;
    /** Days of its rounds, without those of other years. */
    readonly roundsOn: readonly string[];
  };
  readonly candidate: { readonly id: string; readonly name: string; readonly instruments: string };
  /** A guardian has not said yes: nobody is recorded. */
  readonly isAskedFirst: boolean;
  /** The day they were read. */
  readonly readOn: string;
  /** This audition's items, then those of the candidate's others. */
  readonly items: readonly (PlanItem & DeskItem)[];
  /** Of that day and later, and of days of lately that were left open. */
  readonly events: readonly DeskEvent[];
  /** Of all days: spots, and what was said of them. */
  readonly spotEvents: readonly DeskEvent[];
  readonly equipmentEvents: readonly DeskEvent[];
  /** Keys of scales played before that day, by the rotation's entry. */
  readonly keysBefore: readonly (readonly [string, readonly ScaleAnswer[]])[];
  /** When each entry of the rotation was last done before that day. */
  readonly doneBefore: readonly (readonly [string, string])[];
  /** What the tuner heard lately. */
  readonly tones: readonly NoteSpread[];
  readonly ways: Ways;
  /** Whether it hurts, told or not. */
  readonly isHurt: boolean;
  /** As who looks may know it. */
  readonly hurt: HurtView | null;
  /** The latest by that day. */
  readonly lessonNote: { readonly date: string; readonly note: string } | null;
  /** Around the audition, and not done. */
  readonly tasks: readonly Task[];
};

const SPOT_KINDS: readonly DeskEvent['kind'][] = ['spot', 'spot-set', 'spot-heard'];

/** With what was done since. */
export function withEvents(facts: DayFacts, fresh: readonly DeskEvent[]): DayFacts {
  if (fresh.length === 0) return facts;
  const said = inOrder(fresh).findLast(({ kind }) => kind === 'hurt' || kind === 'well');
  return {
    ...facts,
    events: [...facts.events, ...fresh],
    spotEvents: [...facts.spotEvents, ...fresh.filter(({ kind }) => SPOT_KINDS.includes(kind))],
    equipmentEvents: [...facts.equipmentEvents, ...fresh.filter(({ kind }) => kind === 'equipment')],
    tones: joinSpreads([facts.tones, ...fresh.flatMap((one) => (one.kind === 'tones' ? [one.tones] : []))]),
    ...(said && {
      isHurt: said.kind === 'hurt',
      hurt: said.kind === 'hurt' ? { since: said.date, isTold: said.isTold } : null
    })
  };
}

/** Of the days since they were read. */
const before = ({ events, readOn }: DayFacts, date: string) =>
  events.filter((event) => event.date >= readOn && event.date < date);

export function keysPlayedBefore(facts: DayFacts, date: string): KeysPlayed {
  const keys = new Map(facts.keysBefore);
  for (const [id, played] of keysPlayedIn(before(facts, date)))
    keys.set(id, [...(keys.get(id) ?? []), ...played]);
  return keys;
}

export function doneBefore(facts: DayFacts, date: string): Map<string, string> {
  const done = new Map(facts.doneBefore);
  for (const event of before(facts, date)) {
    const id = 'fundamental' in event ? event.fundamental : undefined;
    if (id !== undefined && (done.get(id) ?? '') < event.date) done.set(id, event.date);
  }
  return done;
}

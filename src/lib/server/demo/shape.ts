/** What the demo's candidates and items are made of. */
import type { RoundDay } from '../../core/record';
import type { MockWord } from '../../core/record/words';
import type { SectionTempo } from '../../core/tempo';
import type { ItemInput } from '../change/item-place';

export type DemoItem = ItemInput & {
  /** Chance that a planned rung comes to hold in its block: how this player gets on with it. */
  readonly ease: number;
  /** Came onto the list so many days ago; missing: it was there from the beginning. */
  readonly addedDaysAgo?: number;
};

type DemoPlayer = {
  readonly name: string;
  readonly instruments: string;
  readonly login: string;
  readonly week: readonly (readonly [weekday: number, start: string | null, minutes: number])[];
  readonly exceptions: readonly { readonly inDays: number; readonly minutes: number; readonly why: string }[];
  readonly lesson: readonly [weekday: number, start: string, minutes: number];
  readonly beganDaysAgo: number;
  /** Share of planned days really practised. */
  readonly diligence: number;
  readonly ticks: number;
  /** A minor, with the guardian and since when they consent. */
  readonly guardian?: { readonly name: string; readonly consentDaysAgo: number | null };
  readonly note?: string;
  readonly wish?: string;
  readonly home?: string;
  /** What was changed of the instrument. */
  readonly equipment?: readonly { readonly daysAgo: number; readonly says: string }[];
  /** What the teacher heard in the lesson, on the item of that number, and laid first. */
  readonly heard?: {
    readonly item: number;
    readonly fromBar: number;
    readonly toBar: number;
    readonly issue: string;
  };
  /** Runs that were recorded, of the item of that number. */
  readonly recorded?: readonly {
    readonly item: number;
    readonly daysAgo: number;
    readonly share: number;
    readonly isKept?: boolean;
    readonly marks: readonly { readonly bar: number; readonly element: string; readonly says: string }[];
  }[];
  /** Stages that are booked, or behind. */
  readonly stages?: readonly DemoMock[];
  /** How the day of the round goes, with a thought for each item in the list's order. */
  readonly roundDay?: Omit<RoundDay, 'roundId'> & { readonly thoughts: readonly string[] };
  /** How the round went, told the day after it; a word for each item in the list's order, empty where it was not asked. */
  readonly told?: {
    readonly result: string;
    readonly keep: string;
    readonly words: readonly (MockWord | '')[];
  };
  readonly mocks: readonly { readonly inDays: number; readonly name: string; readonly minutes: number }[];
};

export type DemoMock = {
  readonly id: string;
  readonly stage: number;
  /** Below 0 it is behind, and was played. */
  readonly inDays: number;
  readonly time: string;
  readonly place: string;
  readonly minutes: number;
  readonly count: number;
  readonly jurors: readonly {
    readonly name: string;
    /** Of each element a word an item, by turns. */
    readonly says: Readonly<Record<string, readonly MockWord[]>>;
    /** So many bars behind the first of an item. */
    readonly remarks?: readonly { readonly item: number; readonly bar: number; readonly words: string }[];
  }[];
};

export type DemoCandidate = DemoPlayer & {
  readonly audition: string;
  readonly checkedDaysAgo?: number;
  readonly rounds: readonly {
    readonly name: string;
    readonly inDays: number;
    readonly time: string;
    readonly hears?: readonly number[];
    /** Takes are sent, up to that day. */
    readonly uploadInDays?: number;
  }[];
  readonly dates: readonly {
    readonly inDays: number;
    readonly name: string;
    readonly kind: 'deadline' | 'cuts' | 'other';
  }[];
  readonly items: readonly DemoItem[];
  /** A second audition, taken on today; works of the same name are the same. */
  readonly also?: DemoList;
};

/** A call with one round, and its list. */
export type DemoList = {
  readonly audition: string;
  readonly round: { readonly name: string; readonly inDays: number; readonly time: string };
  readonly items: readonly DemoItem[];
};

/** Takes the list of a candidate before, and gets on with its items so much better or worse. */
export type DemoTaker = DemoPlayer & { readonly takes: string; readonly easeTimes: number };

type Facts = {
  composer: string;
  kind: ItemInput['kind'];
  metre: string;
  bars: number;
  lines: string;
  instrument?: string;
  tested: string;
  ease: number;
  split?: number;
  from?: number;
  pages?: string;
  key?: string;
  errata?: ItemInput['errata'];
};

export function item(name: string, facts: Facts, first: SectionTempo, second?: SectionTempo): DemoItem {
  const { composer, kind, metre, bars, lines, tested, ease, split, from = 1 } = facts;
  const to = from + bars - 1;
  const sections = second
    ? [
        { id: 'new-1', fromBar: from, toBar: split!, tempo: first },
        { id: 'new-2', fromBar: split! + 1, toBar: to, tempo: second }
      ]
    : [{ id: 'new-1', fromBar: from, toBar: to, tempo: first }];
  return {
    id: '',
    name,
    composer,
    kind,
    instrument: facts.instrument,
    edition: 'Quay Street Press, 3rd printing',
    pages: facts.pages ?? '',
    key: facts.key ?? '',
    errata: facts.errata ?? [],
    tested,
    barsPerLine: lines,
    metre,
    fromBar: from,
    toBar: to,
    sections,
    schools: {},
    ease
  };
}

export const pulse = (
  unit: 'quarter' | 'dotted-quarter' | 'half' | 'eighth',
  targetBpm: number
): SectionTempo => ({
  kind: 'pulse',
  unit,
  targetBpm
});
export const range = (
  unit: 'quarter' | 'dotted-quarter' | 'half',
  lowBpm: number,
  highBpm: number
): SectionTempo => ({ kind: 'range', unit, lowBpm, highBpm });

export const sightReading = (ease: number): DemoItem => ({
  id: '',
  name: 'Sight-reading',
  composer: 'fresh pages, level 5',
  kind: 'sight-reading',
  edition: '',
  tested: 'pulse kept going',
  barsPerLine: '',
  metre: '4/4',
  fromBar: 1,
  toBar: 1,
  sections: [],
  minutesPerWeek: 20,
  schools: {},
  ease
});

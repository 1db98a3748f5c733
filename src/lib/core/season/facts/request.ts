/**
 * What a plan is laid from: everything the model knows of one candidate and one audition, as plain values.
 * The written form of this type is the open format docs/formats.md describes; its shape in Zod lies in lib/schema.
 * Dates are YYYY-MM-DD in the candidate's home zone; round dates and times are local to the venue.
 */
import type { PracticeTime, RampShape } from '../../plan';
import type { Touch } from '../../practice';
import type { SectionTempo, StepSchool } from '../../tempo';
import type { Bpm, Minutes } from '../../units';
import type { Bars } from './chain';

export const ITEM_KINDS = ['etude', 'excerpt', 'solo', 'scales', 'sight-reading'] as const;
export type ItemKind = (typeof ITEM_KINDS)[number];

type SeasonRound = {
  readonly id: string;
  readonly name: string;
  readonly date: string;
  readonly time?: string | undefined;
  readonly zone: string;
  /** Items heard; missing means the whole list. */
  readonly itemIds?: readonly string[] | undefined;
};

export type SeasonSection = {
  readonly id: string;
  readonly name?: string | undefined;
  readonly fromBar: number;
  readonly toBar: number;
  readonly tempo: SectionTempo;
  /** The day on which its target is to hold, set by hand; the section is laid to it as to a pin. */
  readonly dueOn?: string | undefined;
  /** Notes to a beat where it is densest. */
  readonly notesPerBeat?: number | undefined;
};

export type SeasonItem = {
  readonly id: string;
  readonly name: string;
  readonly kind: ItemKind;
  readonly metre: string;
  readonly fromBar: number;
  readonly toBar: number;
  readonly pickupBeats?: number | undefined;
  /** Bars played twice. */
  readonly repeats?: readonly { readonly fromBar: number; readonly toBar: number }[] | undefined;
  readonly sections: readonly SeasonSection[];
  /** Sight-reading and other work without a tempo. */
  readonly minutesPerWeek?: Minutes | undefined;
  readonly mostPerDayMin?: Minutes | undefined;
  readonly schools?: Partial<Schools> | undefined;
  /** The day its plan begins, where it is not the request's: what a later audition asks more begins on the earlier one's date. */
  readonly began?: string | undefined;
  /** Its own audition's, where several are laid together. */
  readonly daysIntoMock?: number | undefined;
  /** Tempos by section that will hold when it begins. */
  readonly holds?: Readonly<Record<string, Bpm>> | undefined;
  /** Bars that will be heard; the plan narrows to them. */
  readonly cuts?: readonly Bars[] | undefined;
  /** Left out by the teacher's choice: it stays on the list and asks nothing. */
  readonly isLeftOut?: boolean | undefined;
};

/** How an item is worked (handbook section 3). */
export const STRATEGIES = ['ramp', 'chunks', 'drills', 'combined'] as const;
export type Strategy = (typeof STRATEGIES)[number];

export type Schools = {
  readonly strategy: Strategy;
  readonly step: StepSchool;
  readonly shape: RampShape;
  readonly inARow: number;
  /** Muscles the item tires: blocks that tire the same are not put side by side. */
  readonly tires: readonly string[];
};

export const DEFAULT_SCHOOLS: Schools = {
  strategy: 'ramp',
  step: { kind: 'scale', clicks: 'auto' },
  shape: 'equal-percent',
  inARow: 3,
  tires: []
};

/** What an earlier laying agreed; a plan hands it out as `agreed`. */
export type Agreed = {
  readonly rungs: readonly {
    readonly sectionId: string;
    readonly bpm: Bpm;
    /** Of a chunk's link. */
    readonly bars?: Bars | undefined;
    readonly minutes: Minutes;
    readonly basis: string;
  }[];
  readonly allotments: readonly {
    readonly itemId: string;
    readonly kind: 'ladder' | 'minutes';
    readonly date: string;
    readonly minutes: Minutes;
  }[];
  /** Minutes of the touch that made a rung hold which it had beyond that rung. */
  readonly carried: readonly {
    readonly itemId: string;
    readonly touchId: string;
    readonly minutes: Minutes;
  }[];
};

/** So many minutes of an item on a date. */
export type BlockPin = { readonly itemId: string; readonly date: string; readonly minutes: Minutes };
/** A rung that is to be reached on a date, neither earlier nor later. */
export type RungPin = {
  readonly itemId: string;
  readonly sectionId: string;
  readonly bpm: Bpm;
  readonly date: string;
};

export type SeasonRequest = {
  readonly today: string;
  /** The day the plan was first laid; stages are counted from it. Missing: today. */
  readonly began?: string | undefined;
  readonly rounds: readonly SeasonRound[];
  readonly items: readonly SeasonItem[];
  readonly time: PracticeTime;
  readonly schools?: Partial<Schools> | undefined;
  /** So many days of the mock window are given to the ramp. */
  readonly daysIntoMock?: number | undefined;
  readonly log: readonly Touch[];
  /** Rounds this plan counts down to, where several auditions are laid together; missing: all. */
  readonly head?: readonly string[] | undefined;
  /** Set by hand; the plan never moves them by itself. */
  readonly pins?: readonly (BlockPin | RungPin)[] | undefined;
  readonly previous?: Agreed | undefined;
};

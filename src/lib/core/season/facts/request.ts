/**
 * What a plan is laid from: everything the model knows of one candidate and one audition, as plain values.
 * The written form of this type is the open format docs/formats.md describes; its shape in Zod lies in lib/schema.
 * Dates are YYYY-MM-DD in the candidate's home zone; round dates and times are local to the venue.
 */
import type {
  BlockPin,
  PlanItem,
  PracticeTime,
  Round,
  RungPin,
  Schools,
  SeasonSection,
  Touch
} from '../../record';
import type { Bpm, Minutes } from '../../units';
import type { Bars } from './chain';

export { ITEM_KINDS, STRATEGIES, type ItemKind, type Strategy } from '../../record/words';
export type { BlockPin, RungPin, Schools, SeasonSection };

/** What the plan asks of a round; `date` and `time` are local to the venue. */
type SeasonRound = Pick<Round, 'id' | 'name' | 'date' | 'time' | 'zone' | 'itemIds'>;

export type SeasonItem = PlanItem & {
  /** The day its plan begins, where it is not the request's: what a later audition asks more begins on the earlier one's date. */
  readonly began?: string | undefined;
  /** Its own audition's, where several are laid together. */
  readonly daysIntoMock?: number | undefined;
  /** Tempos by section that will hold when it begins. */
  readonly holds?: Readonly<Record<string, Bpm>> | undefined;
};

export const DEFAULT_SCHOOLS: Schools = {
  strategy: 'ramp',
  step: { kind: 'scale', clicks: 'auto' },
  shape: 'equal-percent',
  inARow: 3,
  among: 1,
  back: 'step',
  tires: []
};

/** What an earlier laying agreed; a plan hands it out as `agreed`. */
export type Agreed = {
  /** What it stood on besides the log and the day (ground.ts); missing in plans of before. */
  readonly ground?: string | undefined;
  readonly rungs: readonly {
    readonly sectionId: string;
    readonly bpm: Bpm;
    /** Of a chunk's link. */
    readonly bars?: Bars | undefined;
    readonly minutes: Minutes;
    readonly basis: string;
    /** The first day on which it was ever due; missing where it never was, and in plans of before. */
    readonly due?: string | undefined;
  }[];
  readonly allotments: readonly {
    readonly itemId: string;
    readonly kind: 'ladder' | 'minutes';
    readonly date: string;
    readonly minutes: Minutes;
  }[];
  /** What was said to hold of each section, as it was taken into account; missing in plans of before. */
  readonly stated?: Readonly<Record<string, string>> | undefined;
  /** Minutes of the touch that made a rung hold which it had beyond that rung. */
  readonly carried: readonly {
    readonly itemId: string;
    readonly touchId: string;
    readonly minutes: Minutes;
  }[];
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
  /** Dates on which pain stopped the practice, and those after it until it was well: nothing of them is missed. */
  readonly hurtDays?: readonly string[] | undefined;
  /** Rounds this plan counts down to, where several auditions are laid together; missing: all. */
  readonly countsDownTo?: readonly string[] | undefined;
  /** Set by hand; the plan never moves them by itself. */
  readonly pins?: readonly (BlockPin | RungPin)[] | undefined;
  readonly previous?: Agreed | undefined;
};

/** Schools in force: the item's own, else the candidate's, else the defaults. */
export function schoolsOf(item: SeasonItem, general: Partial<Schools> | undefined): Schools {
  return { ...DEFAULT_SCHOOLS, ...general, ...item.schools };
}

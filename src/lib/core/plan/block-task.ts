/** What is asked when minutes are to become blocks, and the tables that the steps of it share. Decides nothing. */
import type { DayNumber, Minutes } from '../units';
import type { Climbing, Demands, Lying } from './demand';
import type { Levels } from './level';

/** Above this a mind wanders, where nobody has shown otherwise (judgement, common practice 3 to 25). */
export const LONGEST_BLOCK_MIN: Minutes = 25;
/** More things on a day are too many to keep in mind (judgement). */
export const MOST_BLOCKS_A_DAY = 12;
/** The least of a block lies between these, by how long the music is (judgement). */
export const LEAST_BLOCK_MIN: Minutes = 3;
export const LEAST_LONG_BLOCK_MIN: Minutes = 8;

export type BlockTask = {
  readonly demands: Demands;
  /** Minutes to place of each row. */
  readonly placed: readonly Minutes[];
  readonly levels: Levels;
  readonly items: number;
  /** The most an item may have on any day, what it has there already included. */
  readonly mostPerDay: readonly Minutes[];
  /** Least minutes of a new block of each item, or all it asks where that is less. */
  readonly least: readonly Minutes[];
  /** The longest block of this person. */
  readonly longest: Minutes;
  /** Where an item had a block before: taken again where it is as good as another day. */
  readonly before: (item: number, day: DayNumber) => boolean;
  /** A block that lies already can grow by as little as a minute. */
  readonly lying: Lying;
  readonly touched: Touched;
  /** Each item's ladder; null where it is only minutes. */
  readonly climbing: readonly (Climbing | null)[];
  /** All days that have minutes, in time order. */
  readonly practiceDays: readonly DayNumber[];
  /** For each row, the columns its window lies over. */
  readonly opens: readonly ReadonlySet<number>[];
};

/** Touches of each day, beside the room it has. */
export type Touched = ReadonlyMap<DayNumber, { readonly minutes: Minutes; readonly blocks: number }>;

export type Placement = { readonly row: number; readonly day: DayNumber; readonly minutes: Minutes };
export type Blocks = {
  readonly placements: readonly Placement[];
  /** Minutes of each row that found no block. */
  readonly left: readonly Minutes[];
};

export type DayTable = {
  readonly days: readonly DayNumber[];
  readonly column: readonly number[];
  readonly room: readonly Minutes[];
  readonly load: readonly Minutes[];
  /** Whole minutes that make the load even. */
  readonly target: readonly Minutes[];
};

export type Sized = {
  readonly placements: readonly Placement[];
  readonly left: readonly Minutes[];
  readonly missing: Minutes;
  /** Minutes on each day. */
  readonly load: readonly Minutes[];
};

/** The most an item may still have on a day. */
export function mostOn({ mostPerDay, lying }: BlockTask, item: number, day: DayNumber): Minutes {
  return mostPerDay[item]! - lying.ofDemand(item, day);
}

/** The frame a season is laid in: its days with their minutes, and each item with all that is known of it. */
import {
  type Allotment,
  type Allotted,
  type AskedDemand,
  type DayCapacity,
  type ReservedTouch,
  type Away,
  type Stages,
  LONGEST_BLOCK_MIN,
  closeRest,
  dayCapacity,
  lightAfter,
  readAways
} from '../../plan';
import { type DayNumber, type Minutes, dayOf, formatDate } from '../../units';
import type { Climb } from '../climb/climb';
import { DEFAULT_SCHOOLS, type SeasonItem, type SeasonRequest } from '../facts/request';

/** One item with everything known of it, on its way into the plan. */
export type ItemCase = {
  readonly item: SeasonItem;
  readonly rank: number;
  readonly climb: Climb;
  readonly stages: Stages | null;
  /** The last round that hears it, for keeping warm after the first. */
  readonly lastDayZero: DayNumber | null;
};

/** What one item asks, and what it was given. */
export type ItemMinutes = {
  readonly owner: ItemCase;
  readonly kind: 'ladder' | 'minutes';
  readonly asked: AskedDemand;
  readonly allotments: readonly Allotment[];
  readonly shortMin: Minutes;
  /** Of `shortMin`, what would fit in pieces shorter than a block. */
  readonly pieceMin: Minutes;
  /** Less than a block, which finds no day and is not worth one: its ladder does without. */
  readonly leftOutMin: Minutes;
};

/** A season laid: touches reserved first, minutes allotted, and why some are short. */
export type LaidMinutes = {
  readonly touches: readonly ReservedTouch[];
  readonly minutes: readonly ItemMinutes[];
  readonly reasons: Allotted['reasons'];
  /** Minutes of each day beside the touches; none where there is no room for a block. */
  readonly usable: ReadonlyMap<DayNumber, Minutes>;
};

export type SeasonFrame = {
  readonly today: DayNumber;
  readonly began: DayNumber;
  readonly dayZero: DayNumber | null;
  /** Day of the next round this plan counts down to. */
  readonly nextRoundDay: DayNumber | null;
  readonly capacities: ReadonlyMap<DayNumber, DayCapacity>;
  /** Minutes still open on each day: capacity less what today's log has already used. */
  readonly open: ReadonlyMap<DayNumber, Minutes>;
  /** Long times away, past ones too. */
  readonly aways: readonly Away[];
  /** Clean attempts in a row that are asked where an item does not say. */
  readonly inARow: number;
  /** The longest block of this person. */
  readonly longest: Minutes;
  /** Practice days on end that a climbing item may rest. */
  readonly mostRest: number;
  /** Days of the mocks still ahead. */
  readonly mocks: readonly DayNumber[];
  /** The same in the last fortnight. */
  readonly closeRest: number;
};

/** A climbing item rests on no more practice days on end (judgement). */
const MOST_REST_DAYS = 2;
/** With more climbing items than this they come round less often (judgement). */
const MANY_ITEMS = 30;

const mostRestOf = (items: number) => (items > MANY_ITEMS ? Math.ceil(items / 10) - 1 : MOST_REST_DAYS);

/** Days from today to the last round ahead, with the minutes each has. A day with a round has none. */
export function readFrame(request: SeasonRequest): SeasonFrame {
  const today = dayOf(request.today);
  const began = Math.min(today, request.began ? dayOf(request.began) : today);
  const roundDays = request.rounds.map((r) => dayOf(r.date)).sort((a, b) => a - b);
  const ahead = roundDays.filter((day) => day >= today);
  const aways = readAways(request.time.exceptions);
  const capacities = new Map<DayNumber, DayCapacity>();
  const open = new Map<DayNumber, Minutes>();
  for (let day = today; day < (ahead.at(-1) ?? today); day += 1) {
    const capacity = roundDays.includes(day)
      ? { minutes: 0, parts: [{ what: 'round', minutes: 0 }], spans: [] }
      : lightAfter(day, dayCapacity(day, request.time), aways);
    capacities.set(day, capacity);
    const used = day === today ? loggedOn(request, day) : 0;
    open.set(day, Math.max(0, capacity.minutes - used));
  }
  const climbing = request.items.filter((item) => !item.isLeftOut && item.sections.length > 0).length;
  return {
    today,
    began,
    dayZero: ahead[0] ?? null,
    nextRoundDay: nextRoundDayOf(request),
    capacities,
    open,
    aways,
    inARow: request.schools?.inARow ?? DEFAULT_SCHOOLS.inARow,
    longest: request.time.longestBlockMin ?? LONGEST_BLOCK_MIN,
    mostRest: mostRestOf(climbing),
    mocks: request.time.mocks.map(({ date }) => dayOf(date)).filter((day) => day >= today),
    closeRest: closeRest(climbing)
  };
}

/** Day of the next round that the plan counts down to: of `countsDownTo` alone, where it names some. */
export function nextRoundDayOf({ rounds, countsDownTo, today }: SeasonRequest): DayNumber | null {
  const days = rounds.filter((r) => countsDownTo?.includes(r.id) ?? true).map((r) => dayOf(r.date));
  return days.filter((day) => day >= dayOf(today)).sort((a, b) => a - b)[0] ?? null;
}

/** Minutes the log has on a day, of one item or of all. */
export function loggedOn(request: SeasonRequest, day: DayNumber, itemId?: string): Minutes {
  const date = formatDate(day);
  return request.log
    .filter((t) => t.date === date && (itemId === undefined || t.itemId === itemId))
    .reduce((sum, t) => sum + t.minutes, 0);
}

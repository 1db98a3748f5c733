/**
 * From even load to whole blocks: which item plays on which day, and for how many minutes, so that no block is
 * shorter than the least useful, items come round regularly, and the days stay as even as blocks let them.
 * First the days on which each item plays are dealt in time order, to whichever lags furthest behind its own even pace;
 * then a flow finds the minutes of all blocks together. What finds no block is handed back, never bent.
 */
import type { DayNumber, Minutes } from '../units';
import {
  type BlockTask,
  type Blocks,
  type DayTable,
  type Sized,
  LEAST_BLOCK_MIN,
  mostOn
} from './block-task';
import { type Pace, readPace } from './pace';
import { roundBlocks } from './whole-blocks';
import { type Pair, sizeBlocks } from './size';

/**
 * Aimed-for minutes of one item on one day, tried in this order until all finds room: short and often first
 * (judgement); longer and fewer where days are tight.
 */
const AIMS_MIN: readonly Minutes[] = [14, 18, 11, 22, 9];
/** How much less even than the ideal whole blocks may be before another aim is tried, on days with room for two. */
const EVEN_ENOUGH = 1.01;

/** The same task gives the same blocks. Cost: some flows over items x days. */
export function layBlocks(task: BlockTask): Blocks {
  const table = readDays(task);
  const pace = readPace(task, table);
  const ideal = weigh(table, table.target);
  const dueMin = table.target.reduce((sum, minutes) => sum + minutes, 0);
  const isRoomy = dueMin >= 2 * LEAST_BLOCK_MIN * table.days.length;
  let best: { sized: Sized; cost: number } | null = null;
  for (const aim of AIMS_MIN) {
    const dealt = sizeBlocks(task, table, deal(task, table, pace, aim));
    const sized = dealt.missing > 0 ? roundBlocks(task, table, dealt) : dealt;
    const cost = weigh(table, sized.load);
    if (
      !best ||
      sized.missing < best.sized.missing ||
      (sized.missing === best.sized.missing && cost < best.cost)
    )
      best = { sized, cost };
    if (best.sized.missing === 0 && (!isRoomy || best.cost <= ideal * EVEN_ENOUGH)) break;
  }
  return { placements: best!.sized.placements, left: best!.sized.left };
}

/** Sum of load^2 / capacity over the days. */
function weigh({ load, room }: DayTable, more: readonly Minutes[]): number {
  return load.reduce((sum, there, d) => sum + (there + more[d]!) ** 2 / (there + room[d]!), 0);
}

/** Whole targets, rounded up as time goes on within each level, so that ties go to the earlier day. */
function readDays({ demands, levels }: BlockTask): DayTable {
  const all = demands.columns
    .flatMap(({ days, room, load }, column) => days.map((day) => ({ day, column, room, load })))
    .sort((a, b) => a.day - b.day);
  const before = new Map<object, { capacity: number; given: number }>();
  const target = all.map(({ column, room, load }) => {
    const level = levels.ofColumn[column]!;
    const sum = before.get(level) ?? { capacity: 0, given: 0 };
    sum.capacity += room + load;
    const upTo = Math.ceil((level.minutes * sum.capacity) / level.room);
    const minutes = Math.max(0, Math.min(room, upTo - sum.given - load));
    sum.given += minutes + load;
    before.set(level, sum);
    return minutes;
  });
  return {
    days: all.map((d) => d.day),
    column: all.map((d) => d.column),
    room: all.map((d) => d.room),
    load: all.map((d) => d.load),
    target
  };
}

/** A day on which an item was agreed before counts as if it lagged by so much of a block more (judgement). */
const WORTH_BEFORE = 1.5;

/** Deals each day's minutes to the items that lag furthest behind their pace, in blocks of about `aim` minutes. */
function deal(task: BlockTask, table: DayTable, pace: Pace, aim: Minutes): Pair[] {
  const dealing: Dealing = { task, pace, aims: aimsOf(pace, aim), dealt: pace.minutes.map(() => 0) };
  const least = Math.max(LEAST_BLOCK_MIN, Math.floor(aim / 2));
  const pairs: Pair[] = [];
  /** Minutes of each level that earlier days did not use. */
  const carried = new Map<object, Minutes>();
  table.days.forEach((day, d) => {
    const level = task.levels.ofColumn[table.column[d]!]!;
    const budget = Math.min(table.room[d]!, table.target[d]! + (carried.get(level) ?? 0));
    const { played, left } = dealDay(dealing, { day, d, budget, least });
    pairs.push(...played.map((item) => ({ item, day: d })));
    carried.set(level, left);
  });
  return pairs;
}

type Dealing = {
  readonly task: BlockTask;
  readonly pace: Pace;
  /** Minutes aimed for in a block of each item. */
  readonly aims: readonly Minutes[];
  /** Minutes that each item has been dealt so far. */
  readonly dealt: Minutes[];
};
type DayToDeal = {
  readonly day: DayNumber;
  /** Its place in the table. */
  readonly d: number;
  readonly budget: Minutes;
  /** A block is begun only where so much is left. */
  readonly least: Minutes;
};

/** Where an item has few days to play on, its blocks are longer. */
function aimsOf({ minutes, canPlay }: Pace, aim: Minutes): Minutes[] {
  return minutes.map((all, i) => {
    const days = canPlay[i]!.reduce((n, can) => n + can, 0);
    return Math.max(aim, Math.ceil(all / Math.max(1, days)));
  });
}

/** A block for one item after the other while the day has minutes; what is left then makes them longer. */
function dealDay(
  dealing: Dealing,
  { day, d, budget, least }: DayToDeal
): { played: number[]; left: Minutes } {
  const { task, pace, dealt } = dealing;
  let left = budget;
  const played: { item: number; more: Minutes }[] = [];
  for (const { item, mustMin } of waiting(dealing, day, d)) {
    if (left < (mustMin > 0 ? LEAST_BLOCK_MIN : least)) break;
    const most = Math.min(left, mostOn(task, item, day));
    const minutes = blockOf(dealing, item, mustMin, most);
    const isGrowing = task.lying.ofDemand(item, day) > 0;
    if (minutes <= 0 || (minutes < task.least[item]! && !isGrowing)) continue;
    dealt[item]! += minutes;
    left -= minutes;
    const more = Math.min(pace.minutes[item]! - dealt[item]!, mostOn(task, item, day) - minutes);
    played.push({ item, more });
  }
  if (left >= least)
    for (const { item, more } of played) {
      const longer = Math.min(more, left);
      dealt[item]! += longer;
      left -= longer;
    }
  return { played: played.map(({ item }) => item), left };
}

/** Items that can play on a day and have minutes left: those that must first, then those that lag furthest behind. */
function waiting({ task, pace, aims, dealt }: Dealing, day: DayNumber, d: number) {
  return pace.minutes
    .map((_, item) => item)
    .filter((item) => pace.canPlay[item]![d] === 1 && dealt[item]! < pace.minutes[item]!)
    .map((item) => ({
      item,
      mustMin: pace.least[item]![d]! - dealt[item]!,
      lag: (pace.byDay[item]![d]! - dealt[item]!) / aims[item]! + (task.before(item, day) ? WORTH_BEFORE : 0)
    }))
    .sort((a, b) => Number(b.mustMin > 0) - Number(a.mustMin > 0) || b.lag - a.lag || a.item - b.item);
}

/** About what is aimed for; all that is owed where the rest would be less than a block. */
function blockOf({ pace, aims, dealt }: Dealing, item: number, mustMin: Minutes, most: Minutes): Minutes {
  const owed = pace.minutes[item]! - dealt[item]!;
  const minutes = Math.min(Math.max(aims[item]!, Math.ceil(mustMin)), owed, most);
  return owed - minutes < LEAST_BLOCK_MIN && owed <= most ? owed : minutes;
}

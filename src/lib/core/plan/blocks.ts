/**
 * From even load to whole blocks: which item plays on which day, and for how many minutes, so that no block is
 * shorter than the least useful, items come round regularly, and the days stay as even as blocks let them.
 * First the days on which each item plays are dealt in time order, to whichever lags furthest behind its own even pace;
 * then a flow finds the minutes of all blocks together. What finds no block is handed back, never bent.
 */
import type { Minutes } from '../units';
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
  const dealt = pace.minutes.map(() => 0);
  const aims = pace.minutes.map((minutes, i) => {
    const days = pace.canPlay[i]!.reduce((n, can) => n + can, 0);
    return Math.max(aim, Math.ceil(minutes / Math.max(1, days)));
  });
  const pairs: Pair[] = [];
  const carried = new Map<object, number>();
  const least = Math.max(LEAST_BLOCK_MIN, Math.floor(aim / 2));
  table.days.forEach((day, d) => {
    const level = task.levels.ofColumn[table.column[d]!]!;
    let budget = Math.min(table.room[d]!, table.target[d]! + (carried.get(level) ?? 0));
    const open = pace.minutes.flatMap((minutes, i) =>
      pace.canPlay[i]![d] === 1 && dealt[i]! < minutes
        ? [
            {
              i,
              must: pace.least[i]![d]! - dealt[i]!,
              lag: (pace.byDay[i]![d]! - dealt[i]!) / aims[i]! + (task.before(i, day) ? WORTH_BEFORE : 0)
            }
          ]
        : []
    );
    open.sort((a, b) => Number(b.must > 0) - Number(a.must > 0) || b.lag - a.lag || a.i - b.i);
    const played: { i: number; more: Minutes }[] = [];
    for (const { i, must } of open) {
      if (budget < (must > 0 ? LEAST_BLOCK_MIN : least)) break;
      const most = Math.min(budget, mostOn(task, i, day));
      const owed = pace.minutes[i]! - dealt[i]!;
      let minutes = Math.min(Math.max(aims[i]!, Math.ceil(must)), owed, most);
      if (owed - minutes < LEAST_BLOCK_MIN && owed <= most) minutes = owed;
      if (minutes < task.least[i]! && task.lying.of(i, day) === 0) continue;
      if (minutes <= 0) continue;
      pairs.push({ item: i, day: d });
      dealt[i]! += minutes;
      budget -= minutes;
      played.push({ i, more: Math.min(pace.minutes[i]! - dealt[i]!, mostOn(task, i, day) - minutes) });
    }
    for (const { i, more } of budget >= least ? played : []) {
      const longer = Math.min(more, budget);
      dealt[i]! += longer;
      budget -= longer;
    }
    carried.set(level, budget);
  });
  return pairs;
}

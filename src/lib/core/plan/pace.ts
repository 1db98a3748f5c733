/**
 * The even pace of each item: its own minutes spread over the days it can use, in proportion to the even load, as evenly as the ends of its
 * windows allow. What the days' blocks are dealt by.
 */
import type { DayNumber, Minutes } from '../units';
import { type BlockTask, type DayTable, mostOn } from './block-task';

/** For each item, minutes it should have had by the end of each day to come round evenly; and where it can play. */
export type Pace = {
  readonly byDay: readonly Float64Array[];
  /** The least it must have had by the end of each day for the rest to be possible at its most per day. */
  readonly least: readonly Float64Array[];
  readonly canPlay: readonly Uint8Array[];
  readonly minutes: readonly Minutes[];
  /** The last day on which each can play. */
  readonly lastDay: readonly DayNumber[];
};

/** Windows of one item that lie over each other: its days, and by which of them so many minutes are due. */
type Stretch = { readonly from: number; to: number; readonly due: { at: number; minutes: Minutes }[] };

/** Cost: days for each window. */
export function readPace(task: BlockTask, table: DayTable): Pace {
  const { demands, placed, levels, items } = task;
  const ofItem: number[][] = Array.from({ length: items }, () => []);
  demands.rows.forEach((row, r) => placed[r]! > 0 && ofItem[row.item]!.push(r));
  const daysOf = demands.columns.map((): number[] => []);
  table.column.forEach((column, d) => daysOf[column]!.push(d));
  const byDay: Float64Array[] = [];
  const canPlay: Uint8Array[] = [];
  const least: Float64Array[] = [];
  const lastDay: DayNumber[] = [];
  ofItem.forEach((own, item) => {
    const open = new Uint8Array(table.days.length);
    const spans = own.map((r) => {
      const days = levels.useful[r]!.flatMap((column) => daysOf[column]!).sort((a, b) => a - b);
      for (const d of days) open[d] = 1;
      return { from: days[0] ?? 0, to: days.at(-1) ?? 0, minutes: placed[r]! };
    });
    byDay.push(spread(stretches(spans), open, table.target));
    canPlay.push(open);
    lastDay.push(table.days[open.lastIndexOf(1)] ?? 0);
    least.push(leastByDay(task, table, own, item, open));
  });
  const minutes = ofItem.map((own) => own.reduce((sum, r) => sum + placed[r]!, 0));
  return { byDay, least, canPlay, minutes, lastDay };
}

function stretches(spans: readonly { from: number; to: number; minutes: Minutes }[]): Stretch[] {
  const all: Stretch[] = [];
  for (const { from, to, minutes } of [...spans].sort((a, b) => a.from - b.from || a.to - b.to)) {
    let last = all.at(-1);
    if (!last || from > last.to) all.push((last = { from, to, due: [] }));
    last.to = Math.max(last.to, to);
    last.due.push({ at: to, minutes });
  }
  return all;
}

/** As evenly by weight as what is due allows: after each due day the path to the next that asks most a weight, and so on. */
function spread(all: readonly Stretch[], open: Uint8Array, target: readonly Minutes[]): Float64Array {
  const byDay = new Float64Array(open.length);
  const weigh = (d: number) => (open[d] === 1 ? Math.max(target[d]!, 0.01) : 0);
  let before = 0;
  let filled = 0;
  for (const { from, to, due } of all) {
    byDay.fill(before, filled, from);
    const ends = dueByEnd(due);
    let [day, done] = [from, 0];
    while (day <= to && ends.length > 0) {
      const next = steepest(ends, day, done, weigh);
      const slope = next.weight > 0 ? (next.minutes - done) / next.weight : 0;
      for (; day <= next.at; day += 1) byDay[day] = before + (done += slope * weigh(day));
      done = next.minutes;
      while (ends.length > 0 && ends[0]!.at <= next.at) ends.shift();
    }
    before += due.reduce((sum, { minutes }) => sum + minutes, 0);
    filled = to + 1;
  }
  byDay.fill(before, filled);
  return byDay;
}

/** Minutes due in all by each end, in time order. */
function dueByEnd(due: Stretch['due']): { at: number; minutes: Minutes }[] {
  let sum = 0;
  return [...due].sort((a, b) => a.at - b.at).map(({ at, minutes }) => ({ at, minutes: (sum += minutes) }));
}

/** The end that asks most a weight from here. */
function steepest(
  ends: ReturnType<typeof dueByEnd>,
  day: number,
  done: number,
  weigh: (d: number) => number
) {
  let best = { at: day, minutes: done, weight: 0 };
  let [slope, weight, d] = [-1, 0, day];
  for (const { at, minutes } of ends) {
    for (; d <= at; d += 1) weight += weigh(d);
    const steep = (minutes - done) / Math.max(weight, 1e-9);
    if (steep >= slope) {
      slope = steep;
      best = { at, minutes, weight };
    }
  }
  return best;
}

function leastByDay(
  task: BlockTask,
  table: DayTable,
  own: readonly number[],
  item: number,
  canPlay: Uint8Array
): Float64Array {
  const { demands, placed } = task;
  const closing = new Map<DayNumber, Minutes>();
  for (const r of own) {
    const day = Math.max(...demands.rows[r]!.cells.map((cell) => demands.columns[cell.column]!.days.at(-1)!));
    closing.set(day, (closing.get(day) ?? 0) + placed[r]!);
  }
  const least = new Float64Array(table.days.length);
  let due = 0;
  table.days.forEach((day, d) => {
    due += closing.get(day) ?? 0;
    if (closing.has(day)) least[d] = due;
  });
  for (let d = least.length - 2; d >= 0; d -= 1) {
    const next = canPlay[d + 1] === 1 ? mostOn(task, item, table.days[d + 1]!) : 0;
    least[d] = Math.max(least[d]!, least[d + 1]! - next);
  }
  return least;
}

/**
 * From even load to whole blocks: which item plays on which day, and for how many minutes, so that no block is shorter than the least
 * useful, items come round as a teacher would have them, and the days stay as even as blocks let them. Dealt day by day (deal.ts); only
 * where that leaves minutes without a block a flow over all days finds them one (whole-blocks.ts). What finds none is handed back, never bent.
 */
import type { DayNumber, Minutes, Share } from '../units';
import type { BlockTask, Blocks, DayTable } from './block-task';
import { dealBlocks } from './deal';
import type { Level } from './heavy-side';
import { roundBlocks } from './whole-blocks';

/** The same task gives the same blocks. Cost: days x items, and some flows over them where days are full. */
export function layBlocks(task: BlockTask): Blocks {
  const table = readDays(task);
  const dealt = dealBlocks(task, table);
  if (dealt.missing === 0) return dealt;
  const found = fewerMissing(dealt, roundBlocks(task, table, dealt));
  // from nothing only where what was dealt stands in the way of a whole block
  if (!hasBlockLeft(task, found)) return found;
  return fewerMissing(found, roundBlocks(task, table, { placements: [], left: task.placed }));
}

/** Whether an item has as much left as makes a block. */
function hasBlockLeft({ demands, items, least }: BlockTask, { left }: Blocks): boolean {
  const ofItem = Array<Minutes>(items).fill(0);
  demands.rows.forEach((row, r) => (ofItem[row.item]! += left[r]!));
  return ofItem.some((minutes, item) => minutes > 0 && minutes >= least[item]!);
}

/** The one of two that has fewer minutes without a block; the first where they have as many. */
export const fewerMissing = <S extends { readonly missing: Minutes }>(a: S, b: S): S =>
  b.missing < a.missing ? b : a;

/** Whole targets: within each level the days' minutes and touches together are as even as can be; ties go to the earlier day. */
function readDays({ demands, levels, touched }: BlockTask): DayTable {
  const all = demands.columns
    .flatMap(({ days, room, load }, column) =>
      days.map((day) => ({ day, column, room, load, beside: touched.get(day)?.minutes ?? 0 }))
    )
    .sort((a, b) => a.day - b.day);
  const ofLevel = new Map<object, typeof all>();
  for (const one of all) {
    const level = levels.ofColumn[one.column]!;
    ofLevel.set(level, [...(ofLevel.get(level) ?? []), one]);
  }
  const targets = new Map<DayNumber, Minutes>();
  for (const [level, days] of ofLevel) {
    const { minutes, room } = level as Level;
    const there = days.reduce((sum, d) => sum + d.room + d.load, 0);
    const share = shareBeside(days, (minutes * there) / room);
    let [due, given] = [0, 0];
    for (const { day, room: free, load, beside } of days) {
      due += Math.max(0, share * (free + load + beside) - beside - load);
      const whole = Math.max(0, Math.min(free, Math.ceil(due - given - 1e-9)));
      targets.set(day, whole);
      given += whole;
    }
  }
  return {
    days: all.map((d) => d.day),
    column: all.map((d) => d.column),
    room: all.map((d) => d.room),
    load: all.map((d) => d.load),
    target: all.map((d) => targets.get(d.day)!)
  };
}

type DayRoom = { readonly room: Minutes; readonly load: Minutes; readonly beside: Minutes };

/** The share of their whole minutes up to which days are filled, touches counted, so that so many minutes lie on them. */
function shareBeside(days: readonly DayRoom[], minutes: Minutes): Share {
  const filled = (share: Share) =>
    days.reduce(
      (sum, { room, load, beside }) =>
        sum + Math.max(load, Math.min(room + load, share * (room + load + beside) - beside)),
      0
    );
  let [low, high] = [0, 1];
  for (let i = 0; i < 40; i += 1) {
    const middle = (low + high) / 2;
    if (filled(middle) < minutes) low = middle;
    else high = middle;
  }
  return high;
}

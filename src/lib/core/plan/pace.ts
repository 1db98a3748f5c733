/**
 * The even pace of each item: its own minutes spread over the days it can use, in proportion to the even load, within its
 * windows and its most per day. What the days' blocks are dealt by.
 */
import type { DayNumber, Minutes } from '../units';
import { type BlockTask, type DayTable, mostOn } from './block-task';
import type { Row } from './demand';
import { levelLoad } from './level';

/** For each item, minutes it should have had by the end of each day to come round evenly; and where it can play. */
export type Pace = {
  readonly byDay: readonly Float64Array[];
  /** The least it must have had by the end of each day for the rest to be possible at its most per day. */
  readonly least: readonly Float64Array[];
  readonly canPlay: readonly Uint8Array[];
  readonly minutes: Minutes[];
};

/** Finer than a minute, so that the weights of light columns keep their proportions. */
const PACE_GRAIN = 64;

export function readPace(task: BlockTask, table: DayTable): Pace {
  const { demands, placed, levels, items } = task;
  const { columns, rows } = demands;
  const ofItem: number[][] = Array.from({ length: items }, () => []);
  rows.forEach((row, r) => placed[r]! > 0 && ofItem[row.item]!.push(r));
  const weight = columns.map(({ room, load, days }, c) => {
    const level = levels.ofColumn[c]!;
    const minutes = (level.minutes * (room + load)) / level.room - load;
    return Math.max(1, Math.round(PACE_GRAIN * minutes * days.length));
  });
  const byDay: Float64Array[] = [];
  const canPlay: Uint8Array[] = [];
  const least: Float64Array[] = [];
  const minutes: Minutes[] = [];
  ofItem.forEach((own, item) => {
    const used = [...new Set(own.flatMap((r) => levels.useful[r]!))].sort((a, b) => a - b);
    const at = new Map(used.map((column, i) => [column, i]));
    const ownRows = own.map((r): Row => {
      const useful = new Set(levels.useful[r]);
      const cells = rows[r]!.cells.filter((cell) => useful.has(cell.column));
      return {
        item: 0,
        minutes: placed[r]!,
        cells: cells.map((cell) => ({ ...cell, column: at.get(cell.column)! }))
      };
    });
    const even = levelLoad(
      ownRows,
      ownRows.map((row) => row.minutes),
      used.map((c) => weight[c]!)
    );
    const perDay = columns.map((_, c) => {
      const i = at.get(c);
      if (i === undefined) return 0;
      const level = even.ofColumn[i]!;
      return (level.minutes / level.room) * (weight[c]! / columns[c]!.days.length);
    });
    let sum = 0;
    byDay.push(Float64Array.from(table.column, (c) => (sum += perDay[c]!)));
    canPlay.push(Uint8Array.from(table.column, (c) => (at.has(c) ? 1 : 0)));
    minutes.push(ownRows.reduce((total, row) => total + row.minutes, 0));
    least.push(leastByDay(task, table, own, item, canPlay.at(-1)!));
  });
  return { byDay, least, canPlay, minutes };
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

/**
 * The minutes of blocks whose days are chosen: every block at least the least useful, no day over its room, each window's
 * minutes within it, and the days as near their targets as the choice of days lets them be. Decided by one flow.
 */
import type { Minutes } from '../units';
import { type BlockTask, type DayTable, type Sized, mostOn } from './block-task';
import type { Row } from './demand';
import { Transport } from './transport';

/** An item plays on a day; `day` is its place in the table of days. */
export type Pair = { readonly item: number; readonly day: number };

export function sizeBlocks(task: BlockTask, table: DayTable, pairs: readonly Pair[]): Sized {
  const { demands, placed } = task;
  const left = [...placed];
  const begun = beginBlocks(task, table, pairs, left);
  const reserved = table.days.map(() => 0);
  for (const { day, minutes } of begun.placements) reserved[day]! += minutes;

  const cells = demands.rows.map((): Row['cells'][number][] => []);
  for (const pair of begun.pairs) {
    const day = table.days[pair.day]!;
    const most = mostOn(task, pair.item, day) - pair.minutes;
    if (most > 0) for (const r of pair.rows) cells[r]!.push({ column: pair.day, most });
  }
  const rows = demands.rows.map((row, r): Row => ({ item: row.item, minutes: left[r]!, cells: cells[r]! }));
  const rooms = table.target.map((target, d) => Math.max(0, target - reserved[d]!));
  const transport = new Transport(rows, rooms, task.items);
  rows.forEach((row, r) => transport.ask(r, row.minutes));
  let missing = left.reduce((sum, minutes) => sum + minutes, 0) - transport.send();
  const roomiest = Math.max(0, ...table.room);
  for (let over = 1; missing > 0 && over < 2 * roomiest; over *= 2) {
    table.room.forEach((room, d) => {
      const wider = Math.min(room - reserved[d]!, Math.max(0, table.target[d]! + over - reserved[d]!));
      if (wider > rooms[d]!) transport.widenColumn(d, wider - rooms[d]!);
      rooms[d] = Math.max(rooms[d]!, wider);
    });
    missing -= transport.send();
  }

  const placements = begun.placements.map((p) => ({
    row: p.row,
    day: table.days[p.day]!,
    minutes: p.minutes
  }));
  const load = [...reserved];
  rows.forEach((row, r) => {
    left[r]! -= transport.placed(r);
    transport.minutes(r).forEach((minutes, i) => {
      if (minutes === 0) return;
      const d = row.cells[i]!.column;
      placements.push({ row: r, day: table.days[d]!, minutes });
      load[d]! += minutes;
    });
  });
  return { placements, left, missing, load };
}

type Begun = {
  pairs: { item: number; day: number; rows: number[]; minutes: Minutes }[];
  placements: { row: number; day: number; minutes: Minutes }[];
};

/**
 * Gives every block its least minutes, from the windows that close first; what they give is taken off `left`.
 * A day whose windows can no longer give the least is dropped.
 */
function beginBlocks(task: BlockTask, table: DayTable, pairs: readonly Pair[], left: Minutes[]): Begun {
  const { demands } = task;
  const ofItem: number[][] = Array.from({ length: task.items }, () => []);
  demands.rows.forEach((row, r) => ofItem[row.item]!.push(r));
  const columns = demands.rows.map((row) => new Set(row.cells.map((cell) => cell.column)));
  const closes = demands.rows.map((row) =>
    Math.max(-1, ...row.cells.map((c) => demands.columns[c.column]!.days.at(-1)!))
  );
  for (const own of ofItem) own.sort((a, b) => closes[a]! - closes[b]! || a - b);

  const begun: Begun = { pairs: [], placements: [] };
  const room = [...table.room];
  for (const { item, day } of [...pairs].sort((a, b) => a.day - b.day)) {
    const rows = ofItem[item]!.filter((r) => columns[r]!.has(table.column[day]!));
    const isThere = task.lying.ofDemand(item, table.days[day]!) > 0;
    const least = isThere ? 1 : task.least[item]!;
    const can = rows.reduce((sum, r) => sum + left[r]!, 0);
    if (can < least || room[day]! < least || mostOn(task, item, table.days[day]!) < least) continue;
    let wanted = least;
    for (const r of rows) {
      const minutes = Math.min(wanted, left[r]!);
      if (minutes === 0) continue;
      left[r]! -= minutes;
      wanted -= minutes;
      begun.placements.push({ row: r, day, minutes });
    }
    room[day]! -= least;
    begun.pairs.push({ item, day, rows, minutes: least });
  }
  return begun;
}

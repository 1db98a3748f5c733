/**
 * Where dealt days leave minutes over: all days of every window are opened and the flow is completed, which always
 * succeeds; then each block that came out too short is emptied onto others or filled up from them, one after the other. Only
 * what can do neither is handed back.
 */
import type { Minutes } from '../units';
import { type BlockTask, type DayTable, type Placement, type Sized, mostOn } from './block-task';
import type { Row } from './demand';
import { Transport } from './transport';

/** A block of at least this share of its least is rather filled up than emptied (judgement). */
const WORTH_FILLING = 0.5;

export function roundBlocks(
  task: BlockTask,
  table: DayTable,
  sized: Pick<Sized, 'placements' | 'left'>
): Sized {
  const rows = openAllDays(task, table);
  const transport = new Transport(rows, table.room, task.items);
  const cellsOf = rows.map((_, r) => transport.cellsOf(r));
  const dayAt = new Map(table.days.map((day, d) => [day, d]));
  for (const { row, day, minutes } of sized.placements)
    transport.preset(row, cellsOf[row]!.get(dayAt.get(day)!)!, minutes);
  sized.left.forEach((minutes, r) => transport.ask(r, minutes));
  transport.send();

  const least = new Int32Array(transport.cellCount);
  rows.forEach((row, r) => {
    for (const [d, cell] of cellsOf[r]!)
      least[cell] = task.lying.ofDemand(row.item, table.days[d]!) > 0 ? 1 : task.least[row.item]!;
  });
  settle(transport, least);
  transport.shutEmpty();
  rows.forEach((row, r) => transport.ask(r, row.minutes - transport.placed(r)));
  transport.send();
  transport.even(table.target, table.room);
  return read(task, table, transport, rows);
}

/** Every cell ends with nothing or with its least; a settled one stays so. Ends because each is settled once. */
function settle(transport: Transport, least: Int32Array): void {
  const isSettled = new Uint8Array(least.length);
  const lock = (cell: number) => {
    isSettled[cell] = 1;
    transport.lock(cell, least[cell]!);
  };
  for (let cell = 0; cell < least.length; cell += 1)
    if (transport.cellMinutes(cell) >= least[cell]!) lock(cell);
  for (let isOpen = true; isOpen;) {
    isOpen = false;
    for (let cell = 0; cell < least.length; cell += 1) {
      const minutes = transport.cellMinutes(cell);
      if (isSettled[cell] === 1 || minutes === 0) continue;
      isOpen = true;
      if (settleOne(transport, cell, minutes, least[cell]!)) lock(cell);
      else isSettled[cell] = 1;
    }
  }
}

/** True where the cell was filled up to its least; else it is empty. */
function settleOne(transport: Transport, cell: number, minutes: Minutes, least: Minutes): boolean {
  if (minutes >= least) return true;
  if (minutes < least * WORTH_FILLING && transport.empty(cell) === 0) return false;
  if (transport.fill(cell, least) >= least) return true;
  if (transport.empty(cell) > 0) transport.drop(cell);
  return false;
}

function openAllDays(task: BlockTask, table: DayTable): Row[] {
  return task.demands.rows.map((row, r): Row => {
    const columns = new Set(row.cells.map((cell) => cell.column));
    const cells =
      task.placed[r] === 0
        ? []
        : table.days.flatMap((day, d) => {
            const most = columns.has(table.column[d]!) ? mostOn(task, row.item, day) : 0;
            return most > 0 ? [{ column: d, most }] : [];
          });
    return { item: row.item, minutes: task.placed[r]!, cells };
  });
}

function read(task: BlockTask, table: DayTable, transport: Transport, rows: readonly Row[]): Sized {
  const placements: Placement[] = [];
  const load = table.days.map(() => 0);
  const left = rows.map((row, r) => {
    transport.minutes(r).forEach((minutes, i) => {
      if (minutes === 0) return;
      const d = row.cells[i]!.column;
      placements.push({ row: r, day: table.days[d]!, minutes });
      load[d]! += minutes;
    });
    return task.placed[r]! - transport.placed(r);
  });
  for (let r = 0; r < rows.length; r += 1)
    left[r]! -= useSpare(task, table, r, rows[r]!, left[r]!, placements, load);
  return { placements, left, missing: left.reduce((sum, m) => sum + m, 0), load };
}

/** Puts what is left of a row onto any of its days that still has a block's room, or on which its item plays already. */
function useSpare(
  task: BlockTask,
  table: DayTable,
  r: number,
  row: Row,
  left: Minutes,
  placements: Placement[],
  load: Minutes[]
): Minutes {
  let used = 0;
  for (const { column: d, most } of left > 0 ? row.cells : []) {
    const day = table.days[d]!;
    const there = placements
      .filter((p) => p.day === day && task.demands.rows[p.row]!.item === row.item)
      .reduce((sum, p) => sum + p.minutes, task.lying.ofDemand(row.item, day));
    const minutes = Math.min(
      left - used,
      table.room[d]! - load[d]!,
      most - there + task.lying.ofDemand(row.item, day)
    );
    if (minutes <= 0 || (there === 0 && minutes < task.least[row.item]!)) continue;
    placements.push({ row: r, day, minutes });
    load[d]! += minutes;
    used += minutes;
  }
  return used;
}

/**
 * The evenest load: minutes per column that make the sum of load^2 / room least, exactly, as fractions of whole numbers.
 * The columns fall into levels; within one, load is the same share of the room. A level is found by trying one
 * share for all and splitting along the minimum cut where that does not hold: on its heavy side everything stays that
 * cannot leave, on its light side everything that need not be there. Column totals are unique; which row lies where is not.
 * Source: Fujishige (1980), lexicographically optimal base; the decomposition by successive minimum cuts.
 * It asks that everything fits without regard to the room (most-per-day alone); levels may then exceed 1.
 */
import type { Minutes } from '../units';
import type { Column, Demands, Row } from './demand';
import { type Cell, type Level, type Part, heavySide } from './heavy-side';

export type Levels = {
  /** One for each column; columns of one level share the object. */
  readonly ofColumn: readonly Level[];
  /** For each row, the columns it can still use without making the load less even. */
  readonly useful: readonly (readonly number[])[];
};

/**
 * `rooms` are whole and over 0, `minutes` what each row really places, `loads` what lies on the columns already.
 * Cost: one flow for each level, twice at most.
 */
function levelLoad(
  rows: readonly Row[],
  minutes: readonly Minutes[],
  rooms: readonly Minutes[],
  loads: readonly Minutes[] = rooms.map(() => 0)
): Levels {
  const left = [...minutes];
  const base = [...loads];
  const ofColumn: Level[] = rooms.map((room, c) => ({ minutes: loads[c]!, room }));
  const useful: number[][] = rows.map(() => []);
  const first = wholePart(rows, left, rooms.length);
  const open: Part[] = first.columns.length > 0 ? [first] : [];
  for (let part = open.pop(); part; part = open.pop()) {
    const level = commonLevel(part, left, base, rooms);
    const split = splitAt(part, level, left, base, rooms, useful);
    if (split) open.push(...split);
    else {
      for (const column of part.columns) ofColumn[column] = level;
      for (const cell of part.cells)
        if (!cell.isDrain) for (const row of cell.rows) useful[row]!.push(cell.column);
    }
  }
  return { ofColumn, useful: useful.map((columns) => columns.sort((a, b) => a - b)) };
}

/** The evenest load of what is asked: levels of the columns' whole capacities. */
export function levelDemands({ rows, columns }: Demands, placed: readonly Minutes[]): Levels {
  const capacities = columns.map((c) => (c.room + c.load) * c.days.length);
  return levelLoad(
    rows,
    placed,
    capacities,
    columns.map((c) => c.load * c.days.length)
  );
}

/** The sum of load^2 / capacity that the levels make, over the columns. */
export function unevenness(levels: Levels, columns: readonly Column[]): number {
  return columns.reduce((sum, { days, room, load }, c) => {
    const share = levels.ofColumn[c]!.minutes / levels.ofColumn[c]!.room;
    return sum + share * share * (room + load) * days.length;
  }, 0);
}

function wholePart(rows: readonly Row[], left: readonly Minutes[], columns: number): Part {
  const cells = new Map<number, Cell>();
  rows.forEach((row, r) => {
    if (left[r] === 0) return;
    for (const { column, most } of row.cells) {
      const key = row.item * columns + column;
      const cell = cells.get(key);
      if (cell) {
        cell.rows.push(r);
        cell.isShared = true;
      } else cells.set(key, { column, most, rows: [r], isShared: false, isDrain: false });
    }
  });
  const isUsed = new Set([...cells.values()].map((cell) => cell.column));
  return {
    rows: rows.flatMap((_, r) => (left[r]! > 0 ? [r] : [])),
    columns: [...isUsed].sort((a, b) => a - b),
    cells: [...cells.values()]
  };
}

function commonLevel(
  part: Part,
  left: readonly number[],
  base: readonly number[],
  rooms: readonly number[]
): Level {
  let minutes = 0;
  let room = 0;
  for (const r of part.rows) minutes += left[r]!;
  for (const c of part.columns) {
    minutes += base[c]!;
    room += rooms[c]!;
  }
  for (const cell of part.cells) if (cell.isDrain) minutes -= cell.most;
  const by = commonDivisor(minutes, room);
  return { minutes: minutes / by, room: room / by };
}

function commonDivisor(a: number, b: number): number {
  return b === 0 ? Math.max(1, a) : commonDivisor(b, a % b);
}

/** Null where the whole part can lie at `level`; else its heavy and its light side. */
function splitAt(
  part: Part,
  level: Level,
  left: number[],
  base: number[],
  rooms: readonly number[],
  useful: number[][]
): Part[] | null {
  const side = heavySide(part, level, { left, base, rooms });
  if (!side) return null;
  const [heavy, light]: [Part, Part] = [emptyPart(), emptyPart()];
  const sideOf = (isHeavy: boolean) => (isHeavy ? heavy : light);
  for (const r of part.rows) sideOf(side.hasRow(r)).rows.push(r);
  for (const c of part.columns) sideOf(side.hasColumn(c)).columns.push(c);
  for (const cell of part.cells) {
    const isHeavy = side.hasCell(cell);
    const goesToHeavy = cell.isDrain ? isHeavy : side.hasColumn(cell.column);
    cell.rows = cell.rows.filter((row) => side.hasRow(row) === isHeavy);
    if (isHeavy && !goesToHeavy) {
      leaveFull(cell, left, base, useful);
      if (cell.isShared) heavy.cells.push({ ...cell, isDrain: true });
    } else if (isHeavy === goesToHeavy && (cell.isDrain || cell.rows.length > 0))
      sideOf(isHeavy).cells.push(cell);
  }
  return [heavy, light];
}

const emptyPart = (): Part => ({ rows: [], columns: [], cells: [] });

/** A cell from the heavy to the light side carries all it may: fixed load for the one, less to place for the other. */
function leaveFull(cell: Cell, left: number[], base: number[], useful: number[][]): void {
  base[cell.column]! += cell.most;
  if (!cell.isShared) left[cell.rows[0]!]! -= cell.most;
  for (const row of cell.rows) useful[row]!.push(cell.column);
}

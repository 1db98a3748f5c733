/**
 * Whether a part of the days can carry what its rows place at one level, as a flow: from the source through rows, shared cells and columns
 * to the sink. Where not all of it arrives, the minimum cut has the heavy side: what is reached from the source and cannot leave.
 */
import type { Minutes } from '../units';
import { FlowNetwork } from './network';

const [SOURCE, SINK, FIRST] = [0, 1, 2];

/** Load of a column as a share of its room: minutes / room, both whole. */
export type Level = { readonly minutes: number; readonly room: number };

/** Where several rows of one item share a column, they share its most. A drain leads out of the level, and is full. */
export type Cell = { column: number; most: Minutes; rows: number[]; isShared: boolean; isDrain: boolean };

export type Part = { readonly rows: number[]; readonly columns: number[]; readonly cells: Cell[] };

type Minuted = {
  /** What each row still places. */
  readonly left: readonly Minutes[];
  /** What lies on each column already. */
  readonly base: readonly Minutes[];
  readonly rooms: readonly Minutes[];
};

export type Side = {
  readonly hasRow: (row: number) => boolean;
  readonly hasColumn: (column: number) => boolean;
  readonly hasCell: (cell: Cell) => boolean;
};

/** Null where all of it arrives. Minutes are scaled by the level's room, so that all arcs are whole. */
export function heavySide(part: Part, level: Level, { left, base, rooms }: Minuted): Side | null {
  const node = numberNodes(part);
  const network = new FlowNetwork(node.count, countArcs(part));
  const scale = level.room;
  let asked = 0;
  for (const r of part.rows) {
    network.addArc(SOURCE, node.ofRow(r), left[r]! * scale);
    asked += left[r]! * scale;
  }
  for (const c of part.columns) {
    network.addArc(node.ofColumn(c), SINK, rooms[c]! * level.minutes);
    if (base[c]! > 0) network.addArc(SOURCE, node.ofColumn(c), base[c]! * scale);
    asked += base[c]! * scale;
  }
  for (const cell of part.cells) {
    const to = cell.isDrain ? SINK : node.ofColumn(cell.column);
    const shared = node.ofCell(cell);
    if (shared === undefined) network.addArc(node.ofRow(cell.rows[0]!), to, cell.most * scale);
    else {
      for (const row of cell.rows) network.addArc(node.ofRow(row), shared, Infinity);
      network.addArc(shared, to, cell.most * scale);
    }
  }
  if (network.send(SOURCE, SINK) === asked) return null;
  const isReached = network.reachable(SOURCE);
  const hasRow = (row: number) => isReached[node.ofRow(row)] === 1;
  return {
    hasRow,
    hasColumn: (column) => isReached[node.ofColumn(column)] === 1,
    // a cell of one row is where its row is
    hasCell: (cell) => (cell.isShared ? isReached[node.ofCell(cell)!] === 1 : hasRow(cell.rows[0]!))
  };
}

/** Source and sink, then a node for each row, column and shared cell. */
function numberNodes({ rows, columns, cells }: Part) {
  const rowNode = new Map(rows.map((r, i) => [r, FIRST + i]));
  const columnNode = new Map(columns.map((c, i) => [c, FIRST + rows.length + i]));
  const shared = cells.filter((cell) => cell.isShared);
  const firstCell = FIRST + rows.length + columns.length;
  const cellNode = new Map(shared.map((cell, i) => [cell, firstCell + i]));
  return {
    count: firstCell + shared.length,
    ofRow: (row: number) => rowNode.get(row)!,
    ofColumn: (column: number) => columnNode.get(column)!,
    /** Undefined where one row alone has it. */
    ofCell: (cell: Cell) => cellNode.get(cell)
  };
}

function countArcs({ rows, columns, cells }: Part): number {
  const shared = cells.reduce((sum, cell) => sum + (cell.isShared ? cell.rows.length : 0), 0);
  return rows.length + 2 * columns.length + cells.length + shared;
}

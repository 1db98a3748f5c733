/**
 * The network behind rows and columns: source, rows, cells that several rows of one item share, columns, sink.
 * Only here is it known how nodes are numbered. Rows are opened by their caller, so that some can be served first.
 */
import type { Row } from './demand';
import { FlowNetwork } from './network';

const SOURCE = 0;
const SINK = 1;
/** More than any row asks; finite, so that flow can be put on it and taken off again. */
const UNBOUNDED = 1e9;

/** An item on a column; `node` is there where several of its rows share it, `arc` carries all its minutes. */
type Cell = { rows: number[]; column: number; most: number; node: number; arcs: number[]; arc: number };

export class Transport {
  readonly #network: FlowNetwork;
  readonly #supply: number[];
  readonly #drain: number[];
  readonly #cells: Cell[] = [];
  readonly #rowCells: number[][];
  readonly #columnNode: (column: number) => number;

  constructor(rows: readonly Row[], rooms: readonly number[], items: number) {
    const at = new Int32Array(items * rooms.length).fill(-1);
    this.#rowCells = rows.map((row, r) =>
      row.cells.map(({ column, most }) => {
        const key = row.item * rooms.length + column;
        if (at[key] === -1)
          at[key] = this.#cells.push({ rows: [], column, most, node: -1, arcs: [], arc: -1 }) - 1;
        this.#cells[at[key]!]!.rows.push(r);
        return at[key]!;
      })
    );
    const shared = this.#cells.filter((cell) => cell.rows.length > 1);
    const rowNode = (row: number) => 2 + row;
    this.#columnNode = (column) => 2 + rows.length + column;
    const cellNode = 2 + rows.length + rooms.length;
    shared.forEach((cell, i) => (cell.node = cellNode + i));
    const arcs = rows.length + rooms.length + shared.length + rows.reduce((n, r) => n + r.cells.length, 0);
    this.#network = new FlowNetwork(cellNode + shared.length, arcs);
    this.#supply = rows.map((_, r) => this.#network.addArc(SOURCE, rowNode(r), 0));
    this.#drain = rooms.map((room, c) => this.#network.addArc(this.#columnNode(c), SINK, room));
    for (const cell of this.#cells) {
      const [only] = cell.rows;
      if (cell.node < 0) {
        cell.arc = this.#network.addArc(rowNode(only!), this.#columnNode(cell.column), cell.most);
        cell.arcs = [cell.arc];
      } else {
        cell.arcs = cell.rows.map((row) => this.#network.addArc(rowNode(row), cell.node, UNBOUNDED));
        cell.arc = this.#network.addArc(cell.node, this.#columnNode(cell.column), cell.most);
      }
    }
  }

  /** Asks `minutes` more for a row; they flow with the next `send`. */
  ask(row: number, minutes: number): void {
    this.#network.widen(this.#supply[row]!, minutes);
  }

  widenColumn(column: number, more: number): void {
    this.#network.widen(this.#drain[column]!, more);
  }

  send(): number {
    return this.#network.send(SOURCE, SINK);
  }

  placed(row: number): number {
    return this.#network.flow(this.#supply[row]!);
  }

  /** Puts minutes of a row onto one of its cells, as asked and placed already. */
  preset(row: number, cell: number, minutes: number): void {
    const { arcs, arc, rows, column } = this.#cells[cell]!;
    const own = arcs[rows.indexOf(row)]!;
    for (const each of new Set([own, arc, this.#drain[column]!])) this.#network.force(each, minutes);
    this.#network.widen(this.#supply[row]!, minutes);
    this.#network.force(this.#supply[row]!, minutes);
  }

  /** The cells of a row, by column. */
  cellsOf(row: number): ReadonlyMap<number, number> {
    return new Map(this.#rowCells[row]!.map((cell) => [this.#cells[cell]!.column, cell]));
  }

  get cellCount(): number {
    return this.#cells.length;
  }

  cellMinutes(cell: number): number {
    return this.#network.flow(this.#cells[cell]!.arc);
  }

  /** From now on the cell keeps at least `least` of its minutes. */
  lock(cell: number, least: number): void {
    this.#network.lock(this.#cells[cell]!.arc, least);
  }

  /** Lets a cell carry `more`. */
  widenCell(cell: number, more: number): void {
    this.#network.widen(this.#cells[cell]!.arc, more);
  }

  /** Moves what a cell carries to other cells; returns the minutes that found none and stay. A cell emptied stays shut. */
  empty(cell: number): number {
    const { arc } = this.#cells[cell]!;
    const [from, to] = this.#ends(cell);
    const minutes = this.#network.flow(arc);
    const putBack = this.#network.without(arc);
    const stay = minutes - this.#network.send(from, to, minutes);
    if (stay > 0) putBack(stay);
    return stay;
  }

  /** Moves minutes from other cells to this one until it has `least`; returns what it then has. */
  fill(cell: number, least: number): number {
    const { arc } = this.#cells[cell]!;
    const [from, to] = this.#ends(cell);
    const minutes = this.#network.flow(arc);
    const putBack = this.#network.without(arc);
    const now = minutes + this.#network.send(to, from, least - minutes);
    putBack(now);
    return now;
  }

  /** Takes a cell's minutes out of the flow altogether and shuts it. */
  drop(cell: number): void {
    const { rows, arcs, arc, column, node } = this.#cells[cell]!;
    this.#network.force(this.#drain[column]!, -this.#network.flow(arc));
    rows.forEach((row, i) => {
      const minutes = this.#network.flow(arcs[i]!);
      this.#network.force(this.#supply[row]!, -minutes);
      this.#network.widen(this.#supply[row]!, -minutes);
      if (node >= 0) this.#network.force(arcs[i]!, -minutes);
    });
    this.#network.without(arc);
  }

  /** Lets no minutes flow through a cell that carries none. */
  shutEmpty(): void {
    for (const { arc } of this.#cells) if (this.#network.flow(arc) === 0) this.#network.without(arc);
  }

  /**
   * Moves what columns carry beyond `targets` to columns below theirs; where that cannot be, beyond them by as little as
   * doubling steps find. No column goes over its room.
   */
  even(targets: readonly number[], rooms: readonly number[]): void {
    const over = this.#drain.map((drain, c) => Math.max(0, this.#network.flow(drain) - targets[c]!));
    const allowed = targets.map((target, c) => Math.min(target, rooms[c]!));
    this.#drain.forEach((drain, c) => {
      this.#network.force(drain, -over[c]!);
      this.#network.widen(drain, allowed[c]! - rooms[c]!);
    });
    for (let step = 1; over.some((minutes) => minutes > 0); step *= 2) {
      for (let c = 0; c < over.length; c += 1)
        if (over[c]! > 0) over[c]! -= this.#network.send(this.#columnNode(c), SINK, over[c]!);
      this.#drain.forEach((_, c) => {
        const wider = Math.min(rooms[c]!, targets[c]! + step);
        if (wider > allowed[c]!) this.widenColumn(c, wider - allowed[c]!);
        allowed[c] = Math.max(allowed[c]!, wider);
      });
    }
  }

  #ends(cell: number): [number, number] {
    const { rows, column, node } = this.#cells[cell]!;
    return [node >= 0 ? node : 2 + rows[0]!, this.#columnNode(column)];
  }

  /** Minutes of each cell of a row, in the order of its cells. */
  minutes(row: number): number[] {
    return this.#rowCells[row]!.map((index) => {
      const cell = this.#cells[index]!;
      return this.#network.flow(cell.arcs[cell.rows.indexOf(row)]!);
    });
  }

  /** The rows and columns that more minutes could still reach, and the cells through which no more gets out of them. */
  cut(): {
    rows: number[];
    columns: number[];
    /** Rows and columns that hang together within the cut. */
    ties: { rows: number[]; column: number | null; most: number }[];
  } {
    const isIn = this.#network.reachable(SOURCE);
    const rows = this.#supply.flatMap((_, r) => (isIn[2 + r] ? [r] : []));
    const columns = this.#drain.flatMap((_, c) => (isIn[this.#columnNode(c)] ? [c] : []));
    const ties = this.#cells.flatMap((cell) => {
      const inside = cell.rows.filter((row) => isIn[2 + row]);
      if (inside.length === 0) return [];
      const column = isIn[this.#columnNode(cell.column)] ? cell.column : null;
      return [{ rows: inside, column, most: column === null ? cell.most : 0 }];
    });
    return { rows, columns, ties };
  }
}

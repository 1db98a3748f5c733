/**
 * Whether all that is asked fits, decided exactly by maximum flow in whole minutes; where it does not, the minimum
 * cut nearest the source says why, in parts that hang together. The first rows are served first, so that
 * what is short falls on the lowest of the teacher's order.
 */
import type { Minutes } from '../units';
import type { Demands, Row } from './demand';
import { Transport } from './transport';

/**
 * One part of the reason: what these rows need, less what these columns have, less what most-per-day still lets them have
 * elsewhere, is what is short. Without columns, most-per-day alone is the limit and more minutes do not help.
 */
type ShortPart = {
  readonly rows: readonly number[];
  readonly columns: readonly number[];
  readonly neededMin: Minutes;
  readonly thereMin: Minutes;
  readonly elsewhereMin: Minutes;
  readonly shortMin: Minutes;
};

export type Fit = { readonly placed: readonly Minutes[]; readonly parts: readonly ShortPart[] };

/** The minutes of each row that fit; no other way places more in all. `items` is one more than the highest item. */
export function findFit({ rows, columns }: Demands, items: number): Fit {
  const rooms = columns.map((c) => c.room * c.days.length);
  const asked = rows.reduce((sum, row) => sum + row.minutes, 0);
  const whole = new Transport(rows, rooms, items);
  rows.forEach((row, r) => whole.ask(r, row.minutes));
  if (whole.send() === asked) return { placed: rows.map((row) => row.minutes), parts: [] };

  const inOrder = new Transport(rows, rooms, items);
  rows.forEach((row, r) => {
    inOrder.ask(r, row.minutes);
    inOrder.send();
  });
  return { placed: rows.map((_, r) => inOrder.placed(r)), parts: readParts(rows, rooms, inOrder.cut()) };
}

function readParts(
  rows: readonly Row[],
  rooms: readonly Minutes[],
  cut: ReturnType<Transport['cut']>
): ShortPart[] {
  const root = new Map<string, string>();
  const find = (key: string): string => {
    const up = root.get(key) ?? key;
    if (up === key) return key;
    const top = find(up);
    root.set(key, top);
    return top;
  };
  for (const { rows: tied, column } of cut.ties) {
    const keys = [...tied.map((r) => `row ${r}`), ...(column === null ? [] : [`column ${column}`])];
    for (const key of keys) root.set(find(key), find(keys[0]!));
  }
  const parts = new Map<string, { rows: number[]; columns: number[]; elsewhere: Minutes }>();
  for (const r of cut.rows) {
    const top = find(`row ${r}`);
    const part = parts.get(top) ?? { rows: [] as number[], columns: [] as number[], elsewhere: 0 };
    part.rows.push(r);
    parts.set(top, part);
  }
  for (const c of cut.columns) parts.get(find(`column ${c}`))!.columns.push(c);
  for (const { rows: tied, most } of cut.ties) parts.get(find(`row ${tied[0]}`))!.elsewhere += most;
  return [...parts.values()].map((part) => {
    const neededMin = part.rows.reduce((sum, r) => sum + rows[r]!.minutes, 0);
    const thereMin = part.columns.reduce((sum, c) => sum + rooms[c]!, 0);
    const { elsewhere: elsewhereMin } = part;
    return {
      rows: part.rows,
      columns: part.columns,
      neededMin,
      thereMin,
      elsewhereMin,
      shortMin: neededMin - thereMin - elsewhereMin
    };
  });
}

import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type Demand, type Demands, readDemands } from './demand';
import { findFit } from './fit';
import { type Levels, levelDemands, unevenness } from './level';
import { FlowNetwork } from './network';

type Window = [from: number, to: number, minutes: number];
const demand = (windows: Window[], mostPerDay = 1000): Demand => ({
  id: 'x',
  mostPerDay,
  windows: windows.map(([from, to, minutes]) => ({ from, to, minutes }))
});

/** Exact minutes of each day, as [minutes, parts]: 45/2 is [45, 2]. */
function load(asked: Demand[], capacities: number[]) {
  const demands = readDemands(asked, new Map(capacities.map((minutes, day) => [day, minutes])));
  const { placed } = findFit(demands, asked.length);
  const levels = levelDemands(demands, placed);
  const byDay = new Map<number, number>();
  demands.columns.forEach(({ days, room }, c) => {
    const { minutes, room: whole } = levels.ofColumn[c]!;
    for (const day of days) byDay.set(day, (minutes * room) / whole);
  });
  return {
    byDay: capacities.map((_, day) => byDay.get(day) ?? 0),
    value: unevenness(levels, demands.columns)
  };
}

describe('the evenest load', () => {
  it('is the same share of every day where nothing stands in the way', () => {
    // 90 of 180 minutes: half of each day; 0.5^2 x 180 = 45
    expect(load([demand([[0, 3, 90]])], [30, 60, 0, 90])).toEqual({ byDay: [15, 30, 0, 45], value: 45 });
  });

  it('is heavier only where windows force it, and as even as can be beside that', () => {
    // 50 must lie on days 0 and 1 (25 each); 20 lie on days 2 and 3 (10 each)
    expect(load([demand([[0, 1, 50]]), demand([[0, 3, 20]])], [60, 60, 60, 60]).byDay).toEqual([
      25, 25, 10, 10
    ]);
  });

  it('has as many levels as windows make: 30, then 18, then 12', () => {
    const asked = [demand([[0, 0, 30]]), demand([[0, 2, 36]]), demand([[0, 4, 24]])];
    expect(load(asked, [60, 60, 60, 60, 60]).byDay).toEqual([30, 18, 18, 12, 12]);
  });

  it('fills a light day up to an item’s most and leaves the rest on the heavy ones', () => {
    // a may have 10 a day, so day 2 takes 10 of it; b’s 60 and a’s other 20 share days 0 and 1
    expect(load([demand([[0, 2, 30]], 10), demand([[0, 1, 60]])], [60, 60, 60]).byDay).toEqual([40, 40, 10]);
  });

  it('is exact where minutes do not divide', () => {
    // 10 minutes over three like days: 10/3 each, 3 x (10/3)^2 / 30 = 10/9
    expect(load([demand([[0, 2, 10]])], [30, 30, 30]).value).toBeCloseTo(10 / 9, 12);
  });

  it('takes two windows of one item on one day together under its most per day', () => {
    const item = demand(
      [
        [0, 1, 20],
        [0, 3, 40]
      ],
      15
    );
    expect(load([item], [90, 90, 90, 90]).byDay).toEqual([15, 15, 15, 15]);
  });

  /** Windows of two items with a most per day, drawn over a few days; small enough to try every whole minute. */
  const tiny = fc.record({
    rooms: fc.array(fc.integer({ min: 6, max: 12 }), { minLength: 3, maxLength: 3 }),
    items: fc.array(
      fc.record({
        most: fc.integer({ min: 2, max: 5 }),
        windows: fc.array(
          fc.record({ from: fc.nat(2), length: fc.nat(2), minutes: fc.integer({ min: 1, max: 5 }) }),
          { minLength: 1, maxLength: 2 }
        )
      }),
      { minLength: 1, maxLength: 2 }
    )
  });

  it('can really lie so, and no whole minutes lie more evenly: any windows that share an item’s most', () => {
    fc.assert(
      fc.property(tiny, ({ rooms, items }) => {
        const asked = items.map(({ most, windows }) =>
          demand(
            windows.map(({ from, length, minutes }) => [from, Math.min(2, from + length), minutes]),
            most
          )
        );
        const demands = readDemands(asked, new Map(rooms.map((minutes, day) => [day, minutes])));
        const { placed } = findFit(demands, asked.length);
        fc.pre(placed.every((minutes, r) => minutes === demands.rows[r]!.minutes));
        const levels = levelDemands(demands, placed);
        expect(canLie(demands, placed, levels)).toBe(true);
        expect(unevenness(levels, demands.columns)).toBeLessThanOrEqual(leastOfAll(demands, placed) + 1e-9);
      }),
      { seed: 12, numRuns: 150 }
    );
  });
});

/** Whether what is placed can lie with just these loads: a flow through each item's most in each column, in whole parts. */
function canLie(demands: Demands, placed: readonly number[], { ofColumn }: Levels): boolean {
  const { rows, columns } = demands;
  const scale = [...new Set(ofColumn.map((level) => level.room))].reduce((a, b) => a * b, 1);
  const names = rows.flatMap((row) => row.cells.map(({ column }) => `${row.item} in ${column}`));
  const first = 2 + rows.length + columns.length;
  const cells = new Map([...new Set(names)].map((name, i) => [name, first + i]));
  const network = new FlowNetwork(2 + rows.length + columns.length + cells.size, 400);
  rows.forEach((row, r) => {
    network.addArc(0, 2 + r, placed[r]! * scale);
    for (const { column } of row.cells)
      network.addArc(2 + r, cells.get(`${row.item} in ${column}`)!, Infinity);
  });
  const done = new Set<string>();
  for (const row of rows)
    for (const { column, most } of row.cells) {
      const key = `${row.item} in ${column}`;
      if (done.size !== done.add(key).size)
        network.addArc(cells.get(key)!, 2 + rows.length + column, most * scale);
    }
  columns.forEach(({ room, days }, c) => {
    const { minutes, room: whole } = ofColumn[c]!;
    network.addArc(2 + rows.length + c, 1, (minutes * room * days.length * scale) / whole);
  });
  return network.send(0, 1) === placed.reduce((sum, minutes) => sum + minutes * scale, 0);
}

/** The least sum of load^2 / capacity that whole minutes can have, by trying all. */
function leastOfAll({ rows, columns }: Demands, placed: readonly number[]): number {
  const loads = columns.map(() => 0);
  const used = new Map<string, number>();
  let least = Infinity;
  const tryRow = (r: number, at: number, left: number): void => {
    const row = rows[r];
    if (!row) {
      const value = columns.reduce(
        (sum, { room, days }, c) => sum + loads[c]! ** 2 / (room * days.length),
        0
      );
      least = Math.min(least, value);
      return;
    }
    const cell = row.cells[at];
    if (!cell) {
      if (left === 0) tryRow(r + 1, 0, placed[r + 1] ?? 0);
      return;
    }
    const key = `${row.item} in ${cell.column}`;
    const before = used.get(key) ?? 0;
    for (let minutes = 0; minutes <= Math.min(left, cell.most - before); minutes += 1) {
      used.set(key, before + minutes);
      loads[cell.column]! += minutes;
      tryRow(r, at + 1, left - minutes);
      loads[cell.column]! -= minutes;
    }
    used.set(key, before);
  };
  tryRow(0, 0, placed[0] ?? 0);
  return least;
}

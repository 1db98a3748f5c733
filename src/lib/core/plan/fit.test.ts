import { describe, expect, it } from 'vitest';
import { type Demand, readDemands } from './demand';
import { findFit } from './fit';

const days = (capacities: number[]) => new Map(capacities.map((minutes, day) => [day, minutes]));
const demand = (id: string, from: number, to: number, minutes: number, mostPerDay = 50): Demand => ({
  id,
  mostPerDay,
  windows: [{ from, to, minutes }]
});
function fit(asked: readonly Demand[], capacities: number[]) {
  const demands = readDemands(asked, days(capacities));
  const found = findFit(demands, asked.length);
  const named = found.parts.map(({ rows, columns, ...arithmetic }) => ({
    ...arithmetic,
    ids: rows.map((r) => asked[demands.rowOf[r]!.demand]!.id),
    days: columns.flatMap((c) => demands.columns[c]!.days).sort((a, b) => a - b)
  }));
  return { placed: found.placed, parts: named };
}

describe('whether it fits', () => {
  it('has no reason to give where everything does', () => {
    expect(fit([demand('a', 0, 3, 100)], [30, 30, 30, 30])).toEqual({ placed: [100], parts: [] });
  });

  it('says which days and items collide and by how many minutes, what could go elsewhere taken off', () => {
    // a may have 50 a day: of its 150, days 2 and 3 take 100 at most; b and c only have days 0 and 1
    const { parts } = fit(
      [demand('a', 0, 3, 150), demand('b', 0, 1, 50), demand('c', 0, 1, 45)],
      [60, 60, 90, 90]
    );
    expect(parts).toEqual([
      { ids: ['a', 'b', 'c'], days: [0, 1], neededMin: 245, thereMin: 120, elsewhereMin: 100, shortMin: 25 }
    ]);
  });

  it('names days that need not be one interval', () => {
    const wide: Demand = {
      id: 'a',
      mostPerDay: 50,
      windows: [
        { from: 0, to: 0, minutes: 50 },
        { from: 4, to: 4, minutes: 50 }
      ]
    };
    const { parts } = fit([wide, demand('b', 0, 4, 70)], [40, 0, 50, 0, 40]);
    // b may have 50 on day 2, and still wants 20 of days 0 and 4
    expect(parts).toEqual([
      { ids: ['a', 'a', 'b'], days: [0, 4], neededMin: 170, thereMin: 80, elsewhereMin: 50, shortMin: 40 }
    ]);
  });

  it('says where an item’s own most per day is the limit, and no day is to blame', () => {
    const { parts } = fit([demand('a', 0, 3, 140, 25)], [90, 90, 90, 90]);
    expect(parts).toEqual([
      { ids: ['a'], days: [], neededMin: 140, thereMin: 0, elsewhereMin: 100, shortMin: 40 }
    ]);
  });

  it('gives a reason for each part that hangs together, apart from the others', () => {
    const { parts } = fit(
      [demand('a', 0, 1, 70), demand('b', 3, 4, 80), demand('c', 0, 4, 20)],
      [30, 30, 60, 30, 30]
    );
    expect(parts.map((p) => [p.ids, p.days, p.shortMin])).toEqual([
      [['a'], [0, 1], 10],
      [['b'], [3, 4], 20]
    ]);
  });

  it('lets the last be short, and of one item the later window', () => {
    const a: Demand = {
      id: 'a',
      mostPerDay: 50,
      windows: [
        { from: 0, to: 1, minutes: 40 },
        { from: 0, to: 1, minutes: 40 }
      ]
    };
    expect(fit([a, demand('b', 0, 1, 10)], [30, 30]).placed).toEqual([40, 20, 0]);
  });
});

import { describe, expect, it } from 'vitest';
import { type Demand, readDemands } from './demand';
import { findFit } from './fit';
import { levelDemands, unevenness } from './level';

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
});

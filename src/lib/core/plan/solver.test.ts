/**
 * The plan against a general-purpose solver of linear and quadratic programs (HiGHS), on seeded random studios. The
 * programs are written from the demands themselves, day by day, and share no code with what they check.
 */
import loadHighs from 'highs';
import { beforeAll, describe, expect, it } from 'vitest';
import { type RandomStudio, randomStudio } from '../../../../tests/fixtures/random-studio';
import { readDemands } from './demand';
import { findFit } from './fit';
import { levelDemands, unevenness } from './level';

const STUDIOS = Array.from({ length: 210 }, (_, i) => randomStudio(i + 1));

let highs: Awaited<ReturnType<typeof loadHighs>>;
beforeAll(async () => {
  highs = await loadHighs();
});

type Cell = { name: string; demand: number; window: number; day: number };

/** One variable for each window on each of its days. */
function cellsOf({ demands, room }: RandomStudio): Cell[] {
  return demands.flatMap((demand, d) =>
    demand.windows.flatMap((window, w) =>
      [...room.keys()]
        .filter((day) => room.get(day)! > 0 && day >= window.from && day <= window.to && window.minutes > 0)
        .map((day) => ({ name: `x${d}_${w}_${day}`, demand: d, window: w, day }))
    )
  );
}

function groups<K>(cells: readonly Cell[], keyOf: (cell: Cell) => K): Map<K, string[]> {
  const by = new Map<K, string[]>();
  for (const cell of cells) by.set(keyOf(cell), [...(by.get(keyOf(cell)) ?? []), cell.name]);
  return by;
}

/** No day over its room, no item over its most per day. */
function limits({ demands, room }: RandomStudio, cells: readonly Cell[]): string[] {
  const days = [...groups(cells, (c) => c.day)].map(
    ([day, names]) => `${names.join(' + ')} <= ${room.get(day)}`
  );
  const most = [...groups(cells, (c) => `${c.demand} ${c.day}`)].map(
    ([key, names]) => `${names.join(' + ')} <= ${demands[Number(key.split(' ')[0])]!.mostPerDay}`
  );
  return [...days, ...most];
}

function solve(goal: string, rows: readonly string[]): number {
  const text = `${goal}\nSubject To\n${rows.map((row, i) => ` r${i}: ${row}`).join('\n')}\nEnd`;
  const { Status, ObjectiveValue } = highs.solve(text);
  expect(Status).toBe('Optimal');
  return ObjectiveValue;
}

function ours(studio: RandomStudio) {
  const demands = readDemands(studio.demands, studio.room);
  return { demands, fit: findFit(demands, studio.demands.length) };
}

const sum = (numbers: readonly number[]) => numbers.reduce((total, n) => total + n, 0);

describe('against a general-purpose solver, on over two hundred random studios', () => {
  it('as many minutes fit as a linear program finds, and the reasons add up to what is short', () => {
    let isShort = 0;
    for (const studio of STUDIOS) {
      const { demands, fit } = ours(studio);
      const cells = cellsOf(studio);
      const asks = [...groups(cells, (c) => `${c.demand} ${c.window}`)].map(([key, names]) => {
        const [d, w] = key.split(' ').map(Number);
        return `${names.join(' + ')} <= ${studio.demands[d!]!.windows[w!]!.minutes}`;
      });
      const most = solve(`Maximize\n obj: ${cells.map((c) => c.name).join(' + ')}`, [
        ...limits(studio, cells),
        ...asks
      ]);
      expect(sum(fit.placed)).toBe(Math.round(most));
      expect(Math.abs(most - Math.round(most))).toBeLessThan(1e-5);
      const asked = sum(demands.rows.map((row) => row.minutes));
      expect(sum(fit.parts.map((part) => part.shortMin))).toBe(asked - sum(fit.placed));
      for (const part of fit.parts) {
        expect(part.shortMin).toBe(part.neededMin - part.thereMin - part.elsewhereMin);
        expect(part.shortMin).toBeGreaterThan(0);
      }
      if (fit.parts.length > 0) isShort += 1;
    }
    expect(isShort).toBeGreaterThan(STUDIOS.length / 4);
    expect(isShort).toBeLessThan((STUDIOS.length * 3) / 4);
  });

  it('no load is more even: along the slope of its sum of squares a linear program finds nothing lower', () => {
    // f is convex, so f(ours) - f(least) <= slope x (ours - any other load): the program looks for the lowest such
    for (const studio of STUDIOS) {
      const { demands, fit } = ours(studio);
      const levels = levelDemands(demands, fit.placed);
      const share = new Map(
        demands.columns.flatMap(({ days }, c) =>
          days.map((day) => [day, levels.ofColumn[c]!.minutes / levels.ofColumn[c]!.room] as const)
        )
      );
      const cells = cellsOf(studio).filter((c) => share.has(c.day));
      const rowOf = new Map(demands.rowOf.map(({ demand, window }, r) => [`${demand} ${window}`, r]));
      const asks = [...groups(cells, (c) => `${c.demand} ${c.window}`)].map(
        ([key, names]) => `${names.join(' + ')} = ${fit.placed[rowOf.get(key)!]}`
      );
      const slope = cells.map((c) => `${2 * share.get(c.day)!} ${c.name}`).join(' + ');
      const lowest = solve(`Minimize\n obj: ${slope}`, [...limits(studio, cells), ...asks]);
      const value = unevenness(levels, demands.columns);
      // at our load the slope's value is twice the sum of squares
      expect(Math.abs(2 * value - lowest) / value).toBeLessThan(1e-8);
      const placedByLevels = sum(
        demands.columns.map(({ days, room }, c) => {
          const { minutes, room: whole } = levels.ofColumn[c]!;
          return (minutes * room * days.length) / whole;
        })
      );
      expect(placedByLevels).toBeCloseTo(sum(fit.placed), 6);
    }
  });

  it('its quadratic program finds the same least sum on small studios with room to spare', () => {
    // where days are full it reaches the least but does not come to an end
    const small = Array.from({ length: 60 }, (_, i) => randomStudio(i + 401, 0));
    const spare = small.filter((studio) => {
      const { fit } = ours(studio);
      return fit.parts.length === 0 && sum(fit.placed) < 0.8 * sum([...studio.room.values()]);
    });
    expect(spare.length).toBeGreaterThan(20);
    for (const studio of spare) {
      const { demands, fit } = ours(studio);
      const cells = cellsOf(studio);
      const rowOf = new Map(demands.rowOf.map(({ demand, window }, r) => [`${demand} ${window}`, r]));
      const asks = [...groups(cells, (c) => `${c.demand} ${c.window}`)].map(
        ([key, names]) => `${names.join(' + ')} = ${fit.placed[rowOf.get(key)!]}`
      );
      const byDay = [...groups(cells, (c) => c.day)];
      const loads = byDay.map(([day, names]) => `${names.join(' + ')} - y${day} = 0`);
      // [ ... ] / 2 is how the format writes squares
      const squares = byDay.map(([day]) => `${2 / studio.room.get(day)!} y${day} ^2`).join(' + ');
      const least = solve(`Minimize\n obj: [ ${squares} ] / 2`, [
        ...limits(studio, cells),
        ...asks,
        ...loads
      ]);
      const value = unevenness(levelDemands(demands, fit.placed), demands.columns);
      expect(Math.abs(least - value) / value).toBeLessThan(1e-8);
    }
  });
});

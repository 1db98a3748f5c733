import { describe, expect, it } from 'vitest';
import { randomFrom } from '../units';
import { STAGES, type StageFrame, placeStages, wantedDays } from './stages';

const ROUND = 100;
const frame = (more: Partial<StageFrame> = {}): StageFrame => ({
  today: 40,
  roundOn: ROUND,
  windowDays: 14,
  stages: [1, 2, 3, 4, 5],
  fixed: new Map(),
  canBe: () => true,
  ...more
});
const away = (one: StageFrame) => [...placeStages(one).days].map(([stage, day]) => [stage, ROUND - day]);

/** Least sum of days away from where stages want to be, over every way there is; null where there is none. */
function byBruteForce(one: StageFrame): number | null {
  const wanted = wantedDays(one, one.stages);
  const isInside = (stage: number) => STAGES[stage - 1]!.isInside;
  const sums = (rest: readonly number[], after: number): number[] => {
    const [stage, ...others] = rest;
    if (stage === undefined) return [0];
    const found: number[] = [];
    for (let day = Math.max(one.today, after); day <= ROUND - 3; day += 1) {
      if (!one.canBe(day) || (isInside(stage) && day < ROUND - one.windowDays)) continue;
      for (const sum of sums(others, day + 2)) found.push(sum + Math.abs(day - wanted.get(stage)!));
    }
    return found;
  };
  const all = sums(one.stages, -Infinity);
  return all.length === 0 ? null : Math.min(...all);
}

describe('the stages of mock performance', () => {
  it('stand 21, 16, 12, 8 and 4 days before the round where there are two weeks of mocks', () => {
    expect(away(frame())).toEqual([
      [1, 21],
      [2, 16],
      [3, 12],
      [4, 8],
      [5, 4]
    ]);
  });

  it('move with the window, and the last three stay inside it', () => {
    // a window of 7: half of each place, 10.5, 8, 6, 4 and 2; the last is three days before at the latest, and pushes those before it
    expect(away(frame({ windowDays: 7 })).slice(0, 2)).toEqual([
      [1, 11],
      [2, 9]
    ]);
    for (const [stage, days] of away(frame({ windowDays: 7 })).slice(2)) {
      expect(stage).toBeGreaterThan(2);
      expect(days).toBeLessThanOrEqual(7);
      expect(days).toBeGreaterThan(2);
    }
  });

  it('are squeezed evenly where fewer days remain', () => {
    // 14 days for 21: two thirds of each place: 14, 10.7, 8, 5.3, 2.7, the last no later than three days before
    expect(away(frame({ today: ROUND - 14 }))).toEqual([
      [1, 14],
      [2, 11],
      [3, 8],
      [4, 5],
      [5, 3]
    ]);
  });

  it('lie on no day that cannot be one, nor side by side, nor in the last two days, as near as can be', () => {
    const random = randomFrom(17);
    let fitted = 0;
    for (let n = 0; n < 60; n += 1) {
      const off = new Set(Array.from({ length: 40 }, (_, i) => ROUND - i).filter(() => random() < 0.45));
      const today = ROUND - 8 - Math.floor(random() * 12);
      const stages = [1, 2, 3, 4, 5].slice(Math.floor(random() * 3));
      const one = frame({
        today,
        stages,
        windowDays: 7 + Math.floor(random() * 8),
        canBe: (day) => !off.has(day)
      });
      const placed = placeStages(one);
      const best = byBruteForce(one);
      expect(placed.without.length === 0).toBe(best !== null);
      // with one more of them there is no way
      for (const back of placed.without)
        expect(byBruteForce({ ...one, stages: [...placed.days.keys(), back].sort() })).toBeNull();
      if (best === null) continue;
      fitted += 1;
      const wanted = wantedDays(one, stages);
      const sum = [...placed.days].reduce((all, [stage, day]) => all + Math.abs(day - wanted.get(stage)!), 0);
      expect(sum).toBeCloseTo(best, 9);
      const days = [...placed.days.values()];
      days.forEach((day, i) => {
        expect(off.has(day) || day > ROUND - 3 || day < today).toBe(false);
        if (i > 0) expect(day - days[i - 1]!).toBeGreaterThanOrEqual(2);
      });
    }
    expect(fitted).toBeGreaterThan(20);
  });

  it('keep away from what is booked, which never moves', () => {
    const placed = placeStages(frame({ stages: [2, 3, 5], fixed: new Map([[4, ROUND - 11]]) }));
    // the third wants 12 days before, and has to be two days before the fourth
    expect([...placed.days].map(([stage, day]) => [stage, ROUND - day])).toEqual([
      [2, 16],
      [3, 13],
      [5, 4]
    ]);
  });

  it('are left out and named where no day is left, the second first', () => {
    const one = frame({ today: ROUND - 10, windowDays: 14 });
    const placed = placeStages({ ...one, canBe: (day) => [90, 92, 94, 96].includes(day) });
    expect(placed.without).toEqual([2]);
    expect([...placed.days.keys()]).toEqual([1, 3, 4, 5]);
    // one day a week: inside the window there is one day that is not too late, before it there are two
    const weekly = placeStages(frame({ canBe: (day) => (ROUND - day) % 7 === 1 }));
    expect([...weekly.days].map(([stage, day]) => [stage, ROUND - day])).toEqual([
      [1, 22],
      [2, 15],
      [5, 8]
    ]);
    expect(weekly.without).toEqual([3, 4]);
    expect(placeStages(frame({ today: ROUND - 2 })).without).toEqual([1, 2, 3, 4, 5]);
  });
});

import { describe, expect, it } from 'vitest';
import { type AskedDemand, allot } from './allot';

const ask = (
  id: string,
  windows: [from: number, to: number, minutes: number][],
  more: Partial<AskedDemand> = {}
): AskedDemand => ({
  id,
  mostPerDay: 50,
  windows: windows.map(([from, to, minutes]) => ({ from, to, minutes })),
  kept: [],
  ...more
});
const days = (capacities: number[]) => new Map(capacities.map((minutes, day) => [day, minutes]));
const agreed = (...blocks: [day: number, minutes: number][]) =>
  blocks.map(([day, minutes]) => ({ day, minutes, isPinned: false }));
const pinned = (day: number, minutes: number) => [{ day, minutes, isPinned: true }];
const sum = (numbers: readonly number[]) => numbers.reduce((total, n) => total + n, 0);

describe('minutes into days', () => {
  it('lie as evenly as the days allow', () => {
    const { byAsked, shortMin } = allot([ask('a', [[0, 4, 60]])], days([30, 30, 0, 30, 30]));
    expect(shortMin).toEqual([0]);
    expect(byAsked[0]!.map((a) => a.minutes)).toEqual([15, 15, 15, 15]);
  });

  it('lie in proportion to what the days have', () => {
    // 60 minutes over 90 + 30: half of each
    const { byAsked } = allot([ask('a', [[0, 1, 30]]), ask('b', [[0, 1, 30]])], days([90, 30]));
    const load = [0, 1].map((day) =>
      sum(
        byAsked
          .flat()
          .filter((a) => a.day === day)
          .map((a) => a.minutes)
      )
    );
    // 45 and 15 would be even; blocks of eight at least come within one of it
    expect(Math.abs(load[0]! - 45)).toBeLessThan(8);
    expect(load[0]! + load[1]!).toBe(60);
  });

  it('that find no day fall on the lowest item of the teacher’s order', () => {
    const { byAsked, shortMin } = allot(
      [ask('first', [[0, 1, 50]]), ask('second', [[0, 1, 50]])],
      days([40, 40])
    );
    expect(sum(byAsked[0]!.map((a) => a.minutes))).toBe(50);
    expect(shortMin).toEqual([0, 20]);
  });

  it('are short only by what does not fit beside what is pinned, whatever the limit would leave', () => {
    // limited, 8 of day 1 would be left beside the pin; all 16 fit
    const one = ask('a', [[0, 1, 32]], { kept: pinned(0, 16) });
    const { byAsked, shortMin, reasons } = allot([one], days([16, 16]), days([8, 8]));
    expect(shortMin).toEqual([0]);
    expect(reasons).toEqual([]);
    expect(byAsked[0]!.map((a) => a.minutes)).toEqual([16, 16]);
  });

  it('of a wide window make room for a narrow one', () => {
    const { byAsked, shortMin } = allot(
      [ask('wide', [[0, 1, 20]]), ask('narrow', [[0, 0, 20]])],
      days([20, 20])
    );
    expect(shortMin).toEqual([0, 0]);
    expect(byAsked).toEqual([[{ day: 1, minutes: 20 }], [{ day: 0, minutes: 20 }]]);
  });

  it('never exceed what one item may have on a day', () => {
    const { byAsked, shortMin } = allot([ask('a', [[0, 1, 100]], { mostPerDay: 25 })], days([90, 90]));
    expect(byAsked[0]!.map((a) => a.minutes)).toEqual([25, 25]);
    expect(shortMin).toEqual([50]);
  });

  it('are never fewer than a block of eight on a day, and come round instead', () => {
    // 48 minutes over 12 days would be 4 a day: six blocks of 8
    const { byAsked } = allot([ask('a', [[0, 11, 48]])], days(Array<number>(12).fill(40)));
    expect(byAsked[0]!.every((a) => a.minutes >= 8)).toBe(true);
    expect(sum(byAsked[0]!.map((a) => a.minutes))).toBe(48);
    const gaps = byAsked[0]!.slice(1).map((a, i) => a.day - byAsked[0]![i]!.day);
    expect(Math.max(...gaps)).toBeLessThanOrEqual(6);
  });

  it('that would fit only in pieces are said to be such', () => {
    // twelve minutes have room for one block of eight, not for two
    const { shortMin, pieceMin } = allot([ask('a', [[0, 0, 8]]), ask('b', [[0, 0, 8]])], days([12]));
    expect([sum(shortMin), sum(pieceMin)]).toEqual([4, 4]);
  });

  it('with nothing asked, no days, or days without minutes are no plan and no fault', () => {
    expect(allot([], days([30])).byAsked).toEqual([]);
    expect(allot([ask('a', [[0, 3, 20]])], days([]))).toMatchObject({ byAsked: [[]], shortMin: [20] });
    expect(allot([ask('a', [[0, 1, 20]])], days([0, 0]))).toMatchObject({ byAsked: [[]], shortMin: [20] });
  });
});

describe('laying again', () => {
  it('leaves what was agreed where it is, a surplus going from the latest day', () => {
    // 20 of every day’s 60, two blocks of 10; a needs twelve minutes less than was agreed
    const all = Array.from({ length: 20 }, (_, day): [number, number] => [day, 10]);
    const [a, b] = [
      ask('a', [[0, 19, 188]], { kept: agreed(...all) }),
      ask('b', [[0, 19, 200]], { kept: agreed(...all) })
    ];
    const { byAsked } = allot([a, b], days(Array<number>(20).fill(60)));
    expect(byAsked[1]!.map((x) => x.minutes)).toEqual(Array(20).fill(10));
    expect(byAsked[0]!.slice(0, 17).map((x) => [x.day, x.minutes])).toEqual(all.slice(0, 17));
    expect(byAsked[0]!.at(-1)!.day).toBeLessThan(19);
    expect(sum(byAsked[0]!.map((x) => x.minutes))).toBe(188);
  });

  it('lets lost minutes too few for a block grow one that is there', () => {
    const kept = agreed([1, 12]);
    const { byAsked } = allot([ask('a', [[0, 2, 15]], { kept })], days([30, 30, 30]));
    expect(byAsked[0]).toEqual([{ day: 1, minutes: 15 }]);
  });

  it('brings lost minutes back within a week where they fit, and moves nothing else', () => {
    const kept = agreed(...[8, 12, 16, 20, 24, 28].map((day): [number, number] => [day, 15]));
    const { byAsked } = allot([ask('a', [[0, 29, 105]], { kept })], days(Array<number>(30).fill(30)));
    const after = byAsked[0]!;
    expect(after.filter((a) => a.day >= 7)).toEqual(kept.map(({ day, minutes }) => ({ day, minutes })));
    expect(sum(after.filter((a) => a.day < 7).map((a) => a.minutes))).toBe(15);
  });

  it('takes a day back from a lower item for a higher one, and the lower one is short', () => {
    const lower = ask('lower', [[0, 0, 20]], { kept: agreed([0, 20]) });
    const { byAsked, shortMin } = allot([ask('higher', [[0, 0, 20]]), lower], days([30]));
    expect(byAsked).toEqual([[{ day: 0, minutes: 20 }], [{ day: 0, minutes: 10 }]]);
    expect(shortMin).toEqual([0, 10]);
  });

  it('never releases what was pinned by hand', () => {
    const wide = ask('wide', [[0, 1, 20]], { kept: pinned(0, 20) });
    const { byAsked, shortMin } = allot([wide, ask('narrow', [[0, 0, 20]])], days([20, 20]));
    expect(byAsked[0]).toEqual([{ day: 0, minutes: 20 }]);
    expect(shortMin).toEqual([0, 20]);
  });

  it('keeps all pins, when all is pinned', () => {
    const kept = [...pinned(0, 20), ...pinned(3, 20)];
    expect(allot([ask('a', [[0, 5, 40]], { kept })], days(Array<number>(6).fill(30))).byAsked[0]).toEqual([
      { day: 0, minutes: 20 },
      { day: 3, minutes: 20 }
    ]);
  });

  it('begins afresh when keeping is a twentieth less even than it need be', () => {
    // all on two days of ten: sum of load^2 / capacity 2 x 60^2 / 60 = 120 against 10 x 12^2 / 60 = 24
    const kept = agreed([0, 50], [1, 50]);
    const { byAsked, uneven } = allot(
      [ask('a', [[0, 9, 60]], { kept: agreed([0, 50], [1, 10]) }), ask('b', [[0, 9, 100]], { kept })],
      days(Array<number>(10).fill(100))
    );
    const used = new Set(byAsked.flat().map((a) => a.day));
    expect(used.size).toBeGreaterThan(7);
    expect(uneven).toBeLessThan(30); // 160 minutes evenly over ten days of 100: 25.6
  });
});

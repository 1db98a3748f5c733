import { describe, expect, it } from 'vitest';
import { type ToDraw, barsOfCut, coverage, cutAround, drawMock, unheardHard } from './draw';

/** Forty bars in ten lines of four; a player begins at every section, of ten bars each. */
const item = (id: string, more: Partial<ToDraw> = {}): ToDraw => ({
  id,
  fromBar: 1,
  toBar: 40,
  barsPerLine: '4 4 4 4 4 / 4 4 4 4 4',
  metre: '4/4',
  target: { bpm: 96, unit: 'quarter' },
  starts: [1, 11, 21, 31],
  cuts: [],
  hard: [],
  heard: [],
  ...more
});
const DRAWS = 20_000;
const draws = (one: ToDraw) =>
  Array.from({ length: DRAWS }, (_, seed) => drawMock([one], { seed, count: 1, isInOrder: false })[0]!);
/** Pearson's chi-square over what was counted and what is expected. */
const chiSquare = (counted: readonly number[], expected: readonly number[]) =>
  counted.reduce((sum, n, i) => sum + (n - expected[i]!) ** 2 / expected[i]!, 0);
const count = <T>(all: readonly T[], is: (one: T) => boolean) => all.filter(is).length;

describe('a draw', () => {
  it('is the same for the same seed, and another for another', () => {
    const items = ['a', 'b', 'c', 'd'].map((id) => item(id));
    const about = { count: 2, isInOrder: false };
    expect(drawMock(items, { seed: 5, ...about })).toEqual(drawMock(items, { seed: 5, ...about }));
    const many = new Set(
      Array.from({ length: 50 }, (_, seed) => JSON.stringify(drawMock(items, { seed, ...about })))
    );
    expect(many.size).toBeGreaterThan(40);
  });

  it('always hears what fell below practice in the latest mock, as far as it hears as many, in an order by chance', () => {
    const items = ['a', 'b', 'c', 'd', 'e'].map((id) => item(id, { isOwed: id === 'b' || id === 'd' }));
    const all = Array.from({ length: 4000 }, (_, seed) =>
      drawMock(items, { seed, count: 3, isInOrder: false }).map(({ itemId }) => itemId)
    );
    expect(all.every((ids) => ids.includes('b') && ids.includes('d'))).toBe(true);
    // the third is each of the others about as often, and b stands at each place: two degrees of freedom, 0.1 % at 13.8
    const others = ['a', 'c', 'e'].map((id) => count(all, (ids) => ids.includes(id)));
    expect(
      chiSquare(
        others,
        others.map(() => 4000 / 3)
      )
    ).toBeLessThan(13.8);
    const places = [0, 1, 2].map((at) => count(all, (ids) => ids[at] === 'b'));
    expect(
      chiSquare(
        places,
        places.map(() => 4000 / 3)
      )
    ).toBeLessThan(13.8);
    const one = Array.from({ length: 50 }, (_, seed) => drawMock(items, { seed, count: 1, isInOrder: true }));
    expect(one.every(([drawn]) => drawn!.itemId === 'b' || drawn!.itemId === 'd')).toBe(true);
  });

  it('is a line and a half to two lines of the page, by time where the page is not known, and short items whole', () => {
    for (const { fromBar, toBar } of draws(item('a')).slice(0, 500)) {
      expect(toBar - fromBar + 1).toBeGreaterThanOrEqual(6);
      expect(toBar - fromBar + 1).toBeLessThanOrEqual(8);
    }
    // quarter 96 in four: 2.5 s a bar, so 20 to 40 s are 8 to 16 bars
    expect(barsOfCut(item('a', { barsPerLine: '' }))).toEqual([8, 16]);
    const short = item('a', { toBar: 7, barsPerLine: '4 3', starts: [1] });
    expect(
      draws(short)
        .slice(0, 50)
        .every(({ fromBar, toBar }) => fromBar === 1 && toBar === 7)
    ).toBe(true);
  });

  it('begins at a place where a player would in four of five, and elsewhere on purpose in one', () => {
    const all = draws(item('a'));
    const odd = count(all, ({ fromBar }) => ![1, 11, 21, 31].includes(fromBar));
    // one degree of freedom, 0.1 %: 10.83
    expect(chiSquare([odd, DRAWS - odd], [DRAWS * 0.2, DRAWS * 0.8])).toBeLessThan(10.83);
    // no cut from a section's beginning ends with it: it is called odd where that was drawn, in 0.2 + 0.8 x 0.2 of all
    const onPurpose = count(all, ({ isOdd }) => isOdd);
    expect(chiSquare([onPurpose, DRAWS - onPurpose], [DRAWS * 0.36, DRAWS * 0.64])).toBeLessThan(10.83);
    // of those that begin elsewhere one in five stops elsewhere, too, and not where a section does
    const oddly = all.filter(({ fromBar }) => ![1, 11, 21, 31].includes(fromBar));
    const stops = count(oddly, ({ toBar }) => ![10, 20, 30, 40].includes(toBar));
    const of = oddly.length;
    expect(chiSquare([stops, of - stops], [of * 0.2, of * 0.8])).toBeLessThan(10.83);
  });

  it('comes more often where little was heard, and twice as often where it is hard, exactly by the weights', () => {
    // two published cuts of eight bars, each heard whole: one of 8 + 1, one of 8 hard bars, 16 + 1
    const cuts = [
      { fromBar: 1, toBar: 8 },
      { fromBar: 21, toBar: 28 }
    ];
    const hard = [21, 22, 23, 24, 25, 26, 27, 28];
    const first = count(draws(item('a', { cuts, hard })), ({ fromBar }) => fromBar === 1);
    expect(chiSquare([first, DRAWS - first], [(DRAWS * 9) / 26, (DRAWS * 17) / 26])).toBeLessThan(10.83);
    // what was heard before has a weight of one alone
    const heard = hard;
    const again = count(draws(item('a', { cuts, heard })), ({ fromBar }) => fromBar === 21);
    expect(chiSquare([again, DRAWS - again], [(DRAWS * 1) / 10, (DRAWS * 9) / 10])).toBeLessThan(10.83);
  });

  it('lies in what is published, once it is', () => {
    const cuts = [{ fromBar: 9, toBar: 24 }];
    for (const { fromBar, toBar } of draws(item('a', { cuts })).slice(0, 2000)) {
      expect(fromBar).toBeGreaterThanOrEqual(9);
      expect(toBar).toBeLessThanOrEqual(24);
    }
  });

  it('has each item once, in the list’s order or in one of chance', () => {
    const items = ['a', 'b', 'c', 'd'].map((id) => item(id, { toBar: 7, barsPerLine: '4 3' }));
    const drawn = (isInOrder: boolean, seed: number) =>
      drawMock(items, { seed, count: 9, isInOrder })
        .map(({ itemId }) => itemId)
        .join('');
    expect(drawn(true, 3)).toBe('abcd');
    expect([...drawn(false, 3)].sort().join('')).toBe('abcd');
    const first = count(
      Array.from({ length: DRAWS }, (_, seed) => drawn(false, seed)),
      (order) => order.startsWith('a')
    );
    expect(chiSquare([first, DRAWS - first], [DRAWS / 4, (DRAWS * 3) / 4])).toBeLessThan(10.83);
  });

  it('says how many lines of the page were heard of all', () => {
    const heard = [
      { itemId: 'a', fromBar: 4, toBar: 9, isOdd: false },
      { itemId: 'a', fromBar: 6, toBar: 12, isOdd: false }
    ];
    // bars 4 to 12: the first three lines
    expect(coverage([item('a'), item('b')], heard)).toEqual({ heard: 3, of: 20 });
  });
});

describe('hard bars', () => {
  const hard = item('a', { hard: [3, 25, 26, 27, 38] });

  it('that no mock hears are named, of what can be heard at all', () => {
    const cut = (fromBar: number, toBar: number) => ({ itemId: 'a', fromBar, toBar, isOdd: false });
    expect(unheardHard([hard, item('b')], [])).toEqual([{ itemId: 'a', bars: [3, 25, 26, 27, 38] }]);
    expect(unheardHard([hard], [cut(1, 8), cut(26, 33)])).toEqual([{ itemId: 'a', bars: [25, 38] }]);
    expect(unheardHard([{ ...hard, cuts: [{ fromBar: 21, toBar: 30 }] }], [cut(27, 30)])).toEqual([
      { itemId: 'a', bars: [25, 26] }
    ]);
    expect(unheardHard([hard], [cut(1, 40)])).toEqual([]);
  });

  it('are put into a cut of the usual length, from where a player begins if that is near', () => {
    // cuts are six to eight bars; sections begin at 1, 11, 21, 31
    expect(cutAround(hard, { fromBar: 25, toBar: 27 })).toEqual({ fromBar: 21, toBar: 27 });
    // from 11 it would be nine bars: it begins with the hard ones
    expect(cutAround(hard, { fromBar: 18, toBar: 19 })).toEqual({ fromBar: 18, toBar: 23 });
    // at the end there is no room behind it
    expect(cutAround(hard, { fromBar: 39, toBar: 40 })).toEqual({ fromBar: 35, toBar: 40 });
    // more than a cut holds: as many as it has room for
    expect(cutAround(hard, { fromBar: 2, toBar: 20 })).toEqual({ fromBar: 2, toBar: 9 });
    expect(cutAround({ ...hard, cuts: [{ fromBar: 24, toBar: 28 }] }, { fromBar: 25, toBar: 27 })).toEqual({
      fromBar: 24,
      toBar: 28
    });
    expect(() =>
      cutAround({ ...hard, cuts: [{ fromBar: 1, toBar: 8 }] }, { fromBar: 25, toBar: 27 })
    ).toThrow(RangeError);
  });
});

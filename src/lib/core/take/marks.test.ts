import { describe, expect, it } from 'vitest';
import type { Placed } from './places';
import { spotsOfMarks } from './marks';

/** From bar 1, a bar of two seconds. */
const take: Placed = {
  fromBar: 1,
  toBar: 20,
  tempo: { bpm: 120, unit: 'quarter' },
  musicAtMs: 0,
  anchors: []
};
const mark = (id: string, bar: number, element = 'rhythm') => ({
  id,
  element,
  says: '',
  atMs: (bar - 1) * 2000 + 500
});
const spots = (...marks: ReturnType<typeof mark>[]) =>
  spotsOfMarks(take, '4/4', marks).map(({ fromBar, toBar, element, marks: of }) => [
    fromBar,
    toBar,
    element,
    of.join('')
  ]);

describe('what was marked while listening', () => {
  it('is a spot for each element, over bars that lie side by side', () => {
    expect(spots(mark('a', 6), mark('c', 18), mark('b', 17), mark('d', 9, 'tone'))).toEqual([
      [6, 6, 'rhythm', 'a'],
      [9, 9, 'tone', 'd'],
      [17, 18, 'rhythm', 'bc']
    ]);
  });

  it('keeps elements apart in one bar, and one bar marked twice is one spot', () => {
    expect(spots(mark('a', 6), mark('b', 6, 'tone'), mark('c', 6))).toEqual([
      [6, 6, 'rhythm', 'ac'],
      [6, 6, 'tone', 'b']
    ]);
  });

  it('is none where no bar sounds', () => {
    expect(spots(mark('a', 30))).toEqual([]);
  });
});

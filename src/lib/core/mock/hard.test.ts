import { describe, expect, it } from 'vitest';
import type { Touch } from '../record';
import { leastClean } from './hard';

const touch = (attempts: string, fromBar?: number, toBar?: number): Touch => ({
  id: `${attempts} ${fromBar}`,
  itemId: 'a',
  date: '2026-12-01',
  minutes: 5,
  attempts,
  ...(fromBar === undefined ? {} : { fromBar, toBar }),
  evidence: 'self'
});
const TEN = { fromBar: 1, toBar: 10 };

describe('hard bars', () => {
  it('are the fifth that was least often clean, worked by hand', () => {
    // bars 1 to 4: 3 of 4; 5 and 6: 1 of 4; 7 to 10: 4 of 4. A fifth of ten is two
    const log = [touch('cccn', 1, 4), touch('cnnn', 5, 6), touch('cccc', 7, 10)];
    expect(leastClean(log, TEN)).toEqual([5, 6]);
    // one clean attempt at all of it: 4 of 5, 2 of 5, 5 of 5; nothing moves
    expect(leastClean([...log, touch('c')], TEN)).toEqual([5, 6]);
    // much work at 5 and 6: 13 of 16; now 1 to 4 are the least clean, the first of them count
    expect(leastClean([...log, touch('cccccccccccc', 5, 6)], TEN)).toEqual([1, 2]);
  });

  it('are none where all was clean, nothing was played, or less than five bars were', () => {
    expect(leastClean([touch('cccc')], TEN)).toEqual([]);
    expect(leastClean([], TEN)).toEqual([]);
    expect(leastClean([touch('nnn', 1, 4)], TEN)).toEqual([]);
    expect(leastClean([touch('nnn', 1, 5)], TEN)).toEqual([1]);
  });
});

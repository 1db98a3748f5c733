import { describe, expect, it } from 'vitest';
import { type Held, KEPT_DAYS, goingDays } from './keeping';

const take = (id: string, day: number, more: Partial<Held> = {}): Held => ({
  id,
  itemId: 'i',
  day,
  madeAtMs: day,
  isKept: false,
  isOwn: true,
  isOfSpot: false,
  ...more
});
const goes = (takes: readonly Held[], isOpen = true) => Object.fromEntries(goingDays(takes, () => isOpen));

describe('how long a take stays', () => {
  it('sixty days, but an item’s first while its season is open', () => {
    expect(goes([take('b', 105), take('a', 100)])).toEqual({ a: null, b: 105 + KEPT_DAYS });
    expect(goes([take('a', 100), take('b', 105)], false)).toEqual({ a: 160, b: 165 });
  });

  it('as long as it is kept by hand, or a spot was found in it', () => {
    const all = [take('a', 100), take('b', 105, { isKept: true }), take('c', 106, { isOfSpot: true })];
    expect(goes(all)).toEqual({ a: null, b: null, c: null });
  });

  it('somebody else’s recording is never an item’s first', () => {
    expect(goes([take('other', 90, { isOwn: false }), take('a', 100)])).toEqual({ other: 150, a: null });
  });

  it('of two of one day the earlier is the first, and each item has its own', () => {
    const all = [
      take('late', 100, { madeAtMs: 2 }),
      take('early', 100, { madeAtMs: 1 }),
      take('x', 120, { itemId: 'x' })
    ];
    expect(goes(all)).toEqual({ early: null, late: 160, x: null });
  });
});

import { describe, expect, it } from 'vitest';
import { placeLabels } from './date-labels';

const label = (at: number, text = 'mock, alone 27 Dec') => ({ at, text });

describe('the words of dates', () => {
  it('stand beside their marks in two rows, so that none lies on another', () => {
    const placed = placeLabels([label(20), label(24), label(60)], 890);
    expect(placed.map((p) => p.row)).toEqual([0, 1, 0]);
    expect(placed.every((p) => !p.isRight)).toBe(true);
  });

  it('end at their mark where the axis ends', () => {
    expect(placeLabels([label(98)], 890)[0]).toMatchObject({ isRight: true, row: 0 });
  });

  it('go to the other side of their mark before they give up', () => {
    // 54 % of 890 is 480; the two before reach from 445 and 463 to the right; leftwards it would lie on the first
    expect(placeLabels([label(50), label(52), label(54)], 890)[2]!.row).toBeNull();
    expect(placeLabels([label(50), label(52), label(49)], 890)[2]).toMatchObject({ isRight: true, row: 0 });
  });

  it('stay away where there is no room, and leave the mark', () => {
    const placed = placeLabels([label(50), label(55), label(60)], 300);
    expect(placed.some((p) => p.row === null)).toBe(true);
    expect(placed).toHaveLength(3);
  });
});

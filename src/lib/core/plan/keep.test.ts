import { describe, expect, it } from 'vitest';
import type { Demand } from './demand';
import { type AgreedMinutes, keepAgreed } from './keep';

const ask = (
  windows: [from: number, to: number, minutes: number][],
  kept: [day: number, minutes: number, isPinned?: boolean][],
  mostPerDay = 50
): Demand & { kept: AgreedMinutes[] } => ({
  id: 'x',
  mostPerDay,
  windows: windows.map(([from, to, minutes]) => ({ from, to, minutes })),
  kept: kept.map(([day, minutes, isPinned = false]) => ({ day, minutes, isPinned }))
});
const keep = (asked: (Demand & { kept: AgreedMinutes[] })[], capacities: number[]) => {
  const { demands, minutes } = keepAgreed(asked, new Map(capacities.map((m, day) => [day, m])), () => true);
  return {
    left: demands.map((d) => d.windows.map((w) => w.minutes)),
    stays: minutes.map((days) => [...days].sort(([a], [b]) => a - b))
  };
};

describe('what stays of a plan', () => {
  it('counts for the window that closes first, and the rest is asked again', () => {
    const { left } = keep([ask([[0, 1, 20], [0, 3, 20]], [[1, 15], [3, 10]])], [30, 30, 30, 30]); // prettier-ignore
    expect(left).toEqual([[5, 10]]);
  });

  it('yields a surplus from the latest days', () => {
    const { stays, left } = keep([ask([[0, 3, 24]], [[0, 12], [1, 12], [3, 12]])], [30, 30, 30, 30]); // prettier-ignore
    expect(stays).toEqual([[[0, 12], [1, 12]]]); // prettier-ignore
    expect(left).toEqual([[0]]);
  });

  it('yields to a day that has become shorter, the lower item first, and to an item’s most per day', () => {
    const { stays } = keep([ask([[0, 0, 20]], [[0, 20]]), ask([[0, 0, 20]], [[0, 20]])], [30]);
    expect(stays).toEqual([[[0, 20]], [[0, 10]]]);
    expect(keep([ask([[0, 0, 40]], [[0, 40]], 25)], [60]).stays).toEqual([[[0, 25]]]);
  });

  it('grows the block before by what is less than one at the end', () => {
    const { stays, left } = keep([ask([[0, 3, 29]], [[0, 12], [1, 12], [3, 12]])], [30, 30, 30, 30]); // prettier-ignore
    expect(stays).toEqual([[[0, 12], [1, 17]]]); // prettier-ignore
    expect(left).toEqual([[0]]);
  });

  it('goes where less than a block would stay, unless it was pinned', () => {
    expect(keep([ask([[0, 0, 20]], [[0, 20]])], [7]).stays).toEqual([[]]);
    expect(keep([ask([[0, 0, 20]], [[0, 20, true]])], [7]).stays).toEqual([[[0, 7]]]);
  });

  it('is dropped on days that no window has any more', () => {
    expect(keep([ask([[0, 1, 20]], [[3, 20]])], [30, 30, 30, 30])).toEqual({ stays: [[]], left: [[20]] });
  });

  it('takes pins before all else that was agreed', () => {
    const { stays } = keep([ask([[0, 0, 20]], [[0, 20]]), ask([[0, 0, 20]], [[0, 20, true]])], [30]);
    expect(stays).toEqual([[[0, 10]], [[0, 20]]]);
  });
});

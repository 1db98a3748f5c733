import { describe, expect, it } from 'vitest';
import { followBars } from './follow-bars';

const section = (id: string, fromBar: number, toBar: number) => ({
  id,
  fromBar,
  toBar,
  tempo: { kind: 'pulse' as const, unit: 'quarter' as const, targetBpm: 80 }
});
const bars = (sections: ReturnType<typeof followBars>) => sections?.map((s) => [s.id, s.fromBar, s.toBar]);

describe('sections of somebody’s own', () => {
  const own = [section('a', 1, 20), section('b', 21, 48)];

  it('reach the item’s ends still when a correction adds a bar at either', () => {
    expect(bars(followBars(own, { fromBar: 1, toBar: 48 }, { fromBar: 0, toBar: 50 }))).toEqual([
      ['a', 0, 20],
      ['b', 21, 50]
    ]);
  });

  it('go no further than the bars there are, and go where none are left', () => {
    expect(bars(followBars(own, { fromBar: 1, toBar: 48 }, { fromBar: 1, toBar: 18 }))).toEqual([
      ['a', 1, 18]
    ]);
    expect(
      followBars([section('b', 21, 30)], { fromBar: 1, toBar: 48 }, { fromBar: 1, toBar: 18 })
    ).toBeNull();
  });
});

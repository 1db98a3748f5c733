import { describe, expect, it } from 'vitest';
import { TODAY, clean, etude, request, roundOn } from '../../../../../tests/fixtures/etude-season';
import type { SeasonItem } from '../facts/request';
import { laySeason } from '../lay/lay';
import { throughOf } from './through';

type Tempo = SeasonItem['sections'][number]['tempo'];
const section = (id: string, fromBar: number, toBar: number, tempo: Tempo) => ({ id, fromBar, toBar, tempo });
const pulse = (targetBpm: number): Tempo => ({ kind: 'pulse', unit: 'quarter', targetBpm });

/** The stretches of an item in 4/4, of which what is logged holds. */
function stretches(sections: SeasonItem['sections'], more: Partial<SeasonItem> = {}) {
  const item = { ...etude('A', 96, 16), sections, ...more };
  const log = sections
    .filter(({ tempo }) => tempo.kind === 'pulse')
    .map((one, i) => ({
      ...clean('A', '2026-11-23', i === 0 ? 60 : 80, 10),
      ...{ id: one.id, fromBar: one.fromBar, toBar: one.toBar }
    }));
  const plan = laySeason(request([item], { rounds: [roundOn('2026-12-20')], log, today: TODAY }));
  return throughOf(plan.items[0]!, item)?.map(({ bpm, beats, perBar, isSilent }) =>
    isSilent ? ['silent', beats] : [Math.round(bpm * 10) / 10, beats, perBar]
  );
}

describe('a click through an item', () => {
  it('changes at the seam of its sections, each at what holds there', () => {
    expect(stretches([section('a', 1, 8, pulse(96)), section('b', 9, 16, pulse(120))])).toEqual([
      [60, 32, 4],
      [80, 32, 4]
    ]);
  });

  it('goes along a change of tempo from bar to bar, and is silent where it is free', () => {
    const change: Tempo = { kind: 'change', unit: 'quarter', fromBpm: 60, toBpm: 120 };
    const free: Tempo = { kind: 'free', minutesPerWeek: 10 };
    const read = stretches([
      section('a', 1, 8, pulse(96)),
      section('f', 9, 10, free),
      section('c', 11, 13, change)
    ])!;
    // nothing holds of the change: half of it, 30 to 60 by equal shares, which a metronome says in eighths below 40
    expect(read).toEqual([
      [60, 32, 4],
      ['silent', 8],
      [60, 8, 8],
      [42.4, 4, 4],
      [60, 4, 4]
    ]);
  });

  it('is none where one tempo says all, where bars are missing, or where a click cannot say it', () => {
    expect(stretches([section('a', 1, 16, pulse(96))])).toBeUndefined();
    expect(stretches([section('a', 1, 8, pulse(96)), section('b', 10, 16, pulse(120))])).toBeUndefined();
  });
});

/** Recommendations as a table of cases. Handbook section 3; common practice, no published source. */
import { describe, expect, it } from 'vitest';
import type { Touch } from '../../practice';
import type { BeatUnit } from '../../units';
import type { SeasonItem, Strategy } from '../facts/request';
import { recommendStrategy } from './strategy';

type Case = {
  readonly targetBpm: number;
  readonly unit?: BeatUnit;
  readonly notesPerBeat?: number;
  readonly tested?: string;
  /** Bars of twenty that did not hold yet; the rest did. */
  readonly hardBars?: number;
  readonly element?: string;
};

function item({ targetBpm, unit = 'quarter', notesPerBeat, tested }: Case): SeasonItem & { tested: string } {
  const tempo = { kind: 'pulse', unit, targetBpm } as const;
  return {
    id: 'a',
    name: 'Study',
    kind: 'etude',
    metre: '4/4',
    fromBar: 1,
    toBar: 20,
    sections: [{ id: 's', fromBar: 1, toBar: 20, tempo, notesPerBeat }],
    tested: tested ?? ''
  };
}

function log({ hardBars, element }: Case): Touch[] {
  const touch = (id: string, fromBar: number, toBar: number, more: Partial<Touch>): Touch => ({
    id,
    itemId: 'a',
    date: '2026-11-20',
    fromBar,
    toBar,
    minutes: 10,
    ...more
  });
  if (element)
    return [1, 2, 3, 4].map((n) =>
      touch(`${n}`, 1, 20, { attempts: 'n', notHeld: n === 4 ? ['rhythm'] : [element] })
    );
  if (hardBars === undefined) return [];
  return [touch('all', 1, 20, { attempts: 'ccc' }), touch('hard', 1, hardBars, { attempts: 'ccn' })];
}

const CASES: [string, Case, Strategy, RegExp][] = [
  ['fast and dense', { targetBpm: 120, notesPerBeat: 4 }, 'ramp', /^8 notes a second: fast and dense/],
  ['fast by its beats alone', { targetBpm: 138 }, 'ramp', /^A target of 138: fast/],
  ['fast, and stamina is tested', { targetBpm: 138, tested: 'stamina' }, 'ramp', /stamina is tested/],
  ['slow', { targetBpm: 54 }, 'chunks', /weeks of ramping a slow item are wasted/],
  ['slow by its notes', { targetBpm: 80, notesPerBeat: 1 }, 'chunks', /^1.3 notes a second/],
  ['a slow beat of many notes is fast', { targetBpm: 60, notesPerBeat: 8 }, 'ramp', /^8 notes a second/],
  [
    'detail is tested',
    { targetBpm: 84, tested: 'line and phrasing' },
    'chunks',
    /the panel tests line and phrasing/
  ],
  ['neither fast nor slow', { targetBpm: 88 }, 'ramp', /neither fast nor slow/],
  ['fast, a few hard spots', { targetBpm: 138, hardBars: 3 }, 'chunks', /only 15 % of its bars/],
  [
    'fast, hard throughout',
    { targetBpm: 138, hardBars: 12 },
    'combined',
    /60 % of its bars have not held yet/
  ],
  [
    'one motion is the obstacle',
    { targetBpm: 138, element: 'articulation' },
    'drills',
    /^3 of 4 touches .* articulation/
  ],
  ['rhythm is no motion', { targetBpm: 54, element: 'rhythm' }, 'chunks', /slow item/],
  [
    'a dotted beat counts half as much again',
    { targetBpm: 76, unit: 'dotted-quarter' },
    'ramp',
    /^A target of 76: fast/
  ]
];

describe('the strategy recommended', () => {
  it.each(CASES)('%s', (_, one, strategy, reason) => {
    const said = recommendStrategy(item(one), log(one));
    expect(said).toMatchObject({ strategy, reason: expect.stringMatching(reason) });
  });

  it('is none where nothing is clicked', () => {
    const free = {
      ...item({ targetBpm: 60 }),
      sections: [{ id: 's', fromBar: 1, toBar: 20, tempo: { kind: 'free' as const, minutesPerWeek: 20 } }]
    };
    expect(recommendStrategy(free, [])).toBeNull();
  });
});

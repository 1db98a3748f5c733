import { describe, expect, it } from 'vitest';
import { tempoAgainst } from './against';

describe('a tempo that was played', () => {
  const range = { kind: 'range', unit: 'quarter', lowBpm: 88, highBpm: 96, stretchBpm: 92 } as const;

  it('is told against the target in clicks, faster above 0, and by the range', () => {
    // the scale goes 92, 96, 100, 104: from 92 to 104 are three clicks
    expect(tempoAgainst({ bpm: 104, unit: 'quarter' }, range)).toEqual({
      bpm: 104,
      unit: 'quarter',
      targetBpm: 92,
      clicks: 3,
      lies: 'above'
    });
    expect(tempoAgainst({ bpm: 84, unit: 'quarter' }, range)).toMatchObject({ clicks: -2, lies: 'below' });
    expect(tempoAgainst({ bpm: 96, unit: 'quarter' }, range)).toMatchObject({ clicks: 1, lies: 'inside' });
    expect(tempoAgainst({ bpm: 88, unit: 'quarter' }, range)).toMatchObject({ clicks: -1, lies: 'inside' });
  });

  it('is told in the unit of what is asked, and says nothing of a range where none is published', () => {
    const pulse = { kind: 'pulse', unit: 'quarter', targetBpm: 60 } as const;
    expect(tempoAgainst({ bpm: 126, unit: 'eighth' }, pulse)).toEqual({
      bpm: 63,
      unit: 'quarter',
      targetBpm: 60,
      clicks: 1,
      lies: null
    });
    expect(tempoAgainst({ bpm: 60, unit: 'quarter' }, { kind: 'free', minutesPerWeek: 20 })).toBeNull();
  });
});

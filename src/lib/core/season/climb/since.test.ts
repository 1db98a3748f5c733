import { describe, expect, it } from 'vitest';
import { dayOf } from '../../units';
import type { SeasonItem } from '../facts/request';
import { readSince } from './since';

const item: SeasonItem = {
  id: 'a',
  name: 'Study',
  kind: 'etude',
  metre: '4/4',
  fromBar: 1,
  toBar: 16,
  sections: [{ id: 's', fromBar: 1, toBar: 16, tempo: { kind: 'pulse', unit: 'quarter', targetBpm: 96 } }]
};
const touch = (date: string, tempoBpm: number, attempts: string, more: object = {}) => ({
  id: date + tempoBpm,
  itemId: 'a',
  date,
  minutes: 10,
  tempoBpm,
  attempts,
  ...more
});
const since = (log: ReturnType<typeof touch>[]) =>
  readSince([item], log, undefined, dayOf('2026-11-17'), dayOf('2026-11-24'))[0]!;

describe('since the last lesson', () => {
  it('counts touches and minutes from that day on, and the clicks that came to hold', () => {
    // 60, 63, 66, 69: three clicks up the traditional scale
    const read = since([
      touch('2026-11-16', 60, 'ccc'),
      touch('2026-11-17', 66, 'ccc'),
      touch('2026-11-20', 69, 'nccc'),
      touch('2026-11-25', 80, 'ccc') // tomorrow
    ]);
    expect(read).toMatchObject({ touches: 2, minutes: 20 });
    expect(read.sections).toMatchObject([{ before: 60, now: 69 }]);
    expect(read.sections[0]!.clicks).toBeCloseTo(3);
  });

  it('says nothing of clicks where nothing held before, and shows a fall as one', () => {
    expect(since([touch('2026-11-20', 66, 'ccc')]).sections[0]).toMatchObject({
      before: null,
      now: 66,
      clicks: null
    });
    const fell = since([touch('2026-11-10', 66, 'ccc'), touch('2026-11-20', 66, 'cnn')]);
    expect(fell.sections[0]!.clicks).toBeCloseTo(-1);
  });

  it('names where it stuck, the latest first: what ended on not yet, or with an element open', () => {
    const read = since([
      touch('2026-11-18', 72, 'ccn', { fromBar: 5, toBar: 8, note: 'breath too late' }),
      touch('2026-11-19', 72, 'ccc', { notHeld: ['rhythm'] }),
      touch('2026-11-20', 69, 'ccc')
    ]);
    expect(read.stuck.map((s) => [s.date, s.fromBar, s.says])).toEqual([
      ['2026-11-19', null, 'rhythm'],
      ['2026-11-18', 5, 'breath too late']
    ]);
    const twice = [66, 72].map((tempoBpm, i) => ({
      fromBar: 5,
      toBar: 8,
      tempoBpm,
      attempts: 'cn',
      atMs: i,
      seconds: 60
    }));
    const desk = since([touch('2026-11-20', 72, '', { series: twice })]);
    expect(desk.stuck.map(({ bpm }) => bpm)).toEqual([72]);
  });
});

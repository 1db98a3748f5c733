import { describe, expect, it } from 'vitest';
import type { DeskEvent } from '../record';
import {
  type ScaleAnswer,
  type ScaleKey,
  afterKey,
  drawKeys,
  isWeak,
  keyInHand,
  keysAfter,
  keysPlayedIn,
  readKeys
} from './scales';

const WAY = { way: [60, 63, 66], stage: 'subdivisions' } as const;
const answered = (key: string, marks: string, bpm = 60): ScaleAnswer[] =>
  Array.from(marks, (mark) => ({ key, bpm, stage: 'subdivisions', mark: mark as 'c' | 'n' }));

describe('scales, key by key', () => {
  const first: ScaleKey = { key: 'C', bpm: 60, stage: 'subdivisions', marks: '' };
  const play = (marks: string, from = first) =>
    Array.from(marks).reduce((now, mark) => afterKey(WAY, now, mark as 'c' | 'n'), from);

  it('go up to the tempo asked, and only there is the click thinned, by two clean in a row each', () => {
    expect(play('c')).toMatchObject({ bpm: 60, marks: 'c' });
    expect(play('cc')).toMatchObject({ bpm: 63, stage: 'subdivisions', marks: '' });
    expect(play('cncc')).toMatchObject({ bpm: 63 });
    expect(play('cccc')).toMatchObject({ bpm: 66, stage: 'subdivisions' });
    expect(play('cccccc')).toMatchObject({ bpm: 66, stage: 'beats and off-beats' });
    // nine stages: at the end there is nothing thinner
    expect(play('c'.repeat(60))).toMatchObject({ bpm: 66, stage: 'none' });
  });

  it('go back a stage, then a click, after two that were not', () => {
    const thin = play('cccccc');
    expect(play('nn', thin)).toMatchObject({ bpm: 66, stage: 'subdivisions' });
    expect(play('nnnn', thin)).toMatchObject({ bpm: 63, stage: 'subdivisions' });
    // below the first tempo there is none
    expect(play('nnnnnn')).toMatchObject({ bpm: 60, stage: 'subdivisions' });
  });

  it('stand where each was left, whatever was played between', () => {
    const log = [...answered('C', 'c'), ...answered('G', 'nn'), ...answered('C', 'c')];
    expect(keysAfter(WAY, ['C', 'G', 'D'], log)).toEqual([
      { key: 'C', bpm: 63, stage: 'subdivisions', marks: '' },
      { key: 'G', bpm: 60, stage: 'subdivisions', marks: 'nn' },
      { key: 'D', bpm: 60, stage: 'subdivisions', marks: '' }
    ]);
    // the teacher asks other tempos: the next slower that there is
    const other = { way: [50, 58, 64], stage: 'beats' } as const;
    expect(keysAfter(other, ['C'], answered('C', 'c', 63))[0]!.bpm).toBe(58);
  });

  it('are drawn without repetition until all have come, weak ones twice, the same for everybody', () => {
    const keys = readKeys('all major');
    expect(keys).toHaveLength(12);
    const drawn = drawKeys(keys, [], 'a day', 24);
    expect([new Set(drawn.slice(0, 12)).size, new Set(drawn.slice(12)).size]).toEqual([12, 12]);
    expect(drawKeys(keys, [], 'a day', 24)).toEqual(drawn);
    expect(drawKeys(keys, [], 'another', 24)).not.toEqual(drawn);
    // four have come: eight are left of this round
    const played = drawn.slice(0, 4).flatMap((key) => answered(key, 'c'));
    expect(new Set(drawKeys(keys, played, 'next', 8))).toEqual(new Set(drawn.slice(4, 12)));
    // D flat was weak when all had come: of the next thirteen two are D flat, never on end
    const all = drawn.slice(0, 12).flatMap((key) => answered(key, key.startsWith('D flat') ? 'nn' : 'c'));
    expect([isWeak('D flat major', all), isWeak('C major', all)]).toEqual([true, false]);
    for (let seed = 0; seed < 60; seed += 1) {
      const of = drawKeys(keys, all, String(seed), 40);
      expect(of.some((key, i) => key === of[i - 1])).toBe(false);
      const round = of.slice(0, 13);
      expect([round.filter((key) => key === 'D flat major').length, new Set(round).size]).toEqual([2, 12]);
    }
  });

  it('each come as often as the other over many draws', () => {
    const keys = ['C', 'G', 'D', 'A'];
    const firsts = Array.from({ length: 4000 }, (_, seed) => drawKeys(keys, [], `day ${seed}`, 1)[0]);
    const counts = keys.map((key) => firsts.filter((one) => one === key).length);
    // chi-square, three degrees of freedom: 16.27 is passed by one chance in a thousand (published tables)
    const chi = counts.reduce((sum, count) => sum + (count - 1000) ** 2 / 1000, 0);
    expect(chi).toBeLessThan(16.27);
  });

  it('are the key in hand by the number played, one drawn twice where it was left', () => {
    const keys = ['C', 'G'].map((key) => ({ ...first, key }));
    const work = { ...WAY, unit: 'quarter', octaves: 2, pattern: '', keys, draw: [1, 0] } as const;
    expect(keyInHand(work, []).key).toBe('G');
    expect(keyInHand(work, answered('G', 'c')).key).toBe('C');
    const round = [...answered('G', 'c'), ...answered('C', 'n')];
    expect(keyInHand(work, round)).toMatchObject({ key: 'G', marks: 'c' });
  });

  it('are read from events without those taken back, however they are typed once', () => {
    const event = (seq: number, more: object) =>
      ({ id: `e${seq}`, device: 'd', seq, atMs: seq, date: '2026-11-24', block: 'b', ...more }) as DeskEvent;
    const key = { kind: 'key', fundamental: 'f', key: 'C', bpm: 60, stage: 'beats', mark: 'c' };
    const events = [event(0, key), event(1, { ...key, key: 'G' }), event(2, { kind: 'undo', event: 'e1' })];
    expect(keysPlayedIn(events).get('f')).toEqual([{ key: 'C', bpm: 60, stage: 'beats', mark: 'c' }]);
    expect(readKeys(' C , g minor;C\nB  flat')).toEqual(['C', 'g minor', 'B flat']);
    expect(readKeys(' , ')).toEqual([]);
  });
});

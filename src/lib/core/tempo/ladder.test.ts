import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { BEAT_UNITS } from '../units';
import { type StepSchool, fitLadder } from './ladder';
import { clickOf, clickableRange } from './scale';
import { recordedTempo, sectionSeconds, targetOf } from './target';

const auto: StepSchool = { kind: 'scale', clicks: 'auto' };

describe('a ladder', () => {
  it('climbs the traditional scale one click when shaky and two when easy', () => {
    expect(fitLadder(56, 69, 'quarter', auto, 0.7)).toEqual([56, 58, 60, 63, 66, 69]);
    expect(fitLadder(56, 69, 'quarter', auto, 0.9)).toEqual([56, 60, 66, 69]);
    expect(fitLadder(56, 69, 'quarter', { kind: 'scale', clicks: 2 }, 0.2)).toEqual([56, 60, 66, 69]);
  });

  it('keeps start and target as they are, on the scale or off it', () => {
    expect(fitLadder(57, 67, 'quarter', auto, 0.7)).toEqual([57, 58, 60, 63, 66, 67]);
  });

  it('has 48, 52, 56, 60 as a +4 ladder (common practice, no published source)', () => {
    expect(fitLadder(48, 60, 'quarter', { kind: 'plus', bpm: 4 }, 0.7)).toEqual([48, 52, 56, 60]);
  });

  it('takes twenty-one steps of +3 less one from 60 to 120 (common practice: +3 a day over 21 days)', () => {
    const rungs = fitLadder(60, 120, 'quarter', { kind: 'plus', bpm: 3 }, 0.7);
    expect(rungs).toHaveLength(21);
    expect(rungs.at(-2)).toBe(117);
  });

  it('steps by a fixed percentage of what the metronome said, in whole numbers', () => {
    // 60 x 1.1 = 66, 72.6 -> 73, 80.3 -> 80, then the target
    expect(fitLadder(60, 88, 'quarter', { kind: 'percent', percent: 10 }, 0.7)).toEqual([60, 66, 73, 80, 88]);
  });

  it('zigzags one back and two forward, by the same heights from wherever it is taken up again', () => {
    const from = (start: number) => fitLadder(start, 56, 'quarter', { kind: 'zigzag' }, 0.7);
    expect(from(48)).toEqual([48, 46, 50, 48, 52, 50, 54, 52, 56]);
    expect(from(52)).toEqual([52, 50, 54, 52, 56]);
    expect(from(54)).toEqual([54, 52, 56]);
  });

  it('is the target alone when the start is at or above it', () => {
    expect(fitLadder(66, 66, 'quarter', auto, 0.7)).toEqual([66]);
    expect(fitLadder(80, 66, 'quarter', auto, 0.7)).toEqual([66]);
  });

  it('clicks the subdivision below 40: from dotted quarter 29 the metronome says eighth 87, 92, 96 ...', () => {
    const rungs = fitLadder(29, 42, 'dotted-quarter', auto, 0.7);
    expect(rungs.map((bpm) => Math.round(clickOf({ bpm, unit: 'dotted-quarter' })!.bpm))).toEqual([
      87, 92, 96, 100, 104, 108, 112, 116, 40, 42
    ]);
  });

  it('rises strictly, ends exactly on its target and says only whole clicks, whatever the school', () => {
    const school = fc.oneof(
      fc.constant(auto),
      fc.record({ kind: fc.constant('plus' as const), bpm: fc.integer({ min: 1, max: 12 }) }),
      fc.record({ kind: fc.constant('percent' as const), percent: fc.integer({ min: 1, max: 15 }) })
    );
    fc.assert(
      fc.property(
        fc.constantFrom(...BEAT_UNITS),
        fc.integer({ min: 20, max: 200 }),
        fc.integer({ min: 20, max: 200 }),
        school,
        (unit, a, b, step) => {
          const { lowest } = clickableRange(unit);
          const [start, target] = [
            Math.max(Math.ceil(lowest), Math.min(a, b)),
            Math.max(Math.ceil(lowest), Math.max(a, b))
          ];
          const rungs = fitLadder(start, target, unit, step, 0.7);
          expect(rungs.at(-1)).toBe(target);
          expect(rungs[0]).toBe(start >= target ? target : start);
          rungs.slice(1).forEach((bpm, i) => expect(bpm).toBeGreaterThan(rungs[i]!));
          for (const bpm of rungs.slice(1, -1)) {
            const said = clickOf({ bpm, unit })!.bpm;
            expect(Math.abs(said - Math.round(said))).toBeLessThan(1e-6);
          }
        }
      ),
      { seed: 3, numRuns: 400 }
    );
  });
});

describe('a target', () => {
  it('is the low end of a published range, or the stretch in it', () => {
    expect(targetOf({ kind: 'range', unit: 'quarter', lowBpm: 80, highBpm: 92 })).toEqual({
      bpm: 80,
      unit: 'quarter'
    });
    expect(targetOf({ kind: 'range', unit: 'quarter', lowBpm: 80, highBpm: 92, stretchBpm: 86 })!.bpm).toBe(
      86
    );
  });

  it('without a range is the rounded mean or median of recordings', () => {
    // 88 + 92 + 90 + 91 + 120 = 481; / 5 = 96.2. Sorted middle: 91.
    const recordings = [88, 92, 90, 91, 120];
    expect(recordedTempo(recordings, 'mean')).toBe(96);
    expect(recordedTempo(recordings, 'median')).toBe(91);
    expect(recordedTempo([90, 93], 'median')).toBe(92);
  });

  it('is none for a free section', () => {
    expect(targetOf({ kind: 'free', minutesPerWeek: 15 })).toBeNull();
  });
});

describe('the length of music', () => {
  it('is bars x beats / bpm, with the pickup', () => {
    // 12 bars of 6/8 in dotted quarters: 24 beats and 1 of pickup at 60 last 25 s
    expect(sectionSeconds({ kind: 'pulse', unit: 'dotted-quarter', targetBpm: 60 }, '6/8', 12, 1, 60)).toBe(
      25
    );
  });

  it('of an even change from 60 to 120 is beats x ln 2 / 60 minutes', () => {
    // 60 beats: 60 x 0.693147 / 60 min = 41.589 s; played at half the target, twice as long
    const change = { kind: 'change', unit: 'quarter', fromBpm: 60, toBpm: 120 } as const;
    expect(sectionSeconds(change, '4/4', 15, 0, 120)).toBeCloseTo(41.589, 3);
    expect(sectionSeconds(change, '4/4', 15, 0, 60)).toBeCloseTo(83.178, 3);
  });
});

import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type Placed, barAt, measuredTempo, sameMusic, startOfBar } from './places';

/** Bars 41 to 48 in 4/4 at quarter 60, a bar of 4 s, after a count of 2 s. */
const take: Placed = {
  fromBar: 41,
  toBar: 48,
  tempo: { bpm: 60, unit: 'quarter' },
  musicAtMs: 2000,
  anchors: []
};

describe('where a bar lies in a take', () => {
  it('follows from the tempo, the metre and the end of the count', () => {
    expect([41, 42, 48, 49].map((bar) => startOfBar(take, '4/4', bar))).toEqual([2000, 6000, 30_000, 34_000]);
    expect([1999, 2000, 5999, 6000, 33_999, 34_000].map((ms) => barAt(take, '4/4', ms))).toEqual([
      null,
      41,
      41,
      42,
      48,
      null
    ]);
  });

  it('counts beats in the unit of the tempo: dotted quarter 60 in 6/8 is a bar of two seconds', () => {
    const compound = { ...take, tempo: { bpm: 60, unit: 'dotted-quarter' as const } };
    expect(startOfBar(compound, '6/8', 42)).toBe(4000);
  });

  it('goes through bars that were found by hand: evenly between them, at the tempo beyond', () => {
    // bar 43 came at 12 s, not at 10
    const found = { ...take, anchors: [{ bar: 43, atMs: 12_000 }] };
    expect([41, 42, 43, 44].map((bar) => startOfBar(found, '4/4', bar))).toEqual([
      2000, 7000, 12_000, 16_000
    ]);
    const moved = { ...take, anchors: [{ bar: 41, atMs: 3000 }] };
    expect(startOfBar(moved, '4/4', 42)).toBe(7000);
  });

  it('goes on at the pace of what was found where no tempo is known, and is not known before anything is', () => {
    const file = { ...take, tempo: null, musicAtMs: 0 };
    expect(startOfBar(file, '4/4', 42)).toBeNull();
    expect(barAt(file, '4/4', 5000)).toBeNull();
    const found = { ...file, anchors: [{ bar: 43, atMs: 6000 }] };
    expect([42, 44].map((bar) => startOfBar(found, '4/4', bar))).toEqual([3000, 9000]);
  });

  it('takes no bar that was found before an earlier one', () => {
    const slipped = {
      ...take,
      anchors: [
        { bar: 43, atMs: 12_000 },
        { bar: 44, atMs: 5000 }
      ]
    };
    expect(startOfBar(slipped, '4/4', 44)).toBe(16_000);
  });

  it('is the same music in another take, whatever its tempo', () => {
    const slower = { ...take, tempo: { bpm: 40, unit: 'quarter' as const }, musicAtMs: 3000 };
    // half of bar 43: at 12 s here; there bars last 6 s, after 3 s
    expect(sameMusic(take, slower, '4/4', 12_000)).toBe(18_000);
    expect(sameMusic(slower, take, '4/4', 18_000)).toBe(12_000);
    expect(sameMusic({ ...take, tempo: null }, slower, '4/4', 5000)).toBe(5000);
  });

  it('measures what was played between two bars that were set by hand', () => {
    // eight bars of four quarters in 24 s: 32 quarters in 24 s are 80 a minute; in 3/4 eight dotted halves, 20 a minute
    const anchors = [
      { bar: 5, atMs: 1000 },
      { bar: 13, atMs: 25_000 },
      { bar: 9, atMs: 12_000 }
    ];
    expect(measuredTempo({ anchors }, '4/4', 'quarter')).toEqual({ fromBar: 5, toBar: 13, bpm: 80 });
    expect(measuredTempo({ anchors }, '3/4', 'dotted-half')!.bpm).toBeCloseTo(20, 9);
    expect(measuredTempo({ anchors: anchors.slice(0, 1) }, '4/4', 'quarter')).toBeNull();
    expect(measuredTempo({ anchors: [anchors[0]!, { bar: 6, atMs: 900 }] }, '4/4', 'quarter')).toBeNull();
  });

  it('is the same asked from either side', () => {
    const anchors = fc.array(
      fc.record({ bar: fc.integer({ min: 41, max: 48 }), atMs: fc.integer({ min: 2001, max: 60_000 }) }),
      { maxLength: 4 }
    );
    fc.assert(
      fc.property(anchors, fc.integer({ min: 41, max: 48 }), (found, bar) => {
        const placed = { ...take, anchors: found };
        const start = startOfBar(placed, '4/4', bar)!;
        const end = startOfBar(placed, '4/4', bar + 1)!;
        expect(end).toBeGreaterThan(start);
        expect(barAt(placed, '4/4', (start + end) / 2)).toBe(bar);
      }),
      { seed: 16, numRuns: 400 }
    );
  });
});

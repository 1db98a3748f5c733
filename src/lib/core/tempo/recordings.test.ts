import { describe, expect, it } from 'vitest';
import { measureBeats, measureTaps, readRecordings } from './recordings';

describe('a tempo measured', () => {
  it('by taps is that of an even click to the tenth, and one late tap moves it little', () => {
    // 92 bpm: a beat every 652.17 ms
    const even = Array.from({ length: 9 }, (_, i) => (i * 60_000) / 92);
    expect(measureTaps(even)).toBe(92);
    const late = even.map((t, i) => (i === 4 ? t + 60 : t));
    expect(Math.abs(measureTaps(late)! - 92)).toBeLessThan(0.3);
    expect(measureTaps(even.slice(0, 3))).toBeNull();
  });

  it('by beats and seconds is beats x 60 / seconds', () => {
    expect(measureBeats(32, 20)).toBe(96);
    expect(measureBeats(7, 6.2)).toBe(67.7);
    expect(measureBeats(0, 6)).toBeNull();
  });
});

describe('several recordings', () => {
  it('have a mean, a median and a spread', () => {
    // 460 / 5 = 92; sorted 88 90 92 94 96
    expect(readRecordings([92, 88, 96, 90, 94])).toMatchObject({
      mean: 92,
      median: 92,
      low: 88,
      high: 96,
      odd: []
    });
    expect(readRecordings([90, 94])).toMatchObject({ mean: 92, median: 92, odd: [] });
    expect(readRecordings([])).toBeNull();
  });

  it('show the one that is far from the others', () => {
    // median 92, deviations 0 2 2 1 28, their median 2: 0.6745 x 28 / 2 = 9.4
    expect(readRecordings([92, 90, 94, 91, 120])!.odd).toEqual([4]);
    // 0.6745 x 6 / 2 = 2.02: within what differs by itself
    expect(readRecordings([92, 90, 94, 91, 98])!.odd).toEqual([]);
    expect(readRecordings([92, 92, 92, 92, 100])!.odd).toEqual([4]);
  });
});

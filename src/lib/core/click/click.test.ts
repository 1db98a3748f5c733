import { describe, expect, it } from 'vitest';
import { ClickEngine, tempoOfTaps } from './index';

/** A render quantum of the browser. */
const QUANTUM = 128;

/** Samples at which a sound begins in what was rendered, found in the sound itself: it jumps up from what was falling. */
function onsetsIn(
  engine: ClickEngine,
  seconds: number,
  rate: number,
  at?: (sample: number) => void
): number[] {
  const onsets: number[] = [];
  let before = 0;
  let peak = 0;
  const out = new Float32Array(QUANTUM);
  for (let from = 0; from < seconds * rate; from += QUANTUM) {
    at?.(from);
    out.fill(0);
    engine.fill(out);
    for (let i = 0; i < QUANTUM; i += 1) {
      const size = Math.abs(out[i]!);
      // a struck sound is loudest at its first sample; what falls never comes near that again
      if (size > 0.5 && size - before > 0.3 && size > peak) onsets.push(from + i);
      peak = size > 0.5 ? Math.max(peak, size) : peak * 0.999;
      before = size;
    }
  }
  return onsets;
}

describe('the click', () => {
  it('lies within one sample of its place over ten minutes, at twenty settings', () => {
    const settings: [bpm: number, rate: number][] = [20, 33, 40, 42.5, 58, 63, 69, 76, 92, 108].flatMap(
      (bpm, i): [number, number][] => [
        [bpm, 48_000],
        [bpm * 2 + i, 44_100]
      ]
    );
    expect(settings).toHaveLength(20);
    for (const [bpm, rate] of settings) {
      const engine = new ClickEngine(rate);
      engine.start(bpm, { perBar: 0 });
      const places: number[] = [];
      const out = new Float32Array(QUANTUM);
      let heard = 0;
      for (let from = 0; from < 600 * rate; from += QUANTUM) {
        out.fill(0);
        for (const { at } of engine.fill(out)) {
          places.push(at);
          // it is heard where it is said to be
          if (Math.abs(out[at - from]!) >= 0.59) heard += 1;
        }
      }
      // beat n lies at n x 60 / bpm seconds
      const worst = Math.max(...places.map((at, n) => Math.abs(at - (n * 60 * rate) / bpm)));
      expect(worst, `${bpm} at ${rate}`).toBeLessThanOrEqual(0.5);
      const rendered = Math.ceil((600 * rate) / QUANTUM) * QUANTUM;
      expect([places.length, heard]).toEqual([
        Math.ceil((rendered * bpm) / (60 * rate) - 1e-9),
        places.length
      ]);
    }
  });

  it('is found where it should be in the sound alone, and nowhere else', () => {
    const engine = new ClickEngine(48_000);
    engine.start(100, { perBar: 4 });
    // 100 a minute: every 28,800 samples
    expect(onsetsIn(engine, 3, 48_000)).toEqual([0, 28_800, 57_600, 86_400, 115_200]);
  });

  it('takes a new tempo at the next beat, without a gap', () => {
    const engine = new ClickEngine(48_000);
    engine.start(60, { perBar: 0 });
    // told in the middle of the second beat, 1.5 s in: the third is where it was, the fourth half a second on
    const onsets = onsetsIn(engine, 4, 48_000, (sample) => {
      if (sample === 72_064 - (72_064 % QUANTUM)) engine.setTempo(120);
    });
    expect(onsets).toEqual([0, 48_000, 96_000, 120_000, 144_000, 168_000]);
  });

  it('accents the first of each bar, begins anew, and is silent when stopped', () => {
    const engine = new ClickEngine(1000);
    engine.start(60, { perBar: 3 });
    const out = () => engine.fill(new Float32Array(4000));
    expect(out().map(({ isAccent }) => isAccent)).toEqual([true, false, false, true]);
    engine.stop();
    expect(out()).toEqual([]);
    engine.start(120, { perBar: 0 });
    expect(out().map(({ at, isAccent }) => [at, isAccent])).toEqual(
      [8000, 8500, 9000, 9500, 10_000, 10_500, 11_000, 11_500].map((at) => [at, false])
    );
  });

  it('refuses what is no click', () => {
    const engine = new ClickEngine(48_000);
    for (const bpm of [5, 19.9, 401, 900, Number.NaN])
      expect(() => engine.start(bpm, { perBar: 4 })).toThrow(RangeError);
  });
});

describe('a tapped tempo', () => {
  it('is the median of the intervals, from four taps on, and begins anew after a pause', () => {
    expect(tempoOfTaps([0, 500, 1000])).toBeNull();
    // intervals of 500, 500, 700: one late tap moves nothing
    expect(tempoOfTaps([0, 500, 1000, 1700])).toBe(120);
    expect(tempoOfTaps([0, 500, 1000, 1500, 9000, 10_000, 11_000])).toBeNull();
    expect(tempoOfTaps([0, 500, 9000, 10_000, 11_000, 12_000])).toBe(60);
  });
});

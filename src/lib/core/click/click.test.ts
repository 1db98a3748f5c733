import { describe, expect, it } from 'vitest';
import { type ClickStage, ClickEngine, CLICK_STAGES, countOffBeats, soundsOf, tempoOfTaps } from './index';

const plain = (perBar: number) => ({ perBar, parts: 1, stage: 'beats', countOff: 0 }) as const;

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
      engine.start(bpm, plain(0));
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
    engine.start(100, plain(4));
    // 100 a minute: every 28,800 samples
    expect(onsetsIn(engine, 3, 48_000)).toEqual([0, 28_800, 57_600, 86_400, 115_200]);
  });

  it('takes a new tempo at the next beat, without a gap', () => {
    const engine = new ClickEngine(48_000);
    engine.start(60, plain(0));
    // told in the middle of the second beat, 1.5 s in: the third is where it was, the fourth half a second on
    const onsets = onsetsIn(engine, 4, 48_000, (sample) => {
      if (sample === 72_064 - (72_064 % QUANTUM)) engine.setTempo(120);
    });
    expect(onsets).toEqual([0, 48_000, 96_000, 120_000, 144_000, 168_000]);
  });

  it('accents the first of each bar, begins anew, and is silent when stopped', () => {
    const engine = new ClickEngine(1000);
    engine.start(60, plain(3));
    const out = () => engine.fill(new Float32Array(4000));
    expect(out().map(({ kind }) => kind)).toEqual(['accent', 'beat', 'beat', 'accent']);
    engine.stop();
    expect(out()).toEqual([]);
    engine.start(120, plain(0));
    expect(out().map(({ at, kind }) => [at, kind])).toEqual(
      [8000, 8500, 9000, 9500, 10_000, 10_500, 11_000, 11_500].map((at) => [at, 'beat'])
    );
  });

  it('follows the player’s clock: what lay in skipped samples begins at once, and what comes after in its place', () => {
    const engine = new ClickEngine(1000);
    engine.start(60, plain(0));
    engine.fill(new Float32Array(900));
    // 900 to 1100 are skipped, and in them the second beat
    const heard = engine.fill(new Float32Array(2000), 1100);
    expect(heard.map(({ at, late, skipped }) => [at, late, skipped])).toEqual([
      [1100, 100, 200],
      [2000, 0, 0],
      [3000, 0, 0]
    ]);
  });

  it('refuses what is no click', () => {
    const engine = new ClickEngine(48_000);
    for (const bpm of [5, 19.9, 401, 900, Number.NaN])
      expect(() => engine.start(bpm, plain(4))).toThrow(RangeError);
  });
});

describe('a thinned click', () => {
  /** Where the sounds of the first beats lie, in beats; 4/4, nothing counted before. */
  const places = (stage: ClickStage, beats: number, countOff = 0) =>
    Array.from({ length: beats }, (_, beat) =>
      soundsOf({ perBar: 4, parts: 4, stage, countOff }, beat).map(({ offset }) => beat + offset)
    ).flat();

  it('leaves more to the player at each stage', () => {
    expect(places('subdivisions', 2)).toEqual([0, 0.25, 0.5, 0.75, 1, 1.25, 1.5, 1.75]);
    expect(places('beats and off-beats', 2)).toEqual([0, 0.5, 1, 1.5]);
    expect(places('beats', 4)).toEqual([0, 1, 2, 3]);
    expect(places('off-beats', 2)).toEqual([0.5, 1.5]);
    expect(places('downbeats', 9)).toEqual([0, 4, 8]);
    expect(places('one bar on, one off', 12)).toEqual([0, 1, 2, 3, 8, 9, 10, 11]);
    expect(places('two bars on, two off', 16)).toEqual([0, 1, 2, 3, 4, 5, 6, 7]);
    expect(places('none', 8)).toEqual([]);
    const counts = CLICK_STAGES.map((stage) => places(stage, 64).length);
    expect(counts[0]).toBe(Math.max(...counts));
    expect(counts.at(-1)).toBe(0);
  });

  it('counts a bar before it, two where the bar is under two seconds, and stops where a pickup enters', () => {
    expect(places('downbeats', 9, 4)).toEqual([0, 1, 2, 3, 4, 8]);
    // the bars that are on begin behind the count
    expect(places('one bar on, one off', 16, 4)).toEqual([0, 1, 2, 3, 4, 5, 6, 7, 12, 13, 14, 15]);
    // 4/4 at 100: 2.4 s; at 132: 1.8 s; a pickup on three of three
    expect([countOffBeats(4, 100), countOffBeats(4, 132), countOffBeats(3, 60, 1)]).toEqual([4, 8, 2]);
    expect(countOffBeats(0, 60)).toBe(0);
  });

  it('lies between the beats to the sample, and takes a new tempo with the beat, not within it', () => {
    const engine = new ClickEngine(48_000);
    engine.start(60, { perBar: 4, parts: 3, stage: 'subdivisions', countOff: 0 });
    const first = engine.fill(new Float32Array(24_000));
    engine.setTempo(120);
    const rest = engine.fill(new Float32Array(72_000));
    expect([...first, ...rest].map(({ at }) => at)).toEqual([
      0, 16_000, 32_000, 48_000, 56_000, 64_000, 72_000, 80_000, 88_000
    ]);
  });
});

describe('a click through several tempos', () => {
  const through = [
    { bpm: 60, beats: 4, perBar: 4, isSilent: false },
    { bpm: 120, beats: 2, perBar: 2, isSilent: true },
    { bpm: 90, beats: 3, perBar: 3, isSilent: false }
  ];

  it('changes at the seam to the sample, is silent where it is free, and ends with the last', () => {
    const engine = new ClickEngine(48_000);
    engine.start(60, { ...plain(4), through });
    const heard = engine.fill(new Float32Array(48_000 * 20));
    // four seconds, one second of silence, then two thirds of a second each
    expect(heard.map(({ at, kind }) => [at, kind])).toEqual([
      [0, 'accent'],
      [48_000, 'beat'],
      [96_000, 'beat'],
      [144_000, 'beat'],
      [240_000, 'accent'],
      [272_000, 'beat'],
      [304_000, 'beat']
    ]);
    expect(engine.fill(new Float32Array(48_000))).toEqual([]);
    expect(engine.isOn).toBe(false);
  });

  it('counts off at the first tempo before it begins', () => {
    const engine = new ClickEngine(1000);
    engine.start(60, { ...plain(2), countOff: 2, through });
    const heard = engine.fill(new Float32Array(12_000));
    expect(heard.map(({ at }) => at)).toEqual([0, 1000, 2000, 3000, 4000, 5000, 7000, 7667, 8333]);
    expect(heard.map(({ isCountOff }) => isCountOff).slice(0, 3)).toEqual([true, true, false]);
  });

  it('lies within one sample after a hundred bars that each have another tempo', () => {
    const bars = Array.from({ length: 100 }, (_, n) => 60 * 2 ** (n / 100));
    const engine = new ClickEngine(44_100);
    engine.start(60, {
      ...plain(4),
      through: bars.map((bpm) => ({ bpm, beats: 4, perBar: 4, isSilent: false }))
    });
    const heard = engine.fill(new Float32Array(44_100 * 320));
    let place = 0;
    const meant = bars.flatMap((bpm) =>
      Array.from({ length: 4 }, () => {
        const at = place;
        place += (60 * 44_100) / bpm;
        return at;
      })
    );
    expect(heard).toHaveLength(400);
    expect(Math.max(...heard.map(({ at }, i) => Math.abs(at - meant[i]!)))).toBeLessThanOrEqual(0.5001);
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

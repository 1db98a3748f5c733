import { freq, midi, transpose } from '@tonaljs/note';
import { describe, expect, it } from 'vitest';
import { dice } from '../../../../tests/fixtures/dice';
import { LOOK_SAMPLES, pitchReader } from './detect';
import { type Listening, type Tone, SILENCE, afterLook, joinSpreads, sayCents, spreadsOf } from './listen';
import {
  WRITTEN_FOR,
  droneOf,
  frequencyOf,
  heardAs,
  nameOfNote,
  octaveOf,
  soundingNote,
  writtenNote
} from './notes';

const RATE = 48_000;
const centsBetween = (a: number, b: number) => 1200 * Math.log2(a / b);

/** A tone as an instrument might make it: overtones of falling strength and any phase. */
function tone(frequency: number, overtones: readonly number[], samples = LOOK_SAMPLES): Float32Array {
  return Float32Array.from({ length: samples }, (_, i) =>
    overtones.reduce(
      (sum, level, n) =>
        frequency * (n + 1) > RATE / 2
          ? sum
          : sum + 0.2 * level * Math.sin((2 * Math.PI * frequency * (n + 1) * i) / RATE + n),
      0
    )
  );
}

describe('notes', () => {
  it('lie where a reference library of music theory has them, within a tenth of a cent', () => {
    // @tonaljs/note: names, numbers and frequencies in equal temperament at A = 440
    for (let note = 21; note <= 108; note += 1) {
      const name = `${nameOfNote(note).replace('♯', '#').replace('♭', 'b')}${octaveOf(note)}`;
      expect(midi(name)).toBe(note);
      expect(Math.abs(centsBetween(frequencyOf(note, 440), freq(name)!))).toBeLessThan(0.1);
      expect(Math.abs(centsBetween(frequencyOf(note, 442), (freq(name)! * 442) / 440))).toBeLessThan(0.1);
    }
  });

  it('sound as a drone with an equal or a pure fifth', () => {
    const [root, fifth] = droneOf(62, 440, { hasFifth: true, isPure: false });
    expect([root, fifth].map((f, i) => Math.abs(centsBetween(f!, freq(['D4', 'A4'][i]!)!)) < 0.1)).toEqual([
      true,
      true
    ]);
    const pure = droneOf(62, 440, { hasFifth: true, isPure: true });
    expect(pure[1]! / pure[0]!).toBe(1.5);
    expect(droneOf(62, 440, { hasFifth: false, isPure: true })).toHaveLength(1);
  });

  it('are heard as the nearest, and over a root thirds and fifths are meant pure', () => {
    expect(heardAs(440, 440, null)).toEqual({ note: 69, cents: 0 });
    expect(heardAs(445, 440, null).cents).toBeCloseTo(centsBetween(445, 440), 6);
    // over D: a pure third 5:4, 13.7 cents under the equal one, is in tune; the equal one is as much too high
    const third = heardAs(frequencyOf(62, 440) * 1.25, 440, 62);
    expect([third.note, Math.abs(third.cents) < 1e-9]).toEqual([66, true]);
    expect(heardAs(frequencyOf(66, 440), 440, 62).cents).toBeCloseTo(13.686, 2);
    expect(heardAs(frequencyOf(69, 440), 440, 62).cents).toBeCloseTo(-1.955, 2);
  });

  it('are written as transposing instruments read them', () => {
    // a sounding C is read as D in B flat, E flat in A, G in F, A in E flat, B flat in D: a textbook's intervals, by the same library
    const up = { C: '1P', 'B flat': '2M', A: '3m', F: '5P', 'E flat': '-3m', D: '-2M' } as const;
    for (const of of Object.keys(WRITTEN_FOR) as (keyof typeof up)[]) {
      expect(writtenNote(60, of, 0)).toBe(midi(transpose('C4', up[of])));
      expect(soundingNote(writtenNote(60, of, 1), of, 1)).toBe(60);
    }
    expect(writtenNote(36, 'C', 1)).toBe(48);
  });
});

describe('the tuner', () => {
  it('reads tones from 30 to 2,000 Hz within a cent, plain and rich', () => {
    const read = pitchReader(RATE);
    let count = 0;
    for (let frequency = 30; frequency <= 2000; frequency *= 1.0137)
      for (const overtones of [[1], [1, 0.7, 0.5, 0.35, 0.2], [0.2, 1, 0.6, 0.4]]) {
        const heard = read(tone(frequency, overtones));
        expect(heard, `${frequency} ${overtones.length}`).not.toBeNull();
        expect(Math.abs(centsBetween(heard!, frequency)), `${frequency} of ${overtones.length}`).toBeLessThan(
          1
        );
        count += 1;
      }
    expect(count).toBeGreaterThan(900);
  });

  it('says none of noise, of silence and of a quiet room', () => {
    const read = pitchReader(RATE);
    const roll = dice(7);
    for (let i = 0; i < 60; i += 1) {
      let low = 0;
      // white noise, and the same through a filter, as breath is
      const noise = Float32Array.from({ length: LOOK_SAMPLES }, () => roll(20_001) / 10_000 - 1);
      const breath = noise.map((x) => (low += 0.2 * (x - low)));
      expect([read(noise), read(breath)]).toEqual([null, null]);
    }
    expect(read(new Float32Array(LOOK_SAMPLES))).toBeNull();
    expect(read(tone(440, [1]).map((x) => x / 100))).toBeNull();
  });

  it('shows a note while two looks agree, holds it for a moment, and remembers what lasted', () => {
    let listening: Listening = SILENCE;
    const tones: Tone[] = [];
    const look = (heard: { note: number; cents: number } | null, atMs: number) => {
      const next = afterLook(listening, heard, atMs);
      listening = next.listening;
      if (next.ended) tones.push(next.ended);
    };
    look({ note: 66, cents: 7 }, 0);
    expect(listening.now).toBeNull();
    [8, 9, 40, 9, 9, 10, 9].forEach((cents, i) => look({ note: 66, cents }, 60 * (i + 1)));
    // one look that was out moves nothing
    expect(listening.now).toEqual({ note: 66, cents: 9, isHeld: false });
    // a short gap ends nothing
    look(null, 480);
    look({ note: 66, cents: 9 }, 540);
    expect(tones).toEqual([]);
    for (let at = 600; at <= 1400; at += 60) look(null, at);
    expect(listening.now).toEqual({ note: 66, cents: 9, isHeld: true });
    expect(tones).toEqual([{ note: 66, cents: 9 }]);
    for (let at = 1460; at <= 2200; at += 60) look(null, at);
    expect(listening.now).toBeNull();
    // a note that follows without a gap is another
    for (let n = 0; n < 8; n += 1) look({ note: 64, cents: 4 }, 2300 + 50 * n);
    for (let n = 0; n < 8; n += 1) look({ note: 65, cents: -6 }, 2700 + 50 * n);
    look(null, 3300);
    expect(tones.splice(1)).toEqual([
      { note: 64, cents: 4 },
      { note: 65, cents: -6 }
    ]);
    // a passing note is not remembered
    [0, 60, 120].forEach((at) => look({ note: 60, cents: 0 }, 5000 + at));
    look({ note: 62, cents: 0 }, 5180);
    expect(tones).toHaveLength(1);
  });

  it('remembers where each note lies: its median, and the middle half', () => {
    const heard = [5, 9, 7, 11, 8].map((cents) => ({ note: 66, cents }));
    expect(spreadsOf([...heard, { note: 60, cents: -3 }])).toEqual([
      { note: 60, median: -3, low: -3, high: -3, count: 1 },
      { note: 66, median: 8, low: 7, high: 9, count: 5 }
    ]);
    const joined = joinSpreads([spreadsOf(heard), [{ note: 66, median: 2, low: 1, high: 3, count: 1 }]]);
    expect(joined).toEqual([{ note: 66, median: 7, low: 6, high: 8, count: 6 }]);
    expect([9.4, -5, 0.3].map(sayCents)).toEqual(['9 high', '5 low', 'in tune']);
  });
});

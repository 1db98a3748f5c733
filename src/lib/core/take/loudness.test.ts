import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { interleaved, inventedPlaying } from '../../../../tests/fixtures/playing';
import { LOUDNESS_RATE, gainsFor, integratedLoudness } from './loudness';

/** Both channels alike: a sine of 1 kHz at levels in dB under full scale, each for so many seconds. */
function tone(...parts: readonly (readonly [level: number, seconds: number])[]): Float32Array[] {
  const lengths = parts.map(([, seconds]) => Math.round(seconds * LOUDNESS_RATE));
  const samples = new Float32Array(lengths.reduce((sum, length) => sum + length, 0));
  let at = 0;
  parts.forEach(([level], part) => {
    const size = 10 ** (level / 20);
    for (let i = 0; i < lengths[part]!; i += 1, at += 1)
      samples[at] = size * Math.sin((2 * Math.PI * 1000 * i) / LOUDNESS_RATE);
  });
  return [samples, samples];
}

describe('integrated loudness', () => {
  // the test signals 1 to 5 of EBU Tech 3341, computed here; their values from memory: -33 for the second, -23 for the others, within 0.1 LU
  it.each([
    ['a tone at -23 dBFS', -23, [[-23, 20]]],
    ['a tone at -33 dBFS', -33, [[-33, 20]]],
    [
      'softer ends, which the gate leaves out',
      -23,
      [
        [-36, 10],
        [-23, 60],
        [-36, 10]
      ]
    ],
    [
      'near silence about them besides',
      -23,
      [
        [-72, 10],
        [-36, 10],
        [-23, 60],
        [-36, 10],
        [-72, 10]
      ]
    ],
    [
      'a louder middle',
      -23,
      [
        [-26, 20],
        [-20, 20.1],
        [-26, 20]
      ]
    ]
  ] as const)('of %s is %d LUFS', (_name, loudness, parts) => {
    expect(Math.abs(integratedLoudness(tone(...parts))! - loudness)).toBeLessThan(0.1);
  });

  it('of one channel is 3 LU under that of two alike, and of silence is none', () => {
    const both = tone([-23, 5]);
    const one = integratedLoudness([both[0]!])!;
    expect(integratedLoudness(both)! - one).toBeCloseTo(10 * Math.log10(2), 6);
    expect(integratedLoudness([new Float32Array(LOUDNESS_RATE)])).toBeNull();
    expect(integratedLoudness(tone([-20, 0.3]))).toBeNull();
  });
});

describe('integrated loudness, beside libebur128', () => {
  const folder = mkdtempSync(join(tmpdir(), 'irvot-loudness-'));
  const program = join(folder, 'loudness');
  afterAll(() => rmSync(folder, { recursive: true }));
  beforeAll(() => execFileSync('gcc', ['tests/sound/loudness.c', '-o', program, '-lebur128']));

  it.each([1, 2, 3, 4])('is the same within 0.01 LU for invented playing (%d)', (seed) => {
    const playing = inventedPlaying(seed, 12);
    const theirs = Number(execFileSync(program, { input: interleaved(playing), encoding: 'utf8' }));
    expect(theirs).toBeGreaterThan(-50);
    expect(Math.abs(integratedLoudness(playing)! - theirs)).toBeLessThan(0.01);
  });
});

describe('two takes at one level', () => {
  it('are both as loud as the softer one', () => {
    const [first, second] = gainsFor(-20, -26);
    expect([first, second]).toEqual([10 ** (-6 / 20), 1]);
    const louder = tone([-20, 5]).map((samples) => samples.map((sample) => sample * first));
    expect(integratedLoudness(louder)!).toBeCloseTo(integratedLoudness(tone([-26, 5]))!, 3);
    expect(gainsFor(null, -20)).toEqual([1, 1]);
  });
});

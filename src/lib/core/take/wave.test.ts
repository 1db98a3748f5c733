import { spawnSync } from 'node:child_process';
import { describe, expect, it } from 'vitest';
import { interleaved, inventedPlaying } from '../../../../tests/fixtures/playing';
import { MOST_PEAKS } from '../record/words';
import { levelFault } from './level';
import { partsOf, peaksOf } from './wave';

const goOn = () => Promise.resolve(false);

describe('the outline of a sound', () => {
  it('has the loudest of each part, over all channels', async () => {
    // worked by hand: parts of two samples; 255 x 0.5 = 127.5, 255 x 0.2 = 51
    const left = Float32Array.of(0.1, -0.5, 0.2, 0, 0, 0.04);
    const right = Float32Array.of(0, 0, 0, -0.1, 1.5, 0);
    expect([...(await peaksOf([left, right], 3, goOn))!]).toEqual([128, 51, 255]);
  });

  it('is what SoX finds to be the loudest of each quarter of a second', async () => {
    const playing = inventedPlaying(5, 3);
    const ours = [...(await peaksOf(playing, 12, goOn))!];
    const sound = interleaved(playing);
    const quarter = sound.length / 12;
    const theirs = ours.map((_, part) => {
      const raw = ['-t', 'f32', '-r', '48000', '-c', '2', '-', '-n', 'stat'];
      const { stderr } = spawnSync('sox', raw, {
        input: sound.subarray(part * quarter, (part + 1) * quarter),
        encoding: 'utf8'
      });
      const sizeOf = (end: string) =>
        Math.abs(Number(new RegExp(`${end} amplitude: +(\\S+)`).exec(stderr)![1]));
      return Math.round(255 * Math.max(sizeOf('Maximum'), sizeOf('Minimum')));
    });
    expect(Math.max(...theirs)).toBeGreaterThan(30);
    expect(ours).toEqual(theirs);
  });

  it('leaves no sample out, however the parts divide it', async () => {
    for (let at = 0; at < 101; at += 1) {
      const samples = new Float32Array(101);
      samples[at] = 1;
      expect(Math.max(...(await peaksOf([samples], 7, goOn))!)).toBe(255);
    }
  });

  it('says how far it is, and stops when it is told', async () => {
    const steps: number[] = [];
    const peaks = await peaksOf([new Float32Array(1000)], 100, (share) => {
      steps.push(share);
      return Promise.resolve(share >= 0.5);
    });
    expect(peaks).toBeNull();
    expect(steps.at(-1)).toBe(0.5);
  });

  it('has twenty parts a second, and never more than a page is sent with', () => {
    expect([0.01, 10, 3600].map(partsOf)).toEqual([1, 200, MOST_PEAKS]);
  });
});

describe('the level of a microphone', () => {
  it('is too loud at once, next to nothing only after the time to judge by', () => {
    expect([levelFault(0.99, false), levelFault(0.001, false), levelFault(0.001, true)]).toEqual([
      'clips',
      null,
      'silent'
    ]);
    expect(levelFault(0.3, true)).toBeNull();
  });
});

/** The worker that reads a sound, its outline and how loud it is, so that the page can be listened on meanwhile. */
import { integratedLoudness, peaksOf } from '../core/take';
import { answerFrom } from './open';

const wave = {
  peaks: (channels: readonly Float32Array[], parts: number, onStep: (done: number) => Promise<boolean>) =>
    peaksOf(channels, parts, onStep),
  /** In LUFS; null for silence. */
  loudness: (channels: readonly Float32Array[]) => integratedLoudness(channels)
};
export type WaveAnswers = typeof wave;
answerFrom(wave);

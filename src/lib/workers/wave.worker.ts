/** The worker that draws the outline of a sound, so that the page can be listened on meanwhile. */
import { peaksOf } from '../core/take';
import { answerFrom } from './open';

const wave = {
  peaks: (channels: readonly Float32Array[], parts: number, onStep: (done: number) => Promise<boolean>) =>
    peaksOf(channels, parts, onStep)
};
export type WaveAnswers = typeof wave;
answerFrom(wave);

/** The pitch of what a microphone hears, or none: by the normalised squared difference (McLeod and Wyvill 2005, as pitchy has it). */
import { PitchDetector } from 'pitchy';
import type { Frequency } from './notes';

/** Samples of one look: at 48,000 a second long enough for the lowest notes there are. */
export const LOOK_SAMPLES = 8192;
/** A tone repeats itself by at least so much of its energy; noise does not (judgement). */
const CLEAR = 0.93;
/** Quieter than this is a room (judgement), in full scale. */
const LEAST_LEVEL = 0.003;
const LOWEST: Frequency = 27;
const HIGHEST: Frequency = 5000;

/** Reads looks of LOOK_SAMPLES; null where there is no steady pitch. */
export function pitchReader(rate: number): (samples: Float32Array) => Frequency | null {
  const detector = PitchDetector.forFloat32Array(LOOK_SAMPLES);
  return (samples) => {
    const level = Math.sqrt(samples.reduce((sum, x) => sum + x * x, 0) / samples.length);
    if (level < LEAST_LEVEL) return null;
    const [frequency, clarity] = detector.findPitch(samples, rate);
    return clarity >= CLEAR && frequency >= LOWEST && frequency <= HIGHEST ? frequency : null;
  };
}

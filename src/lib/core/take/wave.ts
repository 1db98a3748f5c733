/** The outline of a sound, to be drawn: the loudest sample of each of its parts. */
import { MOST_PEAKS } from '../record/words';
import type { Share } from '../units';

/** So many parts a second, where that is not too many in all. */
const PARTS_A_SECOND = 20;

/** How many parts a sound of some seconds is drawn in. */
export const partsOf = (seconds: number): number =>
  Math.min(MOST_PEAKS, Math.max(1, Math.ceil(seconds * PARTS_A_SECOND)));

/**
 * The loudest of each of `parts` equal parts of a sound, over all of its channels, from 0 to 255 where full scale is 255. `onStep` hears what
 * share is done, now and then; true stops it and gives null.
 */
export async function peaksOf(
  channels: readonly Float32Array[],
  parts: number,
  onStep: (done: Share) => Promise<boolean>
): Promise<Uint8Array | null> {
  const peaks = new Uint8Array(parts);
  const length = channels[0]?.length ?? 0;
  const often = Math.max(1, Math.floor(parts / 20));
  for (let part = 0; part < parts; part += 1) {
    const to = Math.floor(((part + 1) * length) / parts);
    let loudest = 0;
    for (const samples of channels)
      for (let i = Math.floor((part * length) / parts); i < to; i += 1) {
        const size = Math.abs(samples[i]!);
        if (size > loudest) loudest = size;
      }
    peaks[part] = Math.round(255 * Math.min(1, loudest));
    if (part % often === 0 && (await onStep(part / parts))) return null;
  }
  return peaks;
}

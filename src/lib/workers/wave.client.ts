/** What a sound looks like and how loud it is: unpacked by the browser, read in a worker. */
import { proxy, transfer } from 'comlink';
import { partsOf } from '../core/take';
import { openWorker } from './open';
import type { WaveAnswers } from './wave.worker';
import WaveThread from './wave.worker?worker';

/** Enough to see how loud it is; an hour then takes 115 MB for a moment. */
const SAMPLE_RATE = 8000;

/** Its outline; null where `signal` stopped it. Throws where the browser cannot unpack it. */
export async function outlineOf(
  sound: ArrayBuffer,
  onShare: (share: number) => void,
  signal: AbortSignal
): Promise<number[] | null> {
  const unpacked = await new OfflineAudioContext(1, 1, SAMPLE_RATE).decodeAudioData(sound);
  if (signal.aborted) return null;
  const step = proxy((share: number) => {
    onShare(share);
    return Promise.resolve(signal.aborted);
  });
  const peaks = await inWorker((ask) => ask.peaks(moved(unpacked), partsOf(unpacked.duration), step));
  return peaks && [...peaks];
}

/** How loud each of some sounds is as a whole, in LUFS; null for silence. */
export const loudnessOf = (sounds: readonly AudioBuffer[]): Promise<(number | null)[]> =>
  inWorker((ask) => Promise.all(sounds.map((sound) => ask.loudness(moved(sound)))));

type Ask = ReturnType<typeof openWorker<WaveAnswers>>['ask'];

async function inWorker<T>(work: (ask: Ask) => Promise<T>): Promise<T> {
  const worker = openWorker<WaveAnswers>(new WaveThread());
  try {
    return await Promise.race([work(worker.ask), worker.failed]);
  } finally {
    worker.end();
  }
}

/** Copies of its channels, which go over whole. */
function moved(sound: AudioBuffer): Float32Array[] {
  const channels = Array.from(
    { length: sound.numberOfChannels },
    (_, i) => new Float32Array(sound.getChannelData(i))
  );
  return transfer(
    channels,
    channels.map((one) => one.buffer)
  );
}

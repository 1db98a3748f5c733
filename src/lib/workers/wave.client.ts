/** The outline of a sound: unpacked by the browser, at as few samples as it can, and read in a worker. */
import { proxy, transfer } from 'comlink';
import { partsOf } from '../core/take';
import { openWorker } from './open';
import type { WaveAnswers } from './wave.worker';
import WaveThread from './wave.worker?worker';

/** Enough to see how loud it is; an hour then takes 115 MB for a moment. */
const SAMPLE_RATE = 8000;

/** Null where `signal` stopped it. Throws where the browser cannot unpack it. */
export async function outlineOf(
  sound: ArrayBuffer,
  onShare: (share: number) => void,
  signal: AbortSignal
): Promise<number[] | null> {
  const unpacked = await new OfflineAudioContext(1, 1, SAMPLE_RATE).decodeAudioData(sound);
  if (signal.aborted) return null;
  const channels = Array.from(
    { length: unpacked.numberOfChannels },
    (_, i) => new Float32Array(unpacked.getChannelData(i))
  );
  const worker = openWorker<WaveAnswers>(new WaveThread());
  try {
    const step = proxy((share: number) => {
      onShare(share);
      return Promise.resolve(signal.aborted);
    });
    const moved = transfer(
      channels,
      channels.map((one) => one.buffer)
    );
    const peaks = await Promise.race([
      worker.ask.peaks(moved, partsOf(unpacked.duration), step),
      worker.failed
    ]);
    return peaks && [...peaks];
  } finally {
    worker.end();
  }
}

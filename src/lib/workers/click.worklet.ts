/** Plays the click: the engine's samples, quantum by quantum, and a word to the page for each beat that begins; null where it has come to its end. */
import { ClickEngine } from '$lib/core/click/engine';
import type { Pattern } from '$lib/core/click/pattern';

export type ClickOrder =
  | { readonly kind: 'start'; readonly bpm: number; readonly pattern: Pattern }
  | { readonly kind: 'tempo'; readonly bpm: number }
  | { readonly kind: 'stop' };

class ClickProcessor extends AudioWorkletProcessor {
  readonly #engine = new ClickEngine(sampleRate);

  constructor() {
    super();
    this.port.onmessage = ({ data }: MessageEvent<ClickOrder>) => {
      if (data.kind === 'start') this.#engine.start(data.bpm, data.pattern);
      else if (data.kind === 'tempo') this.#engine.setTempo(data.bpm);
      else this.#engine.stop();
    };
  }

  process(_inputs: Float32Array[][], [out]: Float32Array[][]): boolean {
    const [first, ...others] = out!;
    const wasOn = this.#engine.isOn;
    for (const beat of this.#engine.fill(first!, currentFrame)) this.port.postMessage(beat);
    if (wasOn && !this.#engine.isOn) this.port.postMessage(null);
    for (const other of others) other.set(first!);
    return true;
  }
}

registerProcessor('click', ClickProcessor);

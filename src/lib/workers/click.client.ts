/** The click and the signal at the end of a block, for a page. Begun by a tap or key, as browsers ask; what cannot sound says so and shows. */
import type { Beat } from '$lib/core/click/engine';
import type { Pattern } from '$lib/core/click/pattern';
import type { ClickOrder } from './click.worklet';
import clickWorklet from './click.worklet?worker&url';

/** Two struck tones, falling: unlike any click. */
const SIGNAL_HZ = [523.25, 392];
const SIGNAL_SECONDS = 0.9;

export class Click {
  #context: AudioContext | null = null;
  #gain: GainNode | null = null;
  #node: AudioWorkletNode | null = null;
  #isOn = false;
  #bpm = 0;

  /** `onBeat` is told null where the click has come to its end. */
  constructor(private readonly onBeat: (beat: Beat | null) => void) {}

  get isOn(): boolean {
    return this.#isOn;
  }

  /** Call from a tap or a key. Throws where this device plays no sound. */
  async open(): Promise<void> {
    if (this.#node) return void (await this.#context!.resume());
    const context = new AudioContext({ latencyHint: 'interactive' });
    await context.audioWorklet.addModule(clickWorklet);
    const node = new AudioWorkletNode(context, 'click', { numberOfInputs: 0, outputChannelCount: [2] });
    node.port.onmessage = ({ data }: MessageEvent<Beat | null>) => {
      if (this.#isOn) this.onBeat(data);
    };
    const gain = new GainNode(context, { gain: 0.7 });
    node.connect(gain).connect(context.destination);
    await context.resume();
    [this.#context, this.#gain, this.#node] = [context, gain, node];
  }

  start(bpm: number, pattern: Pattern): void {
    this.#bpm = bpm;
    this.#isOn = this.#node !== null;
    this.#tell({ kind: 'start', bpm, pattern });
  }

  tempo(bpm: number): void {
    if (bpm === this.#bpm) return;
    this.#bpm = bpm;
    this.#tell({ kind: 'tempo', bpm });
  }

  stop(): void {
    this.#isOn = false;
    this.#tell({ kind: 'stop' });
  }

  /** 0 to 1. */
  setVolume(share: number): void {
    if (this.#gain) this.#gain.gain.value = share;
  }

  signal(): void {
    if (!this.#context) return;
    const now = this.#context.currentTime;
    SIGNAL_HZ.forEach((frequency, i) => {
      const tone = new OscillatorNode(this.#context!, { type: 'triangle', frequency });
      const fall = new GainNode(this.#context!, { gain: 0 });
      const begins = now + i * 0.35;
      fall.gain.setValueAtTime(0.5, begins);
      fall.gain.exponentialRampToValueAtTime(0.001, begins + SIGNAL_SECONDS);
      tone.connect(fall).connect(this.#gain!);
      tone.start(begins);
      tone.stop(begins + SIGNAL_SECONDS);
    });
  }

  async close(): Promise<void> {
    this.#isOn = false;
    await this.#context?.close();
    this.#context = this.#node = null;
  }

  #tell(order: ClickOrder): void {
    this.#node?.port.postMessage(order);
  }
}

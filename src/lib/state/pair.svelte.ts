/**
 * Two takes of the same music, heard at one level: one sounds, and at a key the other goes on at the same place, without a gap. Both are
 * unpacked whole, since only so a sound begins on the very sample.
 */
import { LOUDNESS_RATE, gainsFor } from '$lib/core/take';
import type { Milliseconds } from '$lib/core/units';

export type Which = 0 | 1;
type Voice = { readonly source: AudioBufferSourceNode; readonly gain: GainNode };

/** The one fades while the other comes: shorter than an ear can tell, longer than a click. */
const FADE_S = 0.02;
/** What is to begin is said so long before, so that it begins on its sample and not when the device gets to it. */
const AHEAD_S = 0.03;

export class Pair {
  isReady = $state(false);
  isPlaying = $state(false);
  which = $state<Which>(0);
  nowMs = $state<Milliseconds>(0);
  fault = $state('');
  #context: AudioContext | null = null;
  #sounds: readonly AudioBuffer[] = [];
  #gains: readonly [number, number] = [1, 1];
  #voice: Voice | null = null;
  /** Of the context's clock, when the beginning of the take that sounds would have been. */
  #zeroS = 0;
  #frame = 0;

  /** `sameMusic` finds in the other take what sounds at a moment of one. */
  constructor(private readonly sameMusic: (from: Which, atMs: Milliseconds) => Milliseconds) {}

  async open(addresses: readonly [string, string], signal: AbortSignal): Promise<void> {
    try {
      const context = (this.#context = new AudioContext({ sampleRate: LOUDNESS_RATE }));
      const unpack = async (address: string) =>
        context.decodeAudioData(await (await fetch(address, { signal })).arrayBuffer());
      this.#sounds = await Promise.all(addresses.map(unpack));
      const { loudnessOf } = await import('$lib/workers/wave.client');
      const [first, second] = await loudnessOf(this.#sounds);
      this.#gains = gainsFor(first ?? null, second ?? null);
      this.isReady = true;
    } catch {
      if (!signal.aborted) this.fault = 'One of the two cannot be read here.';
    }
  }

  toggle = (): void => {
    if (!this.isReady) return;
    if (this.isPlaying) this.stop();
    else this.#play(() => this.nowMs);
  };

  stop(): void {
    cancelAnimationFrame(this.#frame);
    this.#end(this.#context?.currentTime ?? 0);
    this.isPlaying = false;
  }

  /** The other goes on at the same place; while nothing sounds it is only chosen. */
  change = (which: Which): void => {
    if (which === this.which) return;
    const from = this.which;
    this.which = which;
    // by the clock of the sound: what is shown is a picture behind
    if (this.isPlaying) this.#play((whenS) => this.sameMusic(from, (whenS - this.#zeroS) * 1000));
    else this.nowMs = this.sameMusic(from, this.nowMs);
  };

  goTo(atMs: Milliseconds): void {
    this.nowMs = Math.max(0, atMs);
    if (this.isPlaying) this.#play(() => this.nowMs);
  }

  close(): void {
    this.stop();
    void this.#context?.close();
  }

  /** `placeAt` is the place in the take at which it begins, at a moment of the context's clock. */
  #play(placeAt: (whenS: number) => Milliseconds): void {
    const context = this.#context!;
    void context.resume();
    const whenS = context.currentTime + AHEAD_S;
    const atMs = placeAt(whenS);
    this.#end(whenS);
    const source = new AudioBufferSourceNode(context, { buffer: this.#sounds[this.which]! });
    const gain = new GainNode(context, { gain: 0 });
    source.connect(gain).connect(context.destination);
    gain.gain.setValueAtTime(0, whenS);
    gain.gain.linearRampToValueAtTime(this.#gains[this.which], whenS + FADE_S);
    source.start(whenS, atMs / 1000);
    source.onended = () => {
      if (this.#voice?.source === source) [this.isPlaying, this.nowMs] = [false, 0];
    };
    this.#voice = { source, gain };
    this.#zeroS = whenS - atMs / 1000;
    this.isPlaying = true;
    this.#follow();
  }

  #end(whenS: number): void {
    if (!this.#voice) return;
    const { source, gain } = this.#voice;
    this.#voice = null;
    gain.gain.cancelScheduledValues(whenS);
    gain.gain.setValueAtTime(gain.gain.value, whenS);
    gain.gain.linearRampToValueAtTime(0, whenS + FADE_S);
    source.stop(whenS + FADE_S);
  }

  #follow(): void {
    cancelAnimationFrame(this.#frame);
    const look = () => {
      if (!this.isPlaying) return;
      this.nowMs = Math.max(0, (this.#context!.currentTime - this.#zeroS) * 1000);
      this.#frame = requestAnimationFrame(look);
    };
    look();
  }
}

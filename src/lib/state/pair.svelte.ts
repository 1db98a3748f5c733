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
    else this.#play(this.nowMs);
  };

  stop(): void {
    cancelAnimationFrame(this.#frame);
    this.#end(this.#context?.currentTime ?? 0);
    this.isPlaying = false;
  }

  /** The other goes on at the same place; while nothing sounds it is only chosen. */
  change = (which: Which): void => {
    if (which === this.which) return;
    const atMs = this.sameMusic(this.which, this.nowMs);
    this.which = which;
    if (this.isPlaying) this.#play(atMs);
    else this.nowMs = atMs;
  };

  goTo(atMs: Milliseconds): void {
    this.nowMs = Math.max(0, atMs);
    if (this.isPlaying) this.#play(this.nowMs);
  }

  close(): void {
    this.stop();
    void this.#context?.close();
  }

  #play(atMs: Milliseconds): void {
    const context = this.#context!;
    void context.resume();
    const now = context.currentTime;
    this.#end(now);
    const source = new AudioBufferSourceNode(context, { buffer: this.#sounds[this.which]! });
    const gain = new GainNode(context, { gain: 0 });
    source.connect(gain).connect(context.destination);
    gain.gain.setValueAtTime(0, now);
    gain.gain.linearRampToValueAtTime(this.#gains[this.which], now + FADE_S);
    source.start(now, atMs / 1000);
    source.onended = () => {
      if (this.#voice?.source === source) [this.isPlaying, this.nowMs] = [false, 0];
    };
    this.#voice = { source, gain };
    this.#zeroS = now - atMs / 1000;
    this.isPlaying = true;
    this.#follow();
  }

  #end(now: number): void {
    if (!this.#voice) return;
    const { source, gain } = this.#voice;
    this.#voice = null;
    gain.gain.cancelScheduledValues(now);
    gain.gain.setValueAtTime(gain.gain.value, now);
    gain.gain.linearRampToValueAtTime(0, now + FADE_S);
    source.stop(now + FADE_S);
  }

  #follow(): void {
    cancelAnimationFrame(this.#frame);
    const look = () => {
      if (!this.isPlaying) return;
      this.nowMs = (this.#context!.currentTime - this.#zeroS) * 1000;
      this.#frame = requestAnimationFrame(look);
    };
    look();
  }
}

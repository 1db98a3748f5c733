/**
 * The click as samples: where each beat lies and how it sounds, for a worklet that plays it and a test that measures it. Beats are computed
 * from where their tempo began, never by adding, so that none drifts; a new tempo takes effect at the next beat, without a gap. Sounds are of
 * our own making: a short struck tone, higher for an accent.
 */
import type { Bpm } from '../units';

/** As slow and as fast as one can be asked to click. */
const SLOWEST_CLICK: Bpm = 20;
const FASTEST_CLICK: Bpm = 400;

export type Metre = {
  /** Clicks in a bar; 0 where they are not grouped in bars, and all sound alike. */
  readonly perBar: number;
};

export type Beat = {
  /** From the start, 0 being the first. */
  readonly index: number;
  readonly isAccent: boolean;
  /** Sample at which it begins, counted from the start. */
  readonly at: number;
};

type Sound = { readonly hz: number; readonly level: number };
const ACCENT: Sound = { hz: 1760, level: 0.9 };
const BEAT: Sound = { hz: 1174.66, level: 0.6 };
/** Time in which a sound falls to a thousandth; shorter than the fastest beat. */
const SOUND_SECONDS = 0.06;

export class ClickEngine {
  readonly #rate: number;
  #metre: Metre = { perBar: 0 };
  /** The beat from which the tempo counts, and its place in samples, not rounded. */
  #origin = { beat: 0, at: 0, bpm: 60 };
  /** Beats that have begun. */
  #begun = 0;
  #now = 0;
  #isOn = false;
  #voice: { readonly sound: Sound; readonly at: number } | null = null;

  /** `rate` in samples a second. */
  constructor(rate: number) {
    this.#rate = rate;
  }

  /** From the next sample on. Throws RangeError for a tempo outside SLOWEST_CLICK to FASTEST_CLICK. */
  start(bpm: Bpm, metre: Metre): void {
    this.#origin = { beat: 0, at: this.#now, bpm: checked(bpm) };
    [this.#metre, this.#begun, this.#isOn] = [metre, 0, true];
  }

  stop(): void {
    this.#isOn = false;
  }

  /** From the next beat on. */
  setTempo(bpm: Bpm): void {
    const { bpm: before } = this.#origin;
    if (checked(bpm) === before) return;
    this.#origin = { beat: this.#begun, at: this.#placeOf(this.#begun), bpm };
  }

  /** Fills the next samples, added to what is there, and says which beats begin in them. */
  fill(out: Float32Array): Beat[] {
    const begins: Beat[] = [];
    const end = this.#now + out.length;
    let from = this.#now;
    while (this.#isOn) {
      const at = Math.round(this.#placeOf(this.#begun));
      if (at >= end) break;
      this.#sound(out, from, at);
      const { perBar } = this.#metre;
      const isAccent = perBar > 0 && this.#begun % perBar === 0;
      this.#voice = { sound: isAccent ? ACCENT : BEAT, at };
      begins.push({ index: this.#begun, isAccent, at });
      this.#begun += 1;
      from = at;
    }
    this.#sound(out, from, end);
    this.#now = end;
    return begins;
  }

  /** Exact place of a beat in samples. */
  #placeOf(beat: number): number {
    const { beat: first, at, bpm } = this.#origin;
    return at + ((beat - first) * 60 * this.#rate) / bpm;
  }

  /** The voice that sounds, from one sample to another; a beat that begins cuts off the one before. */
  #sound(out: Float32Array, from: number, to: number): void {
    if (!this.#voice) return;
    const { sound, at } = this.#voice;
    const last = at + SOUND_SECONDS * this.#rate;
    const turn = (2 * Math.PI * sound.hz) / this.#rate;
    const fall = Math.log(1000) / (SOUND_SECONDS * this.#rate);
    for (let n = from; n < Math.min(to, last); n += 1) {
      const age = n - at;
      out[n - this.#now]! += sound.level * Math.cos(turn * age) * Math.exp(-fall * age);
    }
    if (to >= last) this.#voice = null;
  }
}

function checked(bpm: Bpm): Bpm {
  if (!(bpm >= SLOWEST_CLICK && bpm <= FASTEST_CLICK))
    throw new RangeError(`a click of ${bpm} is outside ${SLOWEST_CLICK} to ${FASTEST_CLICK} a minute`);
  return bpm;
}

/**
 * The click as samples: where each sound lies and how it sounds, for a worklet that plays it and a test that measures it. Places are computed
 * from where their tempo began, never by adding, so that none drifts; a new tempo takes effect at the next beat, without a gap. Sounds are of
 * our own making: a short struck tone, highest for an accent, lowest for what lies between the beats.
 */
import type { Bpm } from '../units';
import { type Pattern, soundsOf, stretchAt } from './pattern';

/** As slow and as fast as one can be asked to click. */
const SLOWEST_CLICK: Bpm = 20;
const FASTEST_CLICK: Bpm = 400;

/** A sound that begins. */
export type Beat = {
  /** The beat it belongs to, from the start, 0 being the first. */
  readonly index: number;
  readonly kind: 'accent' | 'beat' | 'between';
  readonly isCountOff: boolean;
  /** Sample at which it begins, by the clock of whoever plays. */
  readonly at: number;
  /** Samples by which it began late: where the player skipped some, what lay there begins at once. */
  readonly late: number;
  /** Samples that the player skipped since the sound before. */
  readonly skipped: number;
};

const SOUNDS = {
  accent: { hz: 1760, level: 0.9 },
  beat: { hz: 1174.66, level: 0.6 },
  between: { hz: 880, level: 0.35 }
} as const;
/** Time in which a sound falls to a thousandth. */
const SOUND_SECONDS = 0.06;

type Due = Omit<Beat, 'at' | 'late' | 'skipped'> & { readonly place: number };

export class ClickEngine {
  readonly #rate: number;
  #pattern: Pattern = { perBar: 0, parts: 1, stage: 'beats', countOff: 0 };
  /** The beat from which the tempo counts, and its place in samples, not rounded. */
  #origin = { beat: 0, place: 0, bpm: 60 };
  #nextBpm: Bpm = 60;
  /** The first beat of which nothing is due yet. */
  #beat = 0;
  #due: Due[] = [];
  #now = 0;
  #skipped = 0;
  #isOn = false;
  #voice: { readonly kind: Beat['kind']; readonly at: number } | null = null;

  /** `rate` in samples a second. */
  constructor(rate: number) {
    this.#rate = rate;
  }

  /** From the next sample on. Throws RangeError for a tempo outside 20 to 400 a minute. */
  start(bpm: Bpm, pattern: Pattern): void {
    this.#origin = { beat: 0, place: this.#now, bpm: checked(bpm) };
    [this.#pattern, this.#nextBpm, this.#beat, this.#due, this.#isOn] = [pattern, bpm, 0, [], true];
  }

  stop(): void {
    this.#isOn = false;
  }

  /** Whether it was started, and has neither been stopped nor come to its end. */
  get isOn(): boolean {
    return this.#isOn;
  }

  /** From the next beat on. */
  setTempo(bpm: Bpm): void {
    this.#nextBpm = checked(bpm);
  }

  /**
   * Fills the next samples, added to what is there, and says which sounds begin in them. `now` is where they stand by the player's clock,
   * which may have skipped some; missing: where the last ended.
   */
  fill(out: Float32Array, now = this.#now): Beat[] {
    const begins: Beat[] = [];
    this.#skipped += now - this.#now;
    this.#now = now;
    const end = this.#now + out.length;
    let from = this.#now;
    while (this.#isOn) {
      const due = this.#next(end);
      if (!due) break;
      const { place, ...beat } = due;
      const meant = Math.round(place);
      const at = Math.max(meant, from);
      this.#sound(out, from, at);
      this.#voice = { kind: beat.kind, at };
      begins.push({ ...beat, at, late: at - meant, skipped: this.#skipped });
      this.#skipped = 0;
      from = at;
    }
    this.#sound(out, from, end);
    this.#now = end;
    return begins;
  }

  /** Takes the next sound that begins before a sample; null where none does. */
  #next(end: number): Due | null {
    while (this.#due.length === 0) {
      const place = this.#placeOf(this.#beat);
      if (Math.round(place) >= end) return null;
      const at = this.#pattern.through && stretchAt(this.#pattern, this.#beat);
      if (this.#pattern.through && at === undefined) {
        this.#isOn = false;
        return null;
      }
      if (at) this.#nextBpm = at.stretch.bpm;
      if (this.#nextBpm !== this.#origin.bpm) this.#origin = { beat: this.#beat, place, bpm: this.#nextBpm };
      const index = this.#beat;
      this.#due = soundsAt(this.#pattern, index, at).map(({ offset, ...sound }) => ({
        ...sound,
        index,
        place: this.#placeOf(index + offset)
      }));
      this.#beat += 1;
    }
    return Math.round(this.#due[0]!.place) < end ? this.#due.shift()! : null;
  }

  /** Exact place of a beat in samples. */
  #placeOf(beat: number): number {
    const { beat: first, place, bpm } = this.#origin;
    return place + ((beat - first) * 60 * this.#rate) / bpm;
  }

  /** The voice that sounds, from one sample to another; what begins cuts off the one before. */
  #sound(out: Float32Array, from: number, to: number): void {
    if (!this.#voice) return;
    const { kind, at } = this.#voice;
    const { hz, level } = SOUNDS[kind];
    const last = at + SOUND_SECONDS * this.#rate;
    const turn = (2 * Math.PI * hz) / this.#rate;
    const fall = Math.log(1000) / (SOUND_SECONDS * this.#rate);
    for (let n = from; n < Math.min(to, last); n += 1) {
      const age = n - at;
      out[n - this.#now]! += level * Math.cos(turn * age) * Math.exp(-fall * age);
    }
    if (to >= last) this.#voice = null;
  }
}

/** Bars are counted from where their stretch begins. */
function soundsAt(pattern: Pattern, beat: number, at: ReturnType<typeof stretchAt>) {
  if (!at) return soundsOf(pattern, beat);
  const { stretch, first } = at;
  return stretch.isSilent ? [] : soundsOf({ ...pattern, perBar: stretch.perBar, countOff: 0 }, beat - first);
}

function checked(bpm: Bpm): Bpm {
  if (!(bpm >= SLOWEST_CLICK && bpm <= FASTEST_CLICK))
    throw new RangeError(`a click of ${bpm} is outside ${SLOWEST_CLICK} to ${FASTEST_CLICK} a minute`);
  return bpm;
}

/** A run straight through: the bar of tempo before it, the recorder while it is played, and what is said of it afterwards. */
import type { Ran } from '$lib/core/practice';
import type { Take } from '$lib/core/record';
import { type BarRange, type Tempo, beatsPerBar } from '$lib/core/units';
import { Recorder } from '$lib/state/device/recorder.svelte';
import type { TakesOut } from '$lib/state/device/takes-out.svelte';

/** ready: it was not begun. count: one bar of tempo. playing. after: how did it go? */
export type RunPhase = 'ready' | 'count' | 'playing' | 'after';

type What = {
  readonly item: { readonly id: string; readonly metre: string };
  readonly bars: BarRange;
  readonly tempo: Tempo | null;
  readonly date: string;
  /** Whose account it is. */
  readonly owner: string;
};

/** Where a metre has no whole beats of the tempo. */
const USUAL_COUNT = 4;

export class Running {
  phase = $state<RunPhase>('ready');
  /** The beat that is counted. */
  count = $state(0);
  /** The take that was recorded last. */
  takeId = $state<string | null>(null);
  readonly recorder = new Recorder();
  #counting: ReturnType<typeof setTimeout> | undefined;
  /** The microphone is being asked for: a key that is pressed twice begins once. */
  #isAsking = false;

  constructor(
    private readonly what: () => What | null,
    private readonly takesOut: TakesOut,
    /** What sounds the count, where it is heard. */
    private readonly readyCount: () => Promise<(bpm: number, beats: number) => void>,
    /** How it went, and its sound. */
    private readonly onRan: (ran: Ran, takeId: string | null) => Promise<void>
  ) {}

  get tempo(): Tempo | null {
    return this.what()?.tempo ?? null;
  }

  /** Call from a tap or a key, as browsers ask. Stays where the microphone cannot be opened. */
  async begin(isRecorded: boolean): Promise<void> {
    const what = this.what();
    if (!what || this.phase !== 'ready' || this.#isAsking) return;
    this.#isAsking = true;
    this.takeId = null;
    const sound = await this.readyCount();
    const isReady = !isRecorded || (await this.recorder.begin(what.owner, takeOf(what)));
    this.#isAsking = false;
    if (!isReady) return;
    if (what.tempo) this.#countOff(what.tempo, what.item.metre, sound);
    else this.#play();
  }

  #countOff({ bpm, unit }: Tempo, metre: string, sound: (bpm: number, beats: number) => void): void {
    const perBar = beatsPerBar(metre, unit) ?? USUAL_COUNT;
    const beats = Number.isInteger(perBar) && perBar <= 12 ? perBar : USUAL_COUNT;
    const began = performance.now();
    const beatMs = 60_000 / bpm;
    sound(bpm, beats);
    [this.phase, this.count] = ['count', 1];
    // by the clock, not by sums of waits
    const next = () => {
      const at = this.count;
      if (at >= beats) return this.#play();
      this.count = at + 1;
      this.#counting = setTimeout(next, began + (at + 1) * beatMs - performance.now());
    };
    this.#counting = setTimeout(next, beatMs);
  }

  #play(): void {
    this.recorder.musicBegins();
    this.phase = 'playing';
  }

  async end(): Promise<void> {
    if (this.phase === 'count' || this.phase === 'playing') await this.#stop('after');
  }

  async answer(ran: Ran): Promise<void> {
    const takeId = this.takeId;
    [this.phase, this.takeId] = ['ready', null];
    await this.onRan(ran, takeId);
  }

  /** Somebody left in the middle: what was recorded is kept, and nothing is asked of it. */
  async leave(): Promise<void> {
    await this.#stop('ready');
  }

  async #stop(phase: RunPhase): Promise<void> {
    clearTimeout(this.#counting);
    this.phase = phase;
    const take = await this.recorder.end();
    if (!take) return;
    this.takeId = take.id;
    void this.takesOut.send();
  }
}

const takeOf = ({ item, bars, tempo, date }: What): Take => ({
  id: crypto.randomUUID(),
  itemId: item.id,
  fromBar: bars.fromBar,
  toBar: bars.toBar,
  date,
  madeAtMs: Date.now(),
  source: 'run',
  tempo: tempo && { bpm: tempo.bpm, unit: tempo.unit },
  musicAtMs: 0
});

/** The click of the desk: on or off, the beat it is at, and why it is silent where it cannot sound. It is set on this device. */
import type { Beat } from '$lib/core/click/engine';
import { CLICK_STAGES, type ClickStage, type Stretch, countOffBeats } from '$lib/core/click/pattern';
import { type Tempo, beatsPerBar } from '$lib/core/units';
import { Click } from '$lib/workers/click.client';
import { type DeskSettings, USUAL_SETTINGS, keepSettings, readSettings } from './settings';

/** More clicks in a bar than this are not drawn, nor accented. */
const MOST_PER_BAR = 12;

/** What is clicked: the tempo as a metronome says it, and the bars it lies in. */
export type Clicked = {
  readonly tempo: Tempo;
  readonly metre: string;
  readonly pickupBeats: number;
  /** How far it is thinned, where that is not the device's own setting. */
  readonly stage?: ClickStage | undefined;
  /** Several tempos in their order, the first being `tempo`. */
  readonly through?: readonly Stretch[] | undefined;
};

export class Clicking {
  isOn = $state(false);
  beat = $state.raw<Beat | null>(null);
  silence = $state('');
  settings = $state.raw<DeskSettings>(USUAL_SETTINGS);
  #stage: ClickStage = 'beats';
  readonly #click = new Click((next) => {
    if (next === null) this.stop();
    else this.beat = next;
  });
  /** How far it is thinned by hand for what is in hand. */
  thinned = $state<ClickStage | null>(null);
  #countOff = 0;

  /** Call in the browser. */
  readSettings(): void {
    this.settings = readSettings();
  }

  /** Call from a tap or a key, as browsers ask. */
  async open(): Promise<boolean> {
    try {
      await this.#click.open();
      this.silence = '';
      return true;
    } catch {
      this.silence = 'This device plays no sound here: the beat is shown, and blocks end without a signal.';
      return false;
    }
  }

  async toggle(clicked: Clicked): Promise<void> {
    if (this.isOn) this.stop();
    else if (await this.open()) this.#start(clicked);
  }

  stop(): void {
    this.#click.stop();
    [this.isOn, this.beat] = [false, null];
  }

  /** From the next beat on; thinned otherwise it begins anew. */
  follow(clicked: Clicked): void {
    if (!this.isOn) return;
    if (this.#stageOf(clicked) === this.#stage) this.#click.tempo(clicked.tempo.bpm);
    else this.#start(clicked);
  }

  set(settings: DeskSettings, clicked: Clicked | null): void {
    this.settings = settings;
    keepSettings(settings);
    this.#click.setVolume(settings.volume);
    if (this.isOn && clicked) this.#start(clicked);
  }

  /** So many beats, and then no more; nothing where the device is not set to hear them. Call from a tap or a key, as browsers ask. */
  async readyCount(): Promise<(bpm: number, beats: number) => void> {
    if (!this.settings.isRunHeard || !(await this.open())) return () => {};
    return (bpm, beats) => {
      this.#click.setVolume(this.settings.volume);
      const through = [{ bpm, beats, perBar: beats, isSilent: false }];
      this.#click.start(bpm, { perBar: beats, parts: 1, stage: 'beats', countOff: 0, through });
    };
  }

  signal = () => this.#click.signal();
  close = () => this.#click.close();

  readonly #stageOf = ({ stage }: Clicked) => this.thinned ?? stage ?? this.settings.stage;
  /** A stage further; as it was where there is none. */
  thinner(clicked: Clicked): void {
    const at = CLICK_STAGES.indexOf(this.#stageOf(clicked));
    this.thinned = CLICK_STAGES[at + 1] ?? null;
    this.follow(clicked);
  }
  /** Something else is in hand: it is as it is set. */
  plain(): void {
    this.thinned = null;
  }
  /** Beats since the first of the music; null where it is silent, or counts off. */
  get beatInMusic(): number | null {
    return this.beat && !this.beat.isCountOff ? this.beat.index - this.#countOff : null;
  }
  /** The bar in which it is, the first being 0; null where it is silent, counts off or has no bars. */
  barNow(perBar: number): number | null {
    const { beat } = this;
    if (!beat || beat.isCountOff || perBar === 0) return null;
    return Math.floor(beat.index / perBar) - Math.ceil(this.#countOff / perBar);
  }

  #start(clicked: Clicked): void {
    const { tempo, metre, pickupBeats, through } = clicked;
    const { parts, isCounted, volume } = this.settings;
    const stage = (this.#stage = this.#stageOf(clicked));
    const perBar = clicksPerBar(metre, tempo);
    const countOff = isCounted ? countOffBeats(perBar, tempo.bpm, pickupBeats) : 0;
    this.#countOff = countOff;
    this.#click.setVolume(volume);
    this.#click.start(tempo.bpm, { perBar, parts: isTriple(tempo) ? 3 : parts, stage, countOff, through });
    this.isOn = true;
  }
}

export const isTriple = ({ unit }: Tempo) => unit.startsWith('dotted-');

/** 0 where they do not fill a bar, or are too many. */
export function clicksPerBar(metre: string, { unit }: Tempo): number {
  const beats = beatsPerBar(metre, unit);
  return beats !== null && Number.isInteger(beats) && beats <= MOST_PER_BAR ? beats : 0;
}

/** One bar of a tempo: heard once where this device plays sound, and seen as a beat wherever it does not. */
import { clickOf } from '$lib/core/tempo';
import { type Tempo, beatsPerBar } from '$lib/core/units';
import { Click } from '$lib/workers/click.client';

/** Where the metre does not say, or in another unit. */
const USUAL_BEATS = 4;
const MOST_BEATS = 12;

export class OneBar {
  /** Whose bar goes on; empty where none does. */
  id = $state('');
  /** From 1. */
  beat = $state(0);
  readonly #click = new Click(() => {});
  #next: ReturnType<typeof setTimeout> | undefined;

  /** Call from a tap or a key, as browsers ask. */
  async play(id: string, tempo: Tempo, metre: string): Promise<void> {
    this.stop();
    const { bpm, unit } = clickOf(tempo) ?? tempo;
    const perBar = beatsPerBar(metre, unit) ?? USUAL_BEATS;
    const beats = Number.isInteger(perBar) && perBar <= MOST_BEATS ? perBar : USUAL_BEATS;
    await this.#click.open().catch(() => {});
    const through = [{ bpm, beats, perBar: beats, isSilent: false }];
    this.#click.start(bpm, { perBar: beats, parts: 1, stage: 'beats', countOff: 0, through });
    [this.id, this.beat] = [id, 1];
    const [began, beatMs] = [performance.now(), 60_000 / bpm];
    const next = () => {
      if (this.beat >= beats) return this.stop();
      this.beat += 1;
      this.#next = setTimeout(next, began + this.beat * beatMs - performance.now());
    };
    this.#next = setTimeout(next, beatMs);
  }

  stop(): void {
    clearTimeout(this.#next);
    this.#click.stop();
    [this.id, this.beat] = ['', 0];
  }

  close(): void {
    this.stop();
    void this.#click.close();
  }
}

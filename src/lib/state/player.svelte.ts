/** A sound as it is listened to: where it is, played or not, at half speed with its pitch kept, and two bars of it again and again. */
import type { Milliseconds } from '$lib/core/units';

type Part = { readonly fromMs: Milliseconds; readonly toMs: Milliseconds };

export class Player {
  /** Before that there is nothing to play: the page has come, but not yet what answers on it. */
  isThere = $state(false);
  nowMs = $state<Milliseconds>(0);
  isPlaying = $state(false);
  isHalf = $state(false);
  loop = $state.raw<Part | null>(null);
  fault = $state('');
  /** Where a part that is played ends. */
  #until: Milliseconds | null = null;
  #sound: HTMLAudioElement | null = null;
  #frame = 0;

  /** Call with the element when it is there. */
  attach = (sound: HTMLAudioElement) => {
    this.#sound = sound;
    this.isThere = true;
    sound.preservesPitch = true;
    const follow = () => {
      this.#look();
      this.#frame = requestAnimationFrame(follow);
    };
    follow();
    return () => {
      cancelAnimationFrame(this.#frame);
      sound.pause();
      this.#sound = null;
      this.isThere = false;
    };
  };

  #look(): void {
    const sound = this.#sound!;
    const nowMs = sound.currentTime * 1000;
    if (this.loop && nowMs >= this.loop.toMs && !sound.paused) return this.goTo(this.loop.fromMs);
    if (this.#until !== null && nowMs >= this.#until) this.stop();
    [this.nowMs, this.isPlaying] = [nowMs, !sound.paused && !sound.ended];
  }

  toggle = async (): Promise<void> => {
    const sound = this.#sound;
    if (!sound) return;
    if (!sound.paused) return this.stop();
    await this.#play();
  };

  async #play(): Promise<void> {
    try {
      await this.#sound?.play();
      this.fault = '';
    } catch {
      this.fault = 'This browser cannot play this sound.';
    }
  }

  /** Where the sound is at this moment, finer than what is shown. */
  get soundMs(): Milliseconds {
    return (this.#sound?.currentTime ?? 0) * 1000;
  }

  /** Plays from one moment to another; resolves when it is there, or was stopped before. */
  async playPart({ fromMs, toMs }: Part): Promise<void> {
    this.goTo(fromMs);
    this.#until = toMs;
    await this.#play();
    while (this.#until !== null && this.#sound && !this.#sound.paused && !this.#sound.ended)
      await new Promise(requestAnimationFrame);
    this.#until = null;
  }

  stop(): void {
    this.#until = null;
    this.#sound?.pause();
  }

  goTo(atMs: Milliseconds): void {
    if (!this.#sound) return;
    this.#sound.currentTime = Math.max(0, atMs) / 1000;
    this.nowMs = Math.max(0, atMs);
  }

  half(): void {
    this.isHalf = !this.isHalf;
    if (this.#sound) this.#sound.playbackRate = this.isHalf ? 0.5 : 1;
  }

  /** A second time lets go of it. */
  repeat(loop: Part): void {
    this.loop = this.loop ? null : loop;
  }
}

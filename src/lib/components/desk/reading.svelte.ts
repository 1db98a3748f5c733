/** Reading at sight: a page is looked at first, then played; what was looked at is kept with the answer. */
import type { DeskSession } from '$lib/state/desk.svelte';

export class Reading {
  /** Of which page, by its number, it was enough, and at which second of the block. */
  #looked = $state.raw<{ readonly page: number; readonly at: number } | null>(null);
  readonly #pages = $derived.by(() => this.session.block?.run?.pages ?? []);
  /** Second of the block at which the page in hand was turned to. */
  readonly #since: number = $derived.by(() => {
    const begun = this.session.block?.run?.begunAtMs ?? 0;
    return Math.min(this.session.seconds, ((this.#pages.at(-1)?.atMs ?? begun) - begun) / 1000);
  });
  readonly isLooking: boolean = $derived.by(() => this.#looked?.page !== this.#pages.length);
  /** The page in hand is looked at, or was, for so many seconds. */
  readonly lookedFor: number = $derived.by(() =>
    Math.max(0, Math.round((this.isLooking ? this.session.seconds : this.#looked!.at) - this.#since))
  );

  constructor(private readonly session: DeskSession) {}

  play = () => (this.#looked = { page: this.#pages.length, at: this.session.seconds });
  answer = (mark: 'c' | 'n') => (this.isLooking ? this.play() : this.session.page(mark, this.lookedFor));
}

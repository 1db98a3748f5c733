/** How a block, or the day, comes to its end at the desk: next, shorter, more of it, not today, or because it hurts. */
import type { DeskSession } from '$lib/state/desk.svelte';

/** So many minutes more are taken at once. */
const MORE_MIN = 3;

export class Leaving {
  /** It is asked what comes after the block. */
  isLeaving = $state(false);
  /** It is asked where it hurts. */
  isHurting = $state(false);
  /** The day has ended, though blocks are left. */
  isStopped = $state(false);
  /** Its end is on its way: a key that is pressed twice ends one block. */
  #isEnding = false;

  constructor(private readonly session: DeskSession) {}

  end = async (how: 'next' | 'shorter') => {
    if (this.#isEnding) return;
    this.#isEnding = true;
    await this.session.end(how);
    [this.isLeaving, this.#isEnding] = [false, false];
  };

  more = async () => {
    this.isLeaving = false;
    await this.session.more(MORE_MIN);
  };

  notToday = async () => {
    [this.isLeaving, this.isStopped] = [false, true];
    await this.session.end('not-today');
  };

  stopHurt = async (isTold: boolean) => {
    [this.isHurting, this.isLeaving, this.isStopped] = [false, false, true];
    await this.session.hurts(isTold);
  };
}

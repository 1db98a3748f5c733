/**
 * What is fetched while somebody is on the way to another page. To fetch a page anew ends the way that was begun, and the press that began it would
 * be lost: the way comes first, and what is fetched anew is the page it leads to.
 */
import { invalidateAll } from '$app/navigation';
import { navigating } from '$app/state';
import { untrack } from 'svelte';

/** A page that takes longer is not waited for. */
const LONGEST_MS = 10_000;

/** Asked when something else has changed: whoever asks is not to be called again by it. */
const wayNow = () => untrack(() => navigating.complete);

/** Waits until nobody is on the way any more, or it takes too long. */
async function arrive(): Promise<void> {
  let way = wayNow();
  const tooLong = way && new Promise((resolve) => setTimeout(resolve, LONGEST_MS, 'too long'));
  while (way) {
    // another way may have been taken instead of the first
    if ((await Promise.race([way.catch(() => {}), tooLong])) === 'too long') return;
    const next = wayNow();
    way = next === way ? null : next;
  }
}

/** Fetches anew what stands on the page, this one or the one somebody is on the way to. */
export async function readAnew(): Promise<void> {
  await arrive();
  await invalidateAll();
}

/**
 * Call when a form is sent, and what it returns when its answer is there.
 *
 * @returns whether the page it was sent from is left; the page that is here instead has then been read anew.
 */
export function watchLeaving(): () => Promise<boolean> {
  const from = location.pathname;
  return async () => {
    await arrive();
    const isLeft = location.pathname !== from;
    if (isLeft) await invalidateAll();
    return isLeft;
  };
}

/** The click follows what is in hand, and sounds the signal at the end of a block. */
import { untrack } from 'svelte';
import type { Clicked, Clicking } from './clicking.svelte';
import type { Face } from './desk-keys';

/** The signal comes again until it is answered. */
const SIGNAL_MS = 7000;
/** Nothing is clicked there, or it is begun by hand. */
const SILENT: readonly Face[] = ['end', 'none', 'reading', 'starts', 'drill', 'run'];

export type InHandNow = {
  readonly face: Face;
  readonly clicked: Clicked | null;
  /** Names the block and the task of it. */
  readonly taskId: string;
  readonly isTimeUp: boolean;
};

/** Call while a component is made. */
export function clickAtDesk(clicking: Clicking, now: () => InHandNow): void {
  const { face, clicked, taskId, isTimeUp } = $derived(now());
  // another block, or another of its tasks: the click is as it is set
  $effect(() => {
    void taskId;
    untrack(() => clicking.plain());
  });
  $effect(() => {
    if (SILENT.includes(face) || !clicked) clicking.stop();
    else clicking.follow(clicked);
  });
  $effect(() => {
    if (face !== 'end' || !isTimeUp) return;
    clicking.signal();
    const again = setInterval(clicking.signal, SIGNAL_MS);
    return () => clearInterval(again);
  });
}

/**
 * A touch: one block of work on one item, as it was logged. What holds follows from touches alone (held.ts).
 * Attempts are kept in their order, because only the order tells whether clean ones came in a row.
 */
import type { BeatUnit, Bpm, Minutes } from '../units';

/** Who vouches for it; the three are kept apart. */
export const EVIDENCE = ['self', 'teacher', 'recording'] as const;
export type Evidence = (typeof EVIDENCE)[number];

/** What has to hold besides the notes (handbook section 3); instruments add their own. */
export const ELEMENTS = [
  'rhythm',
  'intonation',
  'articulation',
  'dynamics',
  'tone',
  'air',
  'fingers',
  'ease'
] as const;

export type Touch = {
  readonly id: string;
  readonly itemId: string;
  /** Civil date at the candidate's home. */
  readonly date: string;
  /** Both missing: the whole item. */
  readonly fromBar?: number | undefined;
  readonly toBar?: number | undefined;
  readonly minutes: Minutes;
  /** Missing where nothing was clicked (free sections, sight-reading, listening). */
  readonly tempoBpm?: Bpm | undefined;
  readonly unit?: BeatUnit | undefined;
  /** c for a clean attempt, n for one that was not yet, in the order played. */
  readonly attempts?: string | undefined;
  /** Elements that did not hold; with any of them the tempo does not count. */
  readonly notHeld?: readonly string[] | undefined;
  readonly evidence?: Evidence | undefined;
  readonly note?: string | undefined;
};

/** Longest run of clean attempts. */
export function cleanRun(attempts: string | undefined): number {
  return Math.max(0, ...(attempts ?? '').split('n').map((run) => run.length));
}

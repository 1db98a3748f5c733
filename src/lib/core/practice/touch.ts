/** What is read from touches. */
import type { Touch } from '../record';

export type { Evidence } from '../record/words';
export type { Touch };

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

/** Longest run of clean attempts. */
export function cleanRun(attempts: string | undefined): number {
  return Math.max(0, ...(attempts ?? '').split('n').map((run) => run.length));
}

/**
 * Less time today: which blocks stay. What is due soonest and farthest behind does; whole blocks go, none is cut. Source: the practice model,
 * section 1; the order of kinds is judgement.
 */
import type { DeskBlockKind } from '../record/words';
import type { Minutes } from '../units';
import type { DeskBlock } from './desk';

/** What goes last stands first: one warms up, then what is due, then what would be forgotten. */
const STAYS: readonly DeskBlockKind[] = [
  'warm-up',
  'ladder',
  'keep-warm',
  'easy-run',
  'run',
  'minutes',
  'microscope',
  'probe',
  'any-bar',
  'fundamentals',
  'free',
  'quiet',
  'liked',
  'rest'
];
/** Under so much play no rest is asked. */
const PLAY_BEFORE_REST_MIN: Minutes = 55;

/** Ids of the blocks to leave for another day, of those not begun, so that what stays lasts at most so many minutes. */
export function leaveForLater(blocks: readonly DeskBlock[], minutes: Minutes): string[] {
  const ahead = blocks.filter((block) => !block.isDropped && block.run === null);
  if (ahead.reduce((sum, block) => sum + block.minutes, 0) <= minutes) return [];
  const ranked = [...ahead].sort(
    (a, b) =>
      STAYS.indexOf(a.kind) - STAYS.indexOf(b.kind) ||
      ((a.dueOn ?? '9') < (b.dueOn ?? '9') ? -1 : (a.dueOn ?? '9') > (b.dueOn ?? '9') ? 1 : 0) ||
      a.place - b.place
  );
  let left = minutes;
  const stays = new Set<string>();
  for (const block of ranked) {
    const isRest = block.kind === 'rest' && minutes - left <= PLAY_BEFORE_REST_MIN;
    if (isRest || block.minutes > left) continue;
    stays.add(block.id);
    left -= block.minutes;
  }
  return ahead.filter((block) => !stays.has(block.id)).map((block) => block.id);
}

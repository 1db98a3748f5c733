/** How long somebody stays with one thing, as the desk learns it. Source: the practice model, section 2; the constants are judgement. */
import type { Minutes } from '../units';
import type { DeskBlock } from './desk';

/** Nobody's is shorter, and none grows beyond this by itself. */
const SHORTEST: Minutes = 8;
const LONGEST: Minutes = 25;
const SHORTER_BY: Minutes = 3;
/** So many blocks that were wanted longer raise it by a minute. */
const WANTED_LONGER = 3;

/** Whether the mind wandered, or more was wanted of a block of the list that had gone to its end; null where neither was. */
export function wishOf({ itemId, run }: DeskBlock): 'shorter' | 'longer' | null {
  if (itemId === null || !run?.end) return null;
  if (run.end.how === 'shorter') return 'shorter';
  return run.end.how === 'next' && run.moreMin > 0 ? 'longer' : null;
}

/** The longest block after another wish; `wantedLonger` counts all of that kind, this one included. */
export function longestAfter(longest: Minutes, wish: 'shorter' | 'longer', wantedLonger: number): Minutes {
  if (wish === 'shorter') return Math.min(longest, Math.max(SHORTEST, longest - SHORTER_BY));
  return wantedLonger % WANTED_LONGER === 0 ? Math.max(longest, Math.min(LONGEST, longest + 1)) : longest;
}

/** How long somebody stays with one thing, as the desk learns it. Source: the practice model, section 2; the constants are judgement. */
import type { DeskEvent } from '../record';
import type { Minutes } from '../units';
import { type DeskBlock, readDeskDay } from './desk';

/** Nobody's is shorter, and none grows beyond this by itself. */
const SHORTEST: Minutes = 8;
const LONGEST: Minutes = 25;
const SHORTER_BY: Minutes = 3;
/** So many blocks that were wanted longer raise it by a minute. */
const WANTED_LONGER = 3;

type Wish = 'shorter' | 'longer';

/** Whether the mind wandered, or more was wanted of a block of the list that had gone to its end; null where neither was. */
function wishOf({ itemId, run }: DeskBlock): Wish | null {
  if (itemId === null || !run?.end) return null;
  if (run.end.how === 'shorter') return 'shorter';
  return run.end.how === 'next' && run.moreMin > 0 ? 'longer' : null;
}

/** What was wished at the ends that some events say, each block once; `events` are all of their days. */
export const wishesIn = (fresh: readonly DeskEvent[], events: readonly DeskEvent[]): Wish[] =>
  fresh.flatMap((event) => {
    if (event.kind !== 'end') return [];
    const day = readDeskDay(events, event.date);
    const block = day?.blocks.find(({ id }) => id === event.block);
    // of several ends of a block the first counts
    return block?.run?.end?.atMs === event.atMs ? (wishOf(block) ?? []) : [];
  });

/** The longest block after another wish; `wantedLonger` counts all of that kind, this one included. */
function longestAfter(longest: Minutes, wish: Wish, wantedLonger: number): Minutes {
  if (wish === 'shorter') return Math.min(longest, Math.max(SHORTEST, longest - SHORTER_BY));
  return wantedLonger % WANTED_LONGER === 0 ? Math.max(longest, Math.min(LONGEST, longest + 1)) : longest;
}

/** The same after several, in their order; `wantedLonger` counts those of that kind before them. */
export function longestAfterAll(before: Minutes, wishes: readonly Wish[], wantedLonger: number): Minutes {
  let [longest, count] = [before, wantedLonger];
  for (const wish of wishes) {
    if (wish === 'longer') count += 1;
    longest = longestAfter(longest, wish, count);
  }
  return longest;
}

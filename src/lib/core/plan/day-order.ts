/**
 * A day's blocks: no longer than a mind stays with one thing, in a sensible order, and at clock times where the
 * day's spans have them. Order (handbook section 5): something held first, then what was not reached yesterday,
 * the hardest, alternating; runs last.
 */
import type { TimeSpan } from '../record';
import type { Minutes } from '../units';
import { LONGEST_BLOCK_MIN } from './block-task';
import { BREAK_MIN_PER_HOUR } from './capacity';

export type OrderedBlock = {
  readonly id: string;
  readonly minutes: Minutes;
  readonly isWarm: boolean;
  readonly isRun: boolean;
  readonly wasMissed: boolean;
  readonly clicksToGo: number;
  /** What it is played on; missing or empty: the first instrument. */
  readonly instrument?: string | undefined;
  /** Muscles it tires. */
  readonly tires?: readonly string[];
};

/** Splits minutes into blocks of at most the longest, as equal as can be. */
export function splitBlocks(minutes: Minutes, longest = LONGEST_BLOCK_MIN): Minutes[] {
  const count = Math.max(1, Math.ceil(minutes / longest));
  return Array.from(
    { length: count },
    (_, i) => Math.floor(((i + 1) * minutes) / count) - Math.floor((i * minutes) / count)
  );
}

const playedOn = ({ instrument }: OrderedBlock) => instrument ?? '';

/**
 * Orders a day's blocks: those of one instrument together, beginning with the one that the order begins with; the runs after all work, from
 * the instrument in hand on.
 */
export function orderBlocks<B extends OrderedBlock>(blocks: readonly B[]): B[] {
  const all = alternated(blocks);
  const instruments = [...new Set(all.map(playedOn))];
  if (instruments.length < 2) return all;
  const on = (some: readonly B[], order: readonly string[]) =>
    order.flatMap((instrument) => some.filter((block) => playedOn(block) === instrument));
  const work = instruments.flatMap((instrument) =>
    alternated(blocks.filter((block) => !block.isRun && playedOn(block) === instrument))
  );
  const inHand = work.length > 0 ? playedOn(work.at(-1)!) : instruments[0]!;
  const runs = all.filter(({ isRun }) => isRun);
  return [...work, ...on(runs, [inHand, ...instruments.filter((one) => one !== inHand)])];
}

/** What is held first, runs last; two of one item, or that tire the same muscles, are kept apart where another can lie between. */
function alternated<B extends OrderedBlock>(blocks: readonly B[]): B[] {
  const rank = (b: B) => (b.isRun ? 3 : b.isWarm ? 0 : b.wasMissed ? 1 : 2);
  const sorted = [...blocks].sort((a, b) => rank(a) - rank(b) || b.clicksToGo - a.clicksToGo);
  for (let i = 1; i < sorted.length; i += 1) {
    if (!clash(sorted[i - 1]!, sorted[i]!)) continue;
    const other = sorted.findIndex((b, j) => j > i && !clash(sorted[i - 1]!, b) && !b.isRun);
    if (other > i) sorted.splice(i, 0, ...sorted.splice(other, 1));
    else moveBefore(sorted, i);
  }
  return sorted;
}

/** Moves a block that has nothing after it to lie between to the nearest place before, behind what is held and no run. */
function moveBefore(sorted: OrderedBlock[], from: number): void {
  const block = sorted[from]!;
  if (block.isRun || block.isWarm) return;
  for (let to = from - 1; to >= 0 && !sorted[to]!.isWarm; to -= 1)
    if ((to === 0 || !clash(sorted[to - 1]!, block)) && !clash(sorted[to]!, block)) {
      sorted.splice(to, 0, ...sorted.splice(from, 1));
      return;
    }
}

function clash(a: OrderedBlock, b: OrderedBlock): boolean {
  return a.id === b.id || (a.tires ?? []).some((muscle) => b.tires?.includes(muscle));
}

/** Minutes from midnight at which each block begins, or null where its span has no start or none has room. */
export function startTimes(
  blocks: readonly { readonly minutes: Minutes }[],
  spans: readonly TimeSpan[],
  beforeMin: Minutes
): (Minutes | null)[] {
  const open = spans
    .filter((span) => span.start !== undefined)
    .map((span) => ({ at: minutesOf(span.start!), left: span.minutes, sinceBreak: 0 }))
    .sort((a, b) => a.at - b.at);
  if (open.length < spans.length) return blocks.map(() => null);
  let before = beforeMin;
  for (const span of open) {
    const used = Math.min(before, span.left);
    span.at += used;
    span.left -= used;
    span.sinceBreak = used;
    before -= used;
  }
  return blocks.map(({ minutes }) => {
    for (const span of open) {
      const pause = span.sinceBreak >= 60 - BREAK_MIN_PER_HOUR ? BREAK_MIN_PER_HOUR : 0;
      if (span.left < minutes + pause) continue;
      const start = span.at + pause;
      span.at = start + minutes;
      span.left -= minutes + pause;
      span.sinceBreak = pause > 0 ? minutes : span.sinceBreak + minutes;
      return start;
    }
    return null;
  });
}

/** Minutes from midnight of HH:MM. */
function minutesOf(time: string): Minutes {
  return Number(time.slice(0, 2)) * 60 + Number(time.slice(3, 5));
}

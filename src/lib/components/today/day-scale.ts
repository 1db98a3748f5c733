/** How a day is laid on the page: systems of blocks, and how far a block hangs below its target. */
import type { DeskBlock } from '$lib/core/practice';
import { clicksBetween } from '$lib/core/tempo';
import { sayBars } from '$lib/core/units';

/** A system holds no more, so that the shortest block still has room for a word. */
const MOST_MIN_A_SYSTEM = 90;
/** One click, and as many as fit. */
const CLICK_PX = 11;
const MOST_CLICKS = 14;

/** Blocks in lines of about equal length, in order. */
export function systemsOf(blocks: readonly DeskBlock[]): DeskBlock[][] {
  const all = blocks.reduce((sum, block) => sum + block.minutes, 0);
  const count = Math.max(1, Math.ceil(all / MOST_MIN_A_SYSTEM));
  const systems: DeskBlock[][] = Array.from({ length: count }, () => []);
  let passed = 0;
  for (const block of blocks) {
    systems[Math.min(count - 1, Math.floor(((passed + block.minutes / 2) / all) * count))]!.push(block);
    passed += block.minutes;
  }
  return systems.filter((system) => system.length > 0);
}

export const minutesOf = (blocks: readonly DeskBlock[]) =>
  blocks.reduce((sum, block) => sum + block.minutes, 0);

/** Pixels below the target line. */
export function hangs({ work }: DeskBlock, bpm: number): number {
  if (!work) return 0;
  return CLICK_PX * Math.min(MOST_CLICKS, Math.max(0, clicksBetween(bpm, work.targetBpm, work.unit)));
}

/** ", after 2 spots"; empty where it has none. */
export function sayBlockSpots({ spots = [] }: DeskBlock): string {
  if (spots.length === 0) return '';
  return `, after ${spots.length === 1 ? 'a spot' : `${spots.length} spots`}`;
}

/** "bars 1–48, in 4 parts, then all"; empty where it is of no bars. */
export function sayBlockBars({ bars, parts, isJoined }: DeskBlock): string {
  if (!bars) return '';
  const whole = sayBars(bars);
  if (parts.length === 0) return whole;
  const inParts = parts.length === 1 ? sayPart(parts[0]!) : `in ${parts.length} parts`;
  return `${whole}, ${inParts}${isJoined ? ', then all' : ''}`;
}
const sayPart = ({ fromBar, toBar }: { readonly fromBar: number; readonly toBar: number }) =>
  `${fromBar}–${toBar}`;

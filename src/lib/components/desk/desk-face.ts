/** Which face the desk shows of the block in hand. */
import { type DeskBlock, type Standing, isAtDrill } from '$lib/core/practice';
import type { ItemKind } from '$lib/core/record/words';
import type { Face } from './desk-keys';

type AtHand = {
  readonly block: DeskBlock | null;
  readonly item: { readonly kind: ItemKind } | null | undefined;
  readonly standing: Standing | null;
  /** It is a probe, or the microscope. */
  readonly isHunt: boolean;
  /** Bars of it are run straight through, out of their block. */
  readonly isRunning: boolean;
  readonly isLeaving: boolean;
  readonly isTimeUp: boolean;
};

export const isRunBlock = (block: DeskBlock | null): boolean =>
  block?.kind === 'run' || block?.kind === 'easy-run';

export function faceOf({ block, item, standing, isHunt, isRunning, isLeaving, isTimeUp }: AtHand): Face {
  if (!block?.run) return 'first';
  // a run and a hunt end with their music, not with the clock
  if (isRunning && item) return 'run';
  if (isRunBlock(block) && item && block.run.ran === null && !isLeaving) return 'run';
  const isPlayed = block.run.ran !== null || block.run.starts.length >= (block.starts?.length ?? Infinity);
  const isOver = standing ? standing.phase === 'ended' : isPlayed || (isTimeUp && !isHunt && !block.starts);
  if (isLeaving || isOver) return 'end';
  if (isAtDrill(block)) return 'drill';
  if (standing) return 'work';
  if (isHunt) return 'hunt';
  if (block.starts) return 'starts';
  return block.scales ? 'scales' : item?.kind === 'sight-reading' ? 'reading' : 'timed';
}

/** Which parts of a long section a block works on: as far along them as it is along the minutes of its rung, and all of it at the end. */
import type { Minutes } from '../../units';
import type { ClimbRung } from '../climb/rungs';
import { partsOf } from '../facts/parts';
import type { SeasonItem } from '../facts/request';
import type { BlockPart } from '../laid/plan';

/**
 * Null where the rung is worked whole. `from` and `to` are the rung's minutes before the block and after it, of `all` that are left of
 * it.
 */
export function partOfBlock(
  item: SeasonItem,
  rung: ClimbRung,
  { from, to, all }: { readonly from: Minutes; readonly to: Minutes; readonly all: Minutes }
): BlockPart | null {
  const section = item.sections.find((s) => s.id === rung.sectionId)!;
  const cut = rung.bars ? null : partsOf(item, section);
  if (!cut || rung.bpm >= cut.under || all === 0) return null;
  const { bars } = cut;
  const first = Math.min(bars.length - 1, Math.floor((from / all) * bars.length + 1e-9));
  const last = Math.max(first, Math.ceil((to / all) * bars.length - 1e-9) - 1);
  const isWhole = first === 0 && last === bars.length - 1;
  return {
    bars: isWhole ? null : { fromBar: bars[first]!.fromBar, toBar: bars[last]!.toBar },
    isJoined: to >= all
  };
}

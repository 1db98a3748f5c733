/** Which parts of a long section a block works on: as many as its minutes hold, in turn, and all of it at the block that reaches its rung. */
import { leastBlockMinutes } from '../../plan';
import type { Minutes } from '../../units';
import type { ClimbRung } from '../climb/rungs';
import { partsOf } from '../facts/parts';
import type { SeasonItem } from '../facts/request';
import type { BlockPart } from '../laid/plan';

export class PartTurns {
  readonly #item: SeasonItem;
  readonly #inARow: number;
  /** By section, the part that comes next. */
  readonly #next = new Map<string, number>();

  constructor(item: SeasonItem, inARow: number) {
    [this.#item, this.#inARow] = [item, inARow];
  }

  /** Null where the rung is worked whole. `isReached`: the block is to reach it. */
  take(rung: ClimbRung, minutes: Minutes, isReached: boolean): BlockPart | null {
    const section = this.#item.sections.find((s) => s.id === rung.sectionId)!;
    const cut = rung.bars ? null : partsOf(this.#item, section);
    if (!cut || rung.bpm >= cut.under) return null;
    const parts = cut.bars;
    const part = rung.seconds / parts.length;
    const run = isReached ? Math.ceil(rung.seconds / 60) : 0;
    const fits = Math.floor((minutes - run) / leastBlockMinutes(part, this.#inARow));
    const first = (this.#next.get(section.id) ?? 0) % parts.length;
    const last = Math.min(parts.length - 1, first + Math.max(1, fits) - 1);
    this.#next.set(section.id, isReached ? 0 : last + 1);
    return { bars: { fromBar: parts[first]!.fromBar, toBar: parts[last]!.toBar }, isJoined: isReached };
  }
}

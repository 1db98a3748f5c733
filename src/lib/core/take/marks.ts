/** From places that were heard to spots: one for each element, over bars that lie side by side. */
import type { TakeMark } from '../record';
import type { BarRange, Milliseconds } from '../units';
import { type Placed, barAt } from './places';

export type HeardSpot = BarRange & {
  readonly element: string;
  /** The first place it was heard at. */
  readonly atMs: Milliseconds;
  /** What was said at its marks, each once. */
  readonly says: readonly string[];
  /** Of the marks it was made from. */
  readonly marks: readonly string[];
};

/** In the order of the bars; marks that lie in no bar are none. */
export function spotsOfMarks(take: Placed, metre: string, marks: readonly TakeMark[]): HeardSpot[] {
  const placed = marks
    .map((mark) => ({ ...mark, bar: barAt(take, metre, mark.atMs) }))
    .sort((a, b) => a.atMs - b.atMs);
  const spots: HeardSpot[] = [];
  for (const { id, element, atMs, bar, says: said } of placed) {
    if (bar === null) continue;
    const last = spots.findLastIndex((spot) => spot.element === element);
    const before = spots[last];
    const says = said === '' ? [] : [said];
    if (before && bar <= before.toBar + 1)
      spots[last] = {
        ...before,
        toBar: Math.max(before.toBar, bar),
        says: [...new Set([...before.says, ...says])],
        marks: [...before.marks, id]
      };
    else spots.push({ fromBar: bar, toBar: bar, element, atMs, says, marks: [id] });
  }
  return spots.sort((a, b) => a.fromBar - b.fromBar || a.element.localeCompare(b.element));
}

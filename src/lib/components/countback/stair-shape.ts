/** How high a row is and what its stairs look like: from clicks below target to pixels, from dates to per cent. */
import { type Step, deepest } from '$lib/core/season';
import { type DayNumber, dayOf } from '$lib/core/units';
import type { CountbackItem } from '$lib/schema/view';
import type { TimeAxis } from './time-axis';

/** Room above the target line for the row's first words, and below the lowest stair for a label, in px. */
export const ROW_TOP = 16;
const ROW_FOOT = 17;
const LEAST_ROW = 52;
/** The deepest item gets about this many px below its line. */
const DEEPEST_PX = 38;
/** Where there are many, so that more of them are seen at once. */
const MANY_ITEMS = 16;
const DEEPEST_OF_MANY_PX = 22;
const MOST_PX_PER_CLICK = 6;

/** One scale for the whole page: the item farthest from its target sets it. */
export function pxPerClick(items: readonly CountbackItem[], from: DayNumber): number {
  const farthest = Math.max(
    1,
    ...items.map((item) => deepest([...item.plannedSteps, ...seen(item.heldSteps, from)], 0))
  );
  const deepestPx = items.length > MANY_ITEMS ? DEEPEST_OF_MANY_PX : DEEPEST_PX;
  return Math.min(MOST_PX_PER_CLICK, deepestPx / farthest);
}

/** Held steps that show on an axis beginning at `from`, the one that stood there first included. */
export function seen(steps: readonly Step[], from: DayNumber): Step[] {
  const before = steps.filter((s) => dayOf(s.date) <= from).at(-1);
  const after = steps.filter((s) => dayOf(s.date) > from);
  return before ? [before, ...after] : after;
}

/** Height of a row in px. */
export function rowHeight(item: CountbackItem, scale: number, from: DayNumber): number {
  const below = deepest([...item.plannedSteps, ...seen(item.heldSteps, from)], 0);
  return Math.max(LEAST_ROW, ROW_TOP + below * scale + ROW_FOOT);
}

/** SVG path data of a stair: level until the next step, then up. x in per cent, y in px. */
export function stairPath(steps: readonly Step[], until: DayNumber, axis: TimeAxis, scale: number): string {
  const y = (s: Step) => (ROW_TOP + s.clicksBelow * scale).toFixed(1);
  const x = (day: DayNumber) => axis.at(day).toFixed(2);
  const [first] = steps;
  if (!first) return '';
  const parts = steps.slice(1).map((step) => `H${x(dayOf(step.date))}V${y(step)}`);
  return `M${x(dayOf(first.date))} ${y(first)}${parts.join('')}H${x(until)}`;
}

/** Bars, as in 19–30, are wider than a tempo. */
const BARS_WIDTH = 1.8;

/** Steps whose labels have room: from the right, since the later ones matter to the date. `least` is in per cent. */
export function labelled(steps: readonly Step[], axis: TimeAxis, least: number): Step[] {
  const kept: Step[] = [];
  for (const step of [...steps].reverse()) {
    const at = axis.at(dayOf(step.date));
    const right = kept.at(-1) ? axis.at(dayOf(kept.at(-1)!.date)) : 100;
    const wide = step.bars ? least * BARS_WIDTH : least;
    if (right - at >= wide && at - axis.at(axis.today) >= 0.5) kept.push(step);
  }
  return kept.reverse();
}

/**
 * A long section is worked in parts: cut at the lines of the page where they are known, else into equal ones, and joined afterwards by a run of
 * the whole. They are cut once, by the target, so that what holds of a part counts while the tempo climbs. Source: the practice model
 * (judgement, no published source).
 */
import type { PlanItem, SeasonSection } from '../../record';
import { readLines } from '../../record/lines';
import { sectionSeconds, targetOf } from '../../tempo';
import type { Bpm } from '../../units';
import type { Bars } from './chain';

/** One attempt that lasts longer than this is worked in parts. */
const WHOLE_SECONDS = 60;
/** Music of a part, at the target. */
const LEAST_PART_SECONDS = 8;
const MOST_PART_SECONDS = 30;

export type Parts = {
  readonly bars: readonly Bars[];
  /** In the section's unit: the tempo from which on one attempt is short enough to be repeated whole. */
  readonly under: Bpm;
};

/** The parts of a section in order; null where it is free, or short enough to be one. */
export function partsOf(
  item: Pick<PlanItem, 'fromBar' | 'barsPerLine' | 'metre'>,
  { fromBar, toBar, tempo }: SeasonSection
): Parts | null {
  const target = targetOf(tempo);
  if (!target) return null;
  const bars = toBar - fromBar + 1;
  const seconds = sectionSeconds(tempo, item.metre, bars, 0, target.bpm);
  const mostBars = Math.max(1, Math.floor((MOST_PART_SECONDS * bars) / seconds));
  const parts: Bars[] = [];
  for (const piece of linesOf(item, { fromBar, toBar }).flatMap((line) => cutEqually(line, mostBars))) {
    const last = parts.at(-1);
    if (last && piece.toBar - last.fromBar + 1 <= mostBars)
      parts[parts.length - 1] = { fromBar: last.fromBar, toBar: piece.toBar };
    else parts.push(piece);
  }
  const joined = joinShort(parts, seconds / bars);
  return joined.length > 1 ? { bars: joined, under: (target.bpm * seconds) / WHOLE_SECONDS } : null;
}

/** The lines as far as they lie in the section; all of it where the lines are not known. */
function linesOf(
  { fromBar, barsPerLine = '' }: Pick<PlanItem, 'fromBar' | 'barsPerLine'>,
  section: Bars
): Bars[] {
  const lines: Bars[] = [];
  let first = fromBar;
  for (const bars of readLines(barsPerLine)?.flat() ?? []) {
    const inside = {
      fromBar: Math.max(first, section.fromBar),
      toBar: Math.min(first + bars - 1, section.toBar)
    };
    if (inside.fromBar <= inside.toBar) lines.push(inside);
    first += bars;
  }
  const end = lines.at(-1)?.toBar ?? section.fromBar - 1;
  return end < section.toBar ? [...lines, { fromBar: end + 1, toBar: section.toBar }] : lines;
}

function cutEqually({ fromBar, toBar }: Bars, mostBars: number): Bars[] {
  const bars = toBar - fromBar + 1;
  const count = Math.ceil(bars / mostBars);
  return Array.from({ length: count }, (_, i) => ({
    fromBar: fromBar + Math.round((i * bars) / count),
    toBar: fromBar + Math.round(((i + 1) * bars) / count) - 1
  }));
}

/** What is too short for a part of its own goes with the one before. */
function joinShort(parts: readonly Bars[], perBar: number): Bars[] {
  const joined: Bars[] = [];
  for (const part of parts) {
    const last = joined.at(-1);
    const isShort = (part.toBar - part.fromBar + 1) * perBar < LEAST_PART_SECONDS;
    if (last && isShort) joined[joined.length - 1] = { fromBar: last.fromBar, toBar: part.toBar };
    else joined.push(part);
  }
  return joined;
}

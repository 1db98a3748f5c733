/**
 * When the cuts are out the plan narrows to them: only their bars are climbed, the rest of the item gets a light touch, a run a
 * week. Source: handbook section 4 (common practice, no published source).
 */
import type { Bars } from './chain';
import type { SeasonItem, SeasonSection } from './request';

/** The item with only the bars of its cuts; as it is where it has none, or where they leave nothing with a tempo. */
export function narrowToCuts(item: SeasonItem): SeasonItem {
  const cuts = joinOverlapping(item.cuts ?? []);
  if (cuts.length === 0) return item;
  const sections = item.sections.flatMap((section) => insideCuts(section, cuts));
  if (sections.length === 0) return item;
  const holdsNow = item.holdsNow?.flatMap((stated) =>
    sections.flatMap(({ id }) => (isPartOf(id, stated.sectionId) ? [{ ...stated, sectionId: id }] : []))
  );
  return { ...item, sections, holdsNow };
}

/** Whether a plan of the item is narrowed to cuts. */
export const isNarrowed = (item: SeasonItem): boolean => narrowToCuts(item) !== item;

const isPartOf = (id: string, sectionId: string) => id === sectionId || id.startsWith(`${sectionId}/`);

/** The section's bars within each cut; beyond the first they are sections of their own, told apart by a number behind the id. */
function insideCuts(section: SeasonSection, cuts: readonly Bars[]): SeasonSection[] {
  return cuts
    .map((cut) => ({
      ...section,
      fromBar: Math.max(section.fromBar, cut.fromBar),
      toBar: Math.min(section.toBar, cut.toBar)
    }))
    .filter(({ fromBar, toBar }) => fromBar <= toBar)
    .map((part, i) => (i === 0 ? part : { ...part, id: `${section.id}/${i + 1}` }));
}

/** In order; cuts that overlap or follow on each other are one. */
function joinOverlapping(cuts: readonly Bars[]): Bars[] {
  const joined: { fromBar: number; toBar: number }[] = [];
  for (const { fromBar, toBar } of [...cuts].sort((a, b) => a.fromBar - b.fromBar)) {
    const last = joined.at(-1);
    if (last && fromBar <= last.toBar + 1) last.toBar = Math.max(last.toBar, toBar);
    else joined.push({ fromBar, toBar });
  }
  return joined;
}

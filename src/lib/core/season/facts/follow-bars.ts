/**
 * When the bars of a printed item are corrected, sections somebody set of their own follow: those that reached its ends
 * reach them still, the rest keep their bars as far as there are such bars.
 */
import type { SeasonSection } from './request';

type Bars = { readonly fromBar: number; readonly toBar: number };

/** Null where no section is left. */
export function followBars(
  sections: readonly SeasonSection[],
  before: Bars,
  after: Bars
): readonly SeasonSection[] | null {
  const followed = sections
    .map((section) => ({
      ...section,
      fromBar: section.fromBar === before.fromBar ? after.fromBar : Math.max(section.fromBar, after.fromBar),
      toBar: section.toBar === before.toBar ? after.toBar : Math.min(section.toBar, after.toBar)
    }))
    .filter((section) => section.fromBar <= section.toBar);
  return followed.length > 0 ? followed : null;
}

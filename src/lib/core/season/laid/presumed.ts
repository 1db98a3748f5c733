/** What a plan presumes, in words. */
import type { SeasonPlan } from './plan';

/** More items than this are counted instead of named. */
const MOST_NAMES = 2;

/** The sentence for a plan that presumes anything; null for one that does not. */
export function sayPresumed({ presumed, items, short }: SeasonPlan): string | null {
  const ids = [...new Set(presumed?.sections.map(({ itemId }) => itemId) ?? [])];
  if (ids.length === 0) return null;
  const names = ids.map((id) => items.find((item) => item.id === id)!.name);
  const rests = short ? `; ${presumed!.shortMin} of the ${short.minutes} minutes short rest on that` : '';
  if (names.length === items.length && names.length > 1)
    return `Nothing is known yet of what holds: half of each target is presumed${rests}.`;
  const of = names.length <= MOST_NAMES ? names.join(' and ') : `${names.length} items`;
  const half = names.length === 1 ? 'half its target is' : 'half of each target is';
  return `What holds of ${of} is not known yet: ${half} presumed${rests}.`;
}

/** What a laying stands on besides the log and the day, in few signs: while it is the same, only practice has gone on. */
import type { SeasonItem, SeasonRequest } from './request';

/** What of an item the plan stands on. */
const OF_ITEM = [
  'id',
  'kind',
  'metre',
  'fromBar',
  'toBar',
  'pickupBeats',
  'barsPerLine',
  'repeats',
  'sections',
  'holdsNow',
  'minutesPerWeek',
  'mostPerDayMin',
  'schools',
  'cuts',
  'isLeftOut',
  'began'
] as const satisfies readonly (keyof SeasonItem)[];

/** What was said to hold of an item's sections, in few signs. */
export const statedOf = ({ holdsNow = [] }: SeasonItem): Record<string, string> =>
  Object.fromEntries(holdsNow.map(({ sectionId, bpm, unit, on }) => [sectionId, `${bpm} ${unit} ${on}`]));

/** Two halves of 32 bits as in FNV-1a, with different primes: enough to tell the facts of one season apart. */
export function groundOf({ rounds, items, time, schools, daysIntoMock, pins }: SeasonRequest): string {
  const asked = items.map((item) => {
    const fields = OF_ITEM.map((field) => [field, item[field]] as const);
    return { ...Object.fromEntries(fields), daysIntoMock: item.daysIntoMock ?? daysIntoMock };
  });
  // how long a mind stays with one thing is learnt at the desk: what is agreed stays where it is
  const { longestBlockMin: _, ...minutes } = time;
  const text = JSON.stringify(plain([rounds, asked, minutes, schools, pins]));
  let [a, b] = [0x811c9dc5, 0x1000193];
  for (let i = 0; i < text.length; i += 1) {
    const sign = text.charCodeAt(i);
    a = Math.imul(a ^ sign, 0x01000193);
    b = Math.imul(b ^ sign, 0x85ebca6b);
  }
  return (a >>> 0).toString(36) + (b >>> 0).toString(36);
}

/** The same facts in the same signs, whatever the order of their fields; nothing and none are alike. */
function plain(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(plain);
  if (typeof value !== 'object' || value === null) return value ?? null;
  return Object.entries(value)
    .map(([key, inside]) => [key, plain(inside)] as const)
    .filter(
      ([, inside]) => inside !== null && inside !== 0 && !(Array.isArray(inside) && inside.length === 0)
    )
    .sort(([x], [y]) => (x < y ? -1 : 1));
}

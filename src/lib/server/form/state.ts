/**
 * What a page's form keeps, as it travels: the form package's own flat text, of which our forms need plain trees alone. Anything else
 * it could say (one part standing in many places, dates, maps, files, circles) is refused before it is put together.
 */
import { parse } from 'devalue';

/** 400 days of four values, 60 sections of sixteen, or 80 rows of thirteen, with room to spare. */
const MOST_PARTS = 20_000;
/** A form, its rows, their fields, and lists in these. */
const MOST_DEPTH = 6;
/** The longest list of a form is 400 days; one entry too many is the form's own to tell. */
const MOST_IN_A_LIST = 450;
/** How the format writes undefined and not-a-number. */
const UNDEFINED = -1;
const NAN = -3;

/** The object a text stands for; null where it is none that a form of ours sends. Takes time in step with the length of the text. */
export function readState(text: string): Record<string, unknown> | null {
  try {
    const flat: unknown = JSON.parse(text);
    if (!Array.isArray(flat) || !isPlainTree(flat)) return null;
    return parse(text) as Record<string, unknown>;
  } catch {
    return null;
  }
}

/** Whether the parts, each named by its place, make one tree: a part that holds others stands in one place, after its holder. */
function isPlainTree(flat: readonly unknown[]): boolean {
  if (flat.length > MOST_PARTS || !isHolder(flat[0]) || Array.isArray(flat[0])) return false;
  const depths = new Map<number, number>([[0, 1]]);
  return flat.every((part, at) => {
    if (!isHolder(part)) return true;
    if (Array.isArray(part) && part.length > MOST_IN_A_LIST) return false;
    const depth = depths.get(at);
    if (depth === undefined || depth > MOST_DEPTH || Object.hasOwn(part, '__proto__')) return false;
    return Object.values(part).every((place: unknown) => {
      if (place === UNDEFINED || place === NAN) return true;
      if (typeof place !== 'number' || !Object.hasOwn(flat, place)) return false;
      if (!isHolder(flat[place])) return true;
      if (place <= at || depths.has(place)) return false;
      depths.set(place, depth + 1);
      return true;
    });
  });
}

const isHolder = (part: unknown): part is object => typeof part === 'object' && part !== null;

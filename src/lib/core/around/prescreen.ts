/** A recorded round: by when to send, how its files are named, and in which order takes are heard so that nobody knows which is which. */
import { type DayNumber, randomFrom, seedOf, shuffled } from '../units';

/** Something always goes wrong on the last evening (judgement). */
const BUFFER_DAYS = 3;

/** The day on which it should be sent: so many before the last one. */
export const sendOn = (uploadBy: DayNumber): DayNumber => uploadBy - BUFFER_DAYS;

export const USUAL_PATTERN = '{number} {item} {name}';

/**
 * A file's name without its ending: what stands in braces filled in, and nothing in it that a file system or an upload form refuses. `number`
 * is the item's place on the list, two digits.
 */
export function fileNameOf(
  pattern: string,
  parts: {
    readonly name: string;
    readonly instrument: string;
    readonly item: string;
    readonly number: number;
  }
): string {
  const filled = pattern.replace(/\{(\w+)\}/g, (whole, part: string) => {
    if (part === 'number') return String(parts.number).padStart(2, '0');
    return part === 'name' || part === 'instrument' || part === 'item' ? parts[part] : whole;
  });
  const plain = filled
    .replace(/\p{Cc}|[\\/:*?"<>|“”„‘’'{}]/gu, '')
    .trim()
    .replace(/[\s,;]+/g, '_')
    .replace(/^\.+/, '')
    .slice(0, 120);
  return plain === '' ? 'take' : plain;
}

const LETTERS = 'ABCDEFGHIJKLMNOPQRSTUVWXYZ';

/** Takes under letters, in an order that says nothing of when they were made, and is the same each time it is asked for. */
export function blindly<T extends { readonly id: string }>(
  takes: readonly T[],
  about: string
): (T & { readonly letter: string })[] {
  const inOneOrder = [...takes].sort((a, b) => (a.id < b.id ? -1 : 1));
  return shuffled(inOneOrder, randomFrom(seedOf(about))).map((take, i) => ({
    ...take,
    letter: i < LETTERS.length ? LETTERS[i]! : String(i + 1)
  }));
}

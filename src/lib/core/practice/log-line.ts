/**
 * One quick line for a touch, as a player types it with one hand:
 *   [yesterday | YYYY-MM-DD] item [bars] minutes"m" [@tempo] [attempts] [-element ...] [note]
 *   3 37-41 15m @92 ccncc -rhythm breath comes late
 * A note that begins with a number or attempts stands behind a colon.
 * The item is its number in the list or the beginning of a word of its name.
 */
import { type DayNumber, type Fault, type Minutes, type Result, formatDate, parseDate } from '../units';
import { elementOf, sayNoElement } from './elements';

export type LineItem = { readonly id: string; readonly name: string };

export type LogLine = {
  readonly itemId: string;
  readonly date: string;
  readonly fromBar?: number;
  readonly toBar?: number;
  readonly minutes: Minutes;
  readonly tempoBpm?: number;
  readonly attempts?: string;
  readonly notHeld: readonly string[];
  readonly note: string;
};

const HINT = 'for example: 3 37-41 15m @92 ccncc';

/** Reads a line; ranges of numbers are left to the schema of a touch. */
export function parseLogLine(line: string, items: readonly LineItem[], today: DayNumber): Result<LogLine> {
  const words = line.trim().split(/\s+/).filter(Boolean);
  const date = readDate(words, today);
  const item = findItem(words.shift(), items);
  if (typeof item === 'string') return refuse(item);

  const found: { -readonly [K in keyof LogLine]?: LogLine[K] } = {};
  const notHeld: string[] = [];
  while (words.length > 0) {
    const word = words[0]!;
    const bars = /^(\d+)(?:[-–](\d+))?$/.exec(word);
    const minutes = /^(\d+)(?:m|min)$/.exec(word);
    const tempo = /^@(\d+(?:[.,]\d+)?)$/.exec(word);
    if (bars && found.fromBar === undefined && found.minutes === undefined) {
      found.fromBar = Number(bars[1]);
      found.toBar = Number(bars[2] ?? bars[1]);
    } else if (minutes && found.minutes === undefined) found.minutes = Number(minutes[1]);
    else if (tempo && found.tempoBpm === undefined) found.tempoBpm = Number(tempo[1]!.replace(',', '.'));
    else if (/^[cn]+$/i.test(word) && found.attempts === undefined && found.minutes !== undefined)
      found.attempts = word.toLowerCase();
    else if (word.startsWith('-') && word.length > 1) {
      const element = elementOf(word);
      if (!element) return refuse(sayNoElement(word));
      notHeld.push(element);
    } else if (word.startsWith('@') && found.tempoBpm === undefined)
      return refuse(`“${word}” is no tempo; write @ and a number, for example @92`);
    else break;
    words.shift();
  }
  const odd = askAbout(words[0] ?? '', found);
  if (odd) return refuse(odd);
  if (words[0] === ':') words.shift();
  if (found.minutes === undefined)
    return refuse(`the minutes are missing, with an m behind the number; ${HINT}`);
  return {
    ok: true,
    value: { ...found, minutes: found.minutes, itemId: item.id, date, notHeld, note: words.join(' ') }
  };
}

function refuse(says: string): Result<LogLine> {
  const fault: Fault = { path: 'line', says };
  return { ok: false, faults: [fault] };
}

/** What stands where the note begins and could be meant otherwise is asked about, not kept as a note; a colon before it says that it is one. */
function askAbout(
  word: string,
  found: { readonly tempoBpm?: number; readonly attempts?: string }
): string | null {
  const number = /^\d+(?:[.,]\d+)?$/.exec(word) ?? /^(\d+)bpm$/i.exec(word);
  if (number && found.tempoBpm === undefined)
    return `is “${word}” the tempo? Then write @${number[1] ?? word}; a note that begins with a number stands behind a colon: “: ${word}”`;
  if (number)
    return `“${word}” stands where the note begins; a note that begins with a number stands behind a colon: “: ${word}”`;
  if (/^[cn]{2,}$/i.test(word) && found.attempts === undefined)
    return `are “${word}” the attempts? They stand behind the minutes, as in 15m ccncc`;
  return null;
}

function readDate(words: string[], today: DayNumber): string {
  const first = words[0] ?? '';
  if (first.toLowerCase() === 'yesterday') {
    words.shift();
    return formatDate(today - 1);
  }
  if (parseDate(first) !== null) return words.shift()!;
  return formatDate(today);
}

function findItem(word: string | undefined, items: readonly LineItem[]): LineItem | string {
  if (!word) return `begin with the item’s number or name; ${HINT}`;
  if (/^\d+$/.test(word))
    return items[Number(word) - 1] ?? `the list has ${items.length} items, there is no number ${word}`;
  const start = word.toLowerCase();
  const hits = items.filter(({ name }) =>
    name
      .toLowerCase()
      .split(/[^\p{L}\p{N}]+/u)
      .some((part) => part.startsWith(start))
  );
  if (hits.length === 1) return hits[0]!;
  return hits.length === 0
    ? `no item of the list has a word that begins with “${word}”`
    : `“${word}” could be ${hits.map((h) => h.name).join(' or ')}; type more of it or its number`;
}

/** A list as text, one item a line under headings, or as a table. */
import { type Above, readLine } from './line';
import type { ListRow } from './row';
import { areHeads, readCells, unreadHeads } from './table';
import { kindIn, kindNamed } from './words';

export type ListText = {
  readonly rows: ListRow[];
  /** What was read otherwise than as an item, as sentences. */
  readonly notes: readonly string[];
};

/** Headings that say when something is heard. */
const ROUND =
  /^(?:(?:first|second|third|final|preliminary|semi-?final|last) round|round \d|(?:prescreening|finals?|semi-?finals?|preliminaries))$/i;

/** The heading's words, or null where a line is an item: a kind by itself is a heading, but of scales and sight-reading there is hardly more than one. */
function headingIn(line: string): string | null {
  const plain = line.trim().replace(/^#+ */, '');
  const words = plain.replace(/:$/, '').trim();
  if (words === '' || /\d{2}/.test(words)) return null;
  const kind = kindNamed(words);
  const isOwn = kind === 'scales' || kind === 'sight-reading';
  const isMarked = plain !== line.trim() || /:$/.test(plain);
  return isMarked || ROUND.test(words) || (kind !== null && !isOwn) ? words : null;
}

export function readLines(lines: readonly string[]): ListText {
  let above: Above = { kind: null };
  const rows: ListRow[] = [];
  const notes: string[] = [];
  for (const line of lines) {
    const heading = headingIn(line);
    if (heading === null) rows.push(...readLine(line, above).rows);
    else {
      above = { kind: kindIn(heading) };
      notes.push(
        above.kind
          ? `“${heading}” was read as a heading for what stands under it.`
          : `“${heading}” was read as a heading and put nowhere.`
      );
    }
  }
  return { rows, notes };
}

/** Null where the first row has no heads. */
export function readTable([heads = [], ...table]: readonly (readonly string[])[]): ListText | null {
  if (!areHeads(heads)) return null;
  const unread = unreadHeads(heads);
  const notes =
    unread.length === 0
      ? []
      : [`${unread.length === 1 ? 'This column was' : 'These columns were'} not read: ${unread.join(', ')}.`];
  return { rows: table.map((cells) => readCells(heads, cells)), notes };
}

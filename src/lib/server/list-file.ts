/**
 * Lists as files: text or a table with commas, semicolons or tabs, in UTF-8, UTF-16 or the old Western encoding, in; a table
 * in UTF-8 out.
 */
import Papa from 'papaparse';
import { type ListText, readLines, readTable } from '../schema/list/text';
import type { ListItem } from './store/item';

/** A file of a list; 80 items with all their columns are 40 kB. */
export const MOST_LIST_BYTES = 1024 * 1024;

/** Bytes as text: by their mark, else UTF-8, else Windows-1252. */
export function decodeText(bytes: Uint8Array): string {
  const [a, b] = bytes;
  if (a === 0xff && b === 0xfe) return new TextDecoder('utf-16le').decode(bytes);
  if (a === 0xfe && b === 0xff) return new TextDecoder('utf-16be').decode(bytes);
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes);
  } catch {
    return new TextDecoder('windows-1252').decode(bytes);
  }
}

/** Items read at once, and the longest line of one. */
const MOST_ROWS = 80;
const MOST_LINE = 500;

export type ReadList = ({ readonly ok: true } & ListText) | { readonly ok: false; readonly says: string };

/** Rows of a table with headings, else one item a line; empty lines are passed over. What is no list is not read at all. */
export function readList(text: string): ReadList {
  const sound = text.replace(/^\uFEFF/, '');
  const lines = sound.split(/\r?\n/).filter((line) => line.trim() !== '');
  if (lines.length === 0)
    return { ok: false, says: 'There is nothing to read: paste the list or choose a file.' };
  const long = lines.findIndex((line) => line.length > MOST_LINE);
  if (long >= 0) return { ok: false, says: `Line ${long + 1} is longer than any item of a list.` };
  // the headings of a table come on top of its items
  if (lines.length > MOST_ROWS + 1 || sound.includes('\u0000'))
    return {
      ok: false,
      says: `That does not look like a list: ${lines.length} lines. At most ${MOST_ROWS} items at once.`
    };
  const { data } = Papa.parse<string[]>(sound, { skipEmptyLines: 'greedy' });
  const { rows, notes } = readTable(data) ?? readLines(lines);
  return { ok: true, rows: rows.slice(0, MOST_ROWS), notes: [...notes, ...sayCut(rows.length)] };
}

const sayCut = (rows: number) =>
  rows > MOST_ROWS ? [`The last ${rows - MOST_ROWS} are left out: at most ${MOST_ROWS} at once.`] : [];

const COLUMNS = [
  'name',
  'composer',
  'kind',
  'instrument',
  'edition',
  'pages',
  'tested',
  'metre',
  'first bar',
  'last bar',
  'bars',
  'beat unit',
  'lowest bpm',
  'highest bpm',
  'recordings',
  'minutes a week',
  'keys',
  'place',
  'errata',
  'cuts'
] as const;

/** A row a section, as a table that spreadsheets and the import read; text that could be taken for a formula is defused. */
export function writeList(items: readonly ListItem[]): string {
  const rows = items
    .flatMap((item) =>
      (item.sections.length > 0 ? item.sections : [null]).map((s, i) => rowOf(item, s, i === 0))
    )
    .map((row) => row.map((cell) => (typeof cell === 'string' ? cell.replaceAll(/\s/g, ' ') : cell)));
  return `\uFEFF${Papa.unparse({ fields: [...COLUMNS], data: rows }, { newline: '\r\n', escapeFormulae: true })}\r\n`;
}

/** Errata and cuts, which are the whole item's, stand in its first row. */
function rowOf(
  item: ListItem,
  section: ListItem['sections'][number] | null,
  isFirst: boolean
): (string | number)[] {
  const tempo = section?.tempo;
  const bpm = tempo ? bpmOf(tempo) : ['', ''];
  return [
    item.name,
    item.composer,
    item.kind,
    item.instrument,
    item.edition,
    item.pages,
    item.tested,
    item.metre,
    section?.fromBar ?? '',
    section?.toBar ?? '',
    section ? `${section.fromBar}-${section.toBar}` : '',
    tempo && tempo.kind !== 'free' ? tempo.unit : '',
    ...bpm,
    tempo?.kind === 'recordings' ? tempo.recordingsBpm.join(' ') : '',
    (tempo?.kind === 'free' ? tempo.minutesPerWeek : item.minutesPerWeek) ?? '',
    item.key,
    section?.name ?? '',
    (isFirst ? item.errata : []).map((e) => `${e.bar}: ${e.says}`).join('; '),
    (isFirst ? item.cuts : []).map((c) => `${c.fromBar}-${c.toBar}`).join('; ')
  ];
}

function bpmOf(tempo: ListItem['sections'][number]['tempo']): [number | string, number | string] {
  switch (tempo.kind) {
    case 'pulse':
      return [tempo.targetBpm, ''];
    case 'range':
      return [tempo.lowBpm, tempo.highBpm];
    case 'change':
      return [tempo.fromBpm, tempo.toBpm];
    case 'recordings':
    case 'free':
      return ['', ''];
  }
}

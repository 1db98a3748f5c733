/**
 * Lists as files: text or a table with commas, semicolons or tabs, in UTF-8, UTF-16 or the old Western encoding, in; a table
 * in UTF-8 out.
 */
import Papa from 'papaparse';
import { type ListRow, areHeadings, readListCells, readListLine } from '../schema/list-text';
import type { ListItem } from './store/item';

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

/** Rows of a table with headings, else one item a line; empty lines are passed over. */
export function readList(text: string): ListRow[] {
  const sound = text.replace(/^\uFEFF/, '');
  const { data } = Papa.parse<string[]>(sound, { skipEmptyLines: 'greedy' });
  const [headings = [], ...rows] = data;
  if (areHeadings(headings)) return rows.map((cells) => readListCells(headings, cells));
  return sound
    .split(/\r?\n/)
    .filter((line) => line.trim() !== '')
    .map(readListLine);
}

const COLUMNS = [
  'name',
  'composer',
  'kind',
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
  'minutes a week',
  'errata',
  'cuts'
] as const;

/** A row a section, as a table that spreadsheets and the import read; text that could be taken for a formula is defused. */
export function writeList(items: readonly ListItem[]): string {
  const rows = items.flatMap((item) =>
    (item.sections.length > 0 ? item.sections : [null]).map((s) => rowOf(item, s))
  );
  return `\uFEFF${Papa.unparse({ fields: [...COLUMNS], data: rows }, { newline: '\r\n', escapeFormulae: true })}\r\n`;
}

function rowOf(item: ListItem, section: ListItem['sections'][number] | null): (string | number)[] {
  const tempo = section?.tempo;
  const bpm = tempo ? bpmOf(tempo) : ['', ''];
  return [
    item.name,
    item.composer,
    item.kind,
    item.edition,
    item.pages,
    item.tested,
    item.metre,
    section?.fromBar ?? '',
    section?.toBar ?? '',
    section ? `${section.fromBar}-${section.toBar}` : '',
    tempo && tempo.kind !== 'free' ? tempo.unit : '',
    ...bpm,
    (tempo?.kind === 'free' ? tempo.minutesPerWeek : item.minutesPerWeek) ?? '',
    item.errata.map((e) => `${e.bar}: ${e.says}`).join('; '),
    item.cuts.map((c) => `${c.fromBar}-${c.toBar}`).join('; ')
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
      return [Math.min(...tempo.recordingsBpm), Math.max(...tempo.recordingsBpm)];
    case 'free':
      return ['', ''];
  }
}

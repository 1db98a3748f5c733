/** A list as a table: columns in any order, under heads in several languages. What a column or a cell says and nobody understands is named. */
import { readLine, tidy } from './line';
import { BLANK_ROW, type ListRow } from './row';
import { type Column, NOTE, columnOf, kindIn, unitOfNote } from './words';

/** Whether a first row is heads: one names the item's column, or two are known. */
export function areHeads(cells: readonly string[]): boolean {
  const columns = cells.map(columnOf);
  return columns.includes('name') || columns.filter((column) => column !== null).length >= 2;
}

/** Heads that name no column. */
export const unreadHeads = (heads: readonly string[]): string[] =>
  heads.filter((head) => head.trim() !== '' && columnOf(head) === null).map((head) => head.trim());

export function readCells(heads: readonly string[], cells: readonly string[]): ListRow {
  let row: ListRow = { ...BLANK_ROW, presumed: ['kind', 'metre', 'unit'] };
  const known = heads.flatMap((head, i) => {
    const column = columnOf(head);
    const text = tidy(cells[i] ?? '').replace(/^'(?=[=+@-])/, '');
    return column && text !== '' ? [{ column, text, head: head.trim() }] : [];
  });
  for (const { column, text, head } of known) {
    const read = readCell(column, text, row);
    row = read
      ? { ...row, ...read }
      : { ...row, leftOver: [row.leftOver, `${head}: ${text}`].filter(Boolean).join('; ').slice(0, 2000) };
  }
  const says = new Set(known.map(({ column }) => column));
  const isTimed = row.lowBpm !== null || row.recordings !== '';
  const presumed = row.presumed.filter(
    (field) =>
      !says.has(field) && (field !== 'unit' || isTimed) && (field !== 'metre' || row.kind !== 'sight-reading')
  );
  return { ...row, presumed };
}

/** Null where a cell is not understood. */
function readCell(column: Column, text: string, row: ListRow): Partial<ListRow> | null {
  switch (column) {
    case 'bars': {
      const bars = /^(\d{1,4})(?: ?(?:-|–|to|bis) ?(\d{1,4}))?$/.exec(text);
      if (!bars) return null;
      // a lone number is how many there are
      return bars[2]
        ? { fromBar: Number(bars[1]), toBar: Number(bars[2]) }
        : { fromBar: 1, toBar: Number(bars[1]) };
    }
    case 'tempo':
    case 'recordings':
      return readTempo(text, row);
    case 'kind': {
      const kind = kindIn(text);
      return kind && { kind };
    }
    case 'unit':
      return readUnit(text);
    case 'metre':
      return /^\d{1,2}\/\d{1,2}$/.test(text)
        ? { metre: text }
        : pick(readLine(`x, ${text}`).rows[0]!, 'metre');
    case 'holdsBy':
      return {
        holdsBy: /teacher|lehrer|prof/i.test(text)
          ? 'teacher'
          : /record|aufnahme|enreg/i.test(text)
            ? 'recording'
            : 'self'
      };
    case 'holdsBpm': {
      const held = readTempo(text, row);
      return held?.lowBpm ? { holdsBpm: held.lowBpm } : null;
    }
    default:
      return readPlain(column, text);
  }
}

function readPlain(column: Exclude<Column, 'bars' | 'tempo'>, text: string): Partial<ListRow> | null {
  if (typeof BLANK_ROW[column] === 'string')
    return text.length <= (column === 'name' ? 120 : column === 'errata' ? 4000 : 200)
      ? { [column]: text }
      : null;
  const value = Number(text.replace(',', '.'));
  return Number.isFinite(value) ? { [column]: value } : null;
}

/** As in a line of text, or numbers alone in the unit of its row. */
function readTempo(text: string, { presumed }: ListRow): Partial<ListRow> | null {
  if (/^\d{2,6}(?:[.,]\d{1,6})?$/.test(text)) return { lowBpm: Number(text.replace(',', '.')) };
  const [read] = readLine(`x, ${/\p{L}|[♩♪]/u.test(text) ? text : `${text} bpm`}`).rows;
  if (!read || read.leftOver !== '' || (read.lowBpm === null && read.recordings === '')) return null;
  const isSaid = !read.presumed.includes('unit');
  const { lowBpm, highBpm, recordings } = read;
  return {
    lowBpm,
    highBpm,
    recordings,
    ...(isSaid ? { unit: read.unit, presumed: presumed.filter((field) => field !== 'unit') } : {})
  };
}

function readUnit(text: string): Partial<ListRow> | null {
  const note = new RegExp(`^${NOTE}$`, 'iu').exec(text.replaceAll('-', ' '));
  const unit = note && unitOfNote(note[1], note[2]!, note[3]);
  return unit ? { unit } : null;
}

const pick = (row: ListRow, field: 'metre') =>
  row.presumed.includes(field) ? null : { [field]: row[field] };

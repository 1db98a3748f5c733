/**
 * A list as people have it: one item a line of text, or a table with headings. Read into rows of plain fields that are
 * reviewed before anything is saved; what is not understood stays empty, never guessed.
 */
import { z } from 'zod';
import { ITEM_KINDS, type ItemKind } from '../core/season';
import { BEAT_UNITS, type BeatUnit } from '../core/units';
import { nameField, shortText } from '../core/record';
import { planItem } from './item';

const number = z.number().nullable().default(null);

const listRow = z.object({
  name: nameField,
  composer: shortText,
  kind: z.enum(ITEM_KINDS).default('etude'),
  edition: shortText,
  pages: shortText,
  tested: shortText,
  metre: z.string().trim().max(7, 'A metre is written 4/4 or 6/8.').default('4/4'),
  fromBar: number,
  toBar: number,
  unit: z.enum(BEAT_UNITS).default('quarter'),
  lowBpm: number,
  highBpm: number,
  minutesPerWeek: number
});
export const listForm = z.object({ rows: z.array(listRow).max(80, 'At most 80 items at once.').default([]) });
export type ListRow = z.infer<typeof listRow>;

const KINDS: Record<string, ItemKind> = {
  etude: 'etude',
  étude: 'etude',
  study: 'etude',
  excerpt: 'excerpt',
  solo: 'solo',
  scale: 'scales',
  scales: 'scales',
  'sight-reading': 'sight-reading',
  'sight reading': 'sight-reading'
};
const UNIT_WORDS = 'whole|half|quarter|eighth|sixteenth';
/** Patterns are for text whose spaces stand alone (`tidy`): none can be taken by two parts of a pattern in many ways. */
const TO = ' ?(?:-|–|to) ?';
/** A whole number is taken or none of it: 9999 is no 999 and a 9. */
const BPM = String.raw`(\d{2,6}(?:\.\d{1,6})?)(?!\d)`;
const BPMS = `${BPM}(?:${TO}${BPM})?`;
const TEMPO = new RegExp(
  String.raw`(dotted[ -])?(${UNIT_WORDS})(?: note)?(?: ?=)? ?${BPMS}|@?\b${BPMS} ?bpm`,
  'i'
);
const RANGE = String.raw`(\d{1,4})${TO}(\d{1,4})`;
const BARS = new RegExp(String.raw`\b(?:bars?|measures?|mm?\.) ?${RANGE}(?!\d)`, 'i');
/** A range that stands alone between two separators: where the tempo is said elsewhere in the line, it can only be bars. */
const LONE_BARS = new RegExp(`^${RANGE}$`);
const BAR_COUNT = /\b(\d{1,4}) ?(?:bars|measures)\b/i;
const METRE = /\b(\d{1,2}\/(?:2|4|8|16))\b/;
const MINUTES = /\b(\d{1,3}) ?min(?:utes)?(?: a week)?\b/i;
const PAGES = /\bp(?:p|ages?|\.)\.? ?(\d{1,3}(?: ?[-–] ?\d{1,3})?)/i;
const BULLET = /^(?:\d{1,2}[.)] |[-•*] )/;

/** Each run of spaces as one; tabs stay what they are, a parting. */
const tidy = (text: string) =>
  text
    .split('\t')
    .map((part) =>
      part
        .split(/[^\S\t]+/)
        .join(' ')
        .trim()
    )
    .join('\t');

const BLANK: ListRow = listRow.parse({ name: 'x' });

/** One line of text: "Étude 14 Millrace, Quill, bars 1-48, 6/8, dotted quarter 58-66". Numbering before it is passed over. */
export function readListLine(line: string): ListRow {
  let rest = tidy(line).replace(BULLET, '');
  const take = (pattern: RegExp) => {
    const match = pattern.exec(rest);
    if (match) rest = rest.replace(match[0], ' ');
    return match;
  };
  const tempo = take(TEMPO);
  const bars = take(BARS);
  const count = bars ? null : take(BAR_COUNT);
  const metre = take(METRE);
  const minutes = take(MINUTES);
  const pages = take(PAGES);
  const parts = rest
    .split(/\t|[,;]| [–—-] /)
    .map(tidy)
    .filter((part) => /[\p{L}\p{N}]/u.test(part));
  const loneAt = bars || count || !tempo ? -1 : parts.findIndex((part, i) => i > 0 && LONE_BARS.test(part));
  const lone = loneAt > 0 ? LONE_BARS.exec(parts.splice(loneAt, 1)[0]!) : null;
  const kindAt = parts.findIndex((part) => KINDS[part.toLowerCase()] !== undefined);
  const kind = kindAt > 0 ? KINDS[parts.splice(kindAt, 1)[0]!.toLowerCase()]! : kindOf(parts[0] ?? '');
  const [name = '', composer = '', ...more] = parts;
  return {
    ...BLANK,
    name: name.slice(0, 120),
    composer: composer.slice(0, 200),
    tested: more.join(', ').slice(0, 200),
    kind,
    pages: pages?.[1]?.replace(/\s/g, '') ?? '',
    metre: metre?.[1] ?? '4/4',
    ...readBarFields(bars ?? lone, count),
    ...readTempoFields(tempo),
    minutesPerWeek: minutes ? Number(minutes[1]) : null
  };
}

function readBarFields(bars: RegExpExecArray | null, count: RegExpExecArray | null) {
  if (bars) return { fromBar: Number(bars[1]), toBar: Number(bars[2]) };
  return count ? { fromBar: 1, toBar: Number(count[1]) } : { fromBar: null, toBar: null };
}

function readTempoFields(tempo: RegExpExecArray | null) {
  if (!tempo) return { unit: 'quarter' as const, lowBpm: null, highBpm: null };
  const [, dotted, word, low, high, plainLow, plainHigh] = tempo;
  const unit = (word ? `${dotted ? 'dotted-' : ''}${word.toLowerCase()}` : 'quarter') as BeatUnit;
  const top = high ?? plainHigh;
  return {
    unit: BEAT_UNITS.includes(unit) ? unit : ('quarter' as const),
    lowBpm: Number(low ?? plainLow),
    highBpm: top ? Number(top) : null
  };
}

/** What the first words say it is; an etude where they say nothing. */
function kindOf(name: string): ItemKind {
  const first = Object.keys(KINDS).find((word) => name.toLowerCase().includes(word));
  return first ? KINDS[first]! : 'etude';
}

/** Headings as tables have them, and the field each means. */
const HEADINGS: Record<string, keyof ListRow | 'bars' | 'tempo'> = {
  name: 'name',
  item: 'name',
  title: 'name',
  work: 'name',
  composer: 'composer',
  kind: 'kind',
  type: 'kind',
  edition: 'edition',
  pages: 'pages',
  page: 'pages',
  tested: 'tested',
  metre: 'metre',
  meter: 'metre',
  bars: 'bars',
  measures: 'bars',
  'first bar': 'fromBar',
  'from bar': 'fromBar',
  'last bar': 'toBar',
  'to bar': 'toBar',
  'beat unit': 'unit',
  unit: 'unit',
  tempo: 'tempo',
  bpm: 'tempo',
  'lowest bpm': 'lowBpm',
  'highest bpm': 'highBpm',
  'minutes a week': 'minutesPerWeek'
};

/** Whether a first row is headings: it names the item's column. */
export function areHeadings(cells: readonly string[]): boolean {
  return cells.some((cell) => HEADINGS[cell.trim().toLowerCase()] === 'name');
}

/** A row of a table under its headings; columns of other names are passed over. */
export function readListCells(headings: readonly string[], cells: readonly string[]): ListRow {
  const row: Record<string, unknown> = { ...BLANK, name: '' };
  headings.forEach((heading, i) => {
    const field = HEADINGS[heading.trim().toLowerCase()];
    const text = tidy(cells[i] ?? '').replace(/^'(?=[=+@-])/, '');
    if (!field || text === '') return;
    if (field === 'bars')
      Object.assign(row, readBarFields(new RegExp(RANGE).exec(text), /(\d{1,4})/.exec(text)));
    else if (field === 'tempo') Object.assign(row, readTempoCell(text, row.unit as BeatUnit));
    else if (field === 'kind') row.kind = KINDS[text.toLowerCase()] ?? 'etude';
    else if (field === 'unit') row.unit = unitOf(text) ?? row.unit;
    else if (typeof BLANK[field] === 'string') row[field] = text.slice(0, field === 'name' ? 120 : 200);
    else row[field] = Number.isFinite(Number(text.replace(',', '.'))) ? Number(text.replace(',', '.')) : null;
  });
  return row as ListRow;
}

function readTempoCell(text: string, unit: BeatUnit) {
  const worded = TEMPO.exec(text);
  if (worded?.[2]) return readTempoFields(worded);
  const [low, high] = text.match(/\d{2,6}(?:\.\d{1,6})?/g) ?? [];
  return { unit, lowBpm: low ? Number(low) : null, highBpm: high ? Number(high) : null };
}

function unitOf(text: string): BeatUnit | null {
  const unit = text.trim().toLowerCase().replace(/\s+/g, '-') as BeatUnit;
  return BEAT_UNITS.includes(unit) ? unit : null;
}

/** The item a row means, checked as any item is; faults at the row's own fields. */
export function readListRow(row: ListRow) {
  const isSightReading = row.kind === 'sight-reading';
  const tempo =
    row.lowBpm === null
      ? { kind: 'free', minutesPerWeek: row.minutesPerWeek }
      : row.highBpm === null || row.highBpm === row.lowBpm
        ? { kind: 'pulse', unit: row.unit, targetBpm: row.lowBpm }
        : { kind: 'range', unit: row.unit, lowBpm: row.lowBpm, highBpm: row.highBpm };
  const [fromBar, toBar] = isSightReading ? [1, 1] : [row.fromBar, row.toBar];
  const parsed = planItem.safeParse({
    id: 'new',
    name: row.name,
    kind: row.kind,
    metre: row.metre,
    fromBar,
    toBar,
    minutesPerWeek: isSightReading ? (row.minutesPerWeek ?? undefined) : undefined,
    sections: isSightReading ? [] : [{ id: 'new-1', fromBar, toBar, tempo }]
  });
  if (parsed.success) {
    const { composer, edition, pages, tested } = row;
    return { ok: true as const, item: { ...parsed.data, composer, edition, pages, tested, barsPerLine: '' } };
  }
  const [issue] = parsed.error.issues;
  return {
    ok: false as const,
    fault: faultOf(row, String(issue!.path.at(-1) ?? ''), issue!.message, isSightReading)
  };
}

type ReadItem = Extract<ReturnType<typeof readListRow>, { ok: true }>['item'];

/** Rows of one item that follow on each other with bars of their own are its sections. */
export function joinSections(items: readonly ReadItem[]): ReadItem[] {
  const joined: ReadItem[] = [];
  for (const item of items) {
    const last = joined.at(-1);
    const follows = last?.name === item.name && last.composer === item.composer && item.fromBar > last.toBar;
    if (!follows) joined.push(item);
    else {
      const sections = item.sections.map((s) => ({ ...s, id: `new-${last.sections.length + 1}` }));
      joined[joined.length - 1] = { ...last, toBar: item.toBar, sections: [...last.sections, ...sections] };
    }
  }
  return joined;
}

type RowFault = { readonly field: keyof ListRow; readonly says: string };

function faultOf(row: ListRow, key: string, message: string, isSightReading: boolean): RowFault {
  if (isSightReading && row.minutesPerWeek === null)
    return { field: 'minutesPerWeek', says: 'Say how many minutes a week.' };
  if (row.fromBar === null || row.toBar === null) return { field: 'toBar', says: 'Which bars?' };
  if (key === 'minutesPerWeek')
    return { field: 'lowBpm', says: 'A tempo, or minutes a week where it is free.' };
  const fields: Record<string, keyof ListRow> = {
    targetBpm: 'lowBpm',
    lowBpm: 'lowBpm',
    highBpm: 'highBpm',
    toBar: 'toBar',
    fromBar: 'fromBar',
    metre: 'metre',
    name: 'name'
  };
  return { field: fields[key] ?? 'name', says: message };
}

/**
 * A row of a list that was read: plain fields that are reviewed before anything is saved; what is not understood stays empty and is shown, never
 * guessed. Then the item that a row means.
 */
import { z } from 'zod';
import { type ItemKind, ITEM_KINDS } from '../../core/season';
import { BEAT_UNITS } from '../../core/units';
import { EVIDENCE, instrumentField, nameField, shortText } from '../../core/record';
import { planItem } from '../item';
import { parseCuts, parseErrata } from '../printed';

const number = z.number().nullable().default(null);

/** Fields that a line can leave open, and that have a usual value. */
const PRESUMED = ['kind', 'metre', 'unit'] as const;
export type Presumed = (typeof PRESUMED)[number];

const listRow = z.object({
  name: nameField,
  composer: shortText,
  kind: z.enum(ITEM_KINDS).default('etude'),
  instrument: instrumentField,
  edition: shortText,
  pages: shortText,
  tested: shortText,
  /** Of scales: keys and octaves. */
  key: shortText,
  /** Where the passage is, where the list says it by rehearsal marks. */
  place: shortText,
  metre: z.string().trim().max(7, 'A metre is written 4/4 or 6/8.').default('4/4'),
  fromBar: number,
  toBar: number,
  unit: z.enum(BEAT_UNITS).default('quarter'),
  lowBpm: number,
  highBpm: number,
  /** Tempos of recordings, parted by spaces; instead of a tempo. */
  recordings: shortText,
  minutesPerWeek: number,
  /** What holds today, in `unit`, and by whom it was heard. */
  holdsBpm: number,
  holdsBy: z.enum(EVIDENCE).default('self'),
  errata: z.string().max(4000, 'At most 4,000 characters, please.').default(''),
  cuts: shortText,
  /** Words that were put nowhere. */
  leftOver: z.string().max(2000, 'At most 2,000 characters, please.').default(''),
  presumed: z.array(z.enum(PRESUMED)).max(PRESUMED.length).default([])
});
export const listForm = z.object({ rows: z.array(listRow).max(80, 'At most 80 items at once.').default([]) });
export type ListRow = z.infer<typeof listRow>;

export const BLANK_ROW: ListRow = { ...listRow.parse({ name: 'x' }), name: '' };

/** What is asked of an item of that kind: bars, edition and the like; keys and octaves; or minutes alone. */
export function askedOf(kind: ItemKind): 'bars' | 'keys' | 'minutes' {
  if (kind === 'scales') return 'keys';
  return kind === 'sight-reading' ? 'minutes' : 'bars';
}
/** Scales have no bars of their own: as many as four keys of two octaves in eighths take (judgement). */
export const BARS_OF_SCALES = 16;

/** The item a row means, checked as any item is; faults at the row's own fields. What holds is said of `today`. */
export function readListRow(row: ListRow, today: string) {
  const asked = askedOf(row.kind);
  const isUntimed = asked === 'minutes' || (asked === 'keys' && row.lowBpm === null && row.recordings === '');
  const [fromBar, toBar] =
    asked === 'minutes'
      ? [1, 1]
      : asked === 'keys' && row.toBar === null
        ? [1, BARS_OF_SCALES]
        : [row.fromBar, row.toBar];
  const held = { sectionId: 'new-1', bpm: row.holdsBpm!, unit: row.unit, evidence: row.holdsBy, on: today };
  const parsed = planItem.safeParse({
    id: 'new',
    name: row.name,
    kind: row.kind,
    metre: row.metre,
    fromBar,
    toBar,
    minutesPerWeek: isUntimed ? (row.minutesPerWeek ?? undefined) : undefined,
    sections: isUntimed
      ? []
      : [{ id: 'new-1', fromBar, toBar, tempo: tempoOf(row), name: row.place || undefined }],
    holdsNow: row.holdsBpm === null || isUntimed ? undefined : [held]
  });
  if (!parsed.success) {
    const [issue] = parsed.error.issues;
    const path = issue!.path.map(String);
    return {
      ok: false as const,
      fault: faultOf(row, path[0] === 'holdsNow' ? 'holdsBpm' : String(path.at(-1) ?? ''), issue!.message)
    };
  }
  const errata = parseErrata(row.errata.replaceAll(';', '\n'), ANYWHERE);
  if (!errata.ok) return { ok: false as const, fault: { field: 'errata' as const, says: errata.says } };
  const cuts = parseCuts(row.cuts, ANYWHERE);
  if (!cuts.ok) return { ok: false as const, fault: { field: 'cuts' as const, says: cuts.says } };
  const { composer, instrument, edition, pages, tested, key } = row;
  const printed = { composer, instrument, edition, pages, tested, key, barsPerLine: '' };
  return {
    ok: true as const,
    item: { ...parsed.data, ...printed, errata: errata.value, cuts: cuts.value }
  };
}

/** Errata and cuts are of the whole item, of which a row may be one section. */
const ANYWHERE = { fromBar: null, toBar: null };

function tempoOf(row: ListRow) {
  const { unit, lowBpm, highBpm, recordings } = row;
  if (recordings !== '')
    return { kind: 'recordings', unit, recordingsBpm: recordings.split(/[\s,;]+/).map(Number), use: 'mean' };
  if (lowBpm === null) return { kind: 'free', minutesPerWeek: row.minutesPerWeek };
  return highBpm === null || highBpm === lowBpm
    ? { kind: 'pulse', unit, targetBpm: lowBpm }
    : { kind: 'range', unit, lowBpm, highBpm };
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
      const id = `new-${last.sections.length + 1}`;
      const sections = [...last.sections, ...item.sections.map((s) => ({ ...s, id }))];
      const holdsNow = [
        ...(last.holdsNow ?? []),
        ...(item.holdsNow ?? []).map((h) => ({ ...h, sectionId: id }))
      ];
      const errata = [...last.errata, ...item.errata];
      joined[joined.length - 1] = { ...last, toBar: item.toBar, sections, holdsNow, errata };
    }
  }
  return joined;
}

/** What lies outside the bars of its item, as a sentence. */
export function sayStray(item: ReadItem): string | null {
  const bars = [
    ...item.errata.map(({ bar }) => bar),
    ...item.cuts.flatMap((cut) => [cut.fromBar, cut.toBar])
  ];
  const stray = bars.find((bar) => bar < item.fromBar || bar > item.toBar);
  if (stray === undefined) return null;
  return `“${item.name}”: an erratum or cut in bar ${stray} lies outside its bars, ${item.fromBar} to ${item.toBar}.`;
}

type RowFault = { readonly field: keyof ListRow; readonly says: string };

function faultOf(row: ListRow, key: string, message: string): RowFault {
  const asked = askedOf(row.kind);
  if (asked === 'minutes' && row.minutesPerWeek === null)
    return { field: 'minutesPerWeek', says: 'Say how many minutes a week.' };
  if (asked === 'keys' && row.minutesPerWeek === null && row.lowBpm === null && row.recordings === '')
    return { field: 'lowBpm', says: 'A tempo, or minutes a week.' };
  if (asked === 'bars' && (row.fromBar === null || row.toBar === null))
    return {
      field: 'toBar',
      says: row.place ? `Which bars are that? The list says: ${row.place}.` : 'Which bars?'
    };
  if (key === 'minutesPerWeek')
    return { field: 'lowBpm', says: 'A tempo, or minutes a week where it is free.' };
  const fields: Record<string, keyof ListRow> = {
    targetBpm: 'lowBpm',
    lowBpm: 'lowBpm',
    highBpm: 'highBpm',
    holdsBpm: 'holdsBpm',
    recordingsBpm: 'recordings',
    toBar: 'toBar',
    fromBar: 'fromBar',
    metre: 'metre',
    name: 'name'
  };
  return { field: fields[key] ?? 'name', says: message };
}

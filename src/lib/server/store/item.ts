/**
 * Items: what is printed belongs to the list (list_item) and to all who took it; order, schools and, where they differ,
 * sections are one candidate's own (item).
 */
import type { ChosenSchools, Cut, Erratum, HoldsNow, Own, Printed, SeasonSection } from '../../core/record';
import { type Db, preparedOnce } from '../db/open';

/** One item as one candidate has it: what is printed, and what is their own. */
export type ListItem = Printed &
  Omit<Own, 'ownSections'> & {
    readonly auditionId: string;
    readonly listItemId: string;
    /** Its sections and their tempos are this candidate's own, not the list's. */
    readonly hasOwnSections: boolean;
    readonly isLeftOut?: boolean | undefined;
    /** Counts the changes of the list's item and of the candidate's own together. */
    readonly version: number;
  };
export type { Cut, Erratum, Printed };

type Row = PrintedRow & {
  audition_id: string;
  list_item_id: string;
  most_per_day_min: number | null;
  own_sections_json: string | null;
  holds_now_json: string;
  schools_json: string;
  is_left_out: number;
  version: number;
};
type PrintedRow = {
  id: string;
  name: string;
  composer: string;
  kind: ListItem['kind'];
  instrument: string;
  edition: string;
  pages: string;
  music_key: string;
  tested: string;
  bars_per_line: string;
  metre: string;
  from_bar: number;
  to_bar: number;
  pickup_beats: number;
  minutes_per_week: number | null;
  sections_json: string;
  errata_json: string;
  cuts_json: string;
};

const SELECT = `SELECT i.id, i.audition_id, i.list_item_id, l.name, l.composer, l.kind, l.instrument, l.edition, l.pages, l.music_key, l.tested, l.bars_per_line, l.metre,
  l.from_bar, l.to_bar, l.pickup_beats, l.minutes_per_week, i.most_per_day_min, l.sections_json, i.own_sections_json, i.holds_now_json, l.errata_json,
  l.cuts_json, i.schools_json, i.is_left_out, l.version + i.version - 1 AS version
  FROM item i JOIN list_item l ON l.id = i.list_item_id`;
const PRINTED = `id, name, composer, kind, instrument, edition, pages, music_key, tested, bars_per_line, metre, from_bar, to_bar, pickup_beats,
  minutes_per_week, sections_json, errata_json, cuts_json`;
const IS_THERE = 'i.removed_at_ms IS NULL AND l.removed_at_ms IS NULL';

const statements = preparedOnce((db) => ({
  byId: db.prepare<[string], Row>(`${SELECT} WHERE i.id = ? AND ${IS_THERE}`),
  ownerOf: db.prepare<[string], { audition_id: string; list_item_id: string }>(
    'SELECT audition_id, list_item_id FROM item WHERE id = ?'
  ),
  ofAudition: db.prepare<[string], Row>(
    `${SELECT} WHERE i.audition_id = ? AND ${IS_THERE} ORDER BY i.position, i.id`
  ),
  idsOfCall: db.prepare<[string], { id: string }>(
    'SELECT id FROM list_item WHERE call_id = ? ORDER BY position, id'
  ),
  ofListItem: db.prepare<[string], Row>(`${SELECT} WHERE i.list_item_id = ? ORDER BY i.audition_id`),
  count: db.prepare<[string], { count: number }>(
    `SELECT count(*) AS count FROM item i JOIN list_item l ON l.id = i.list_item_id WHERE i.audition_id = ? AND ${IS_THERE}`
  ),
  sections: db.prepare<[string], { sections_json: string }>(
    'SELECT sections_json FROM list_item WHERE id = ?'
  ),
  printedOfCall: db.prepare<[string], PrintedRow>(
    `SELECT ${PRINTED} FROM list_item
     WHERE call_id = ? AND removed_at_ms IS NULL ORDER BY position, id`
  ),
  printedById: db.prepare<[string, string], PrintedRow & { version: number }>(
    `SELECT ${PRINTED}, version FROM list_item
     WHERE call_id = ? AND id = ? AND removed_at_ms IS NULL`
  ),
  placePrinted: db.prepare('UPDATE list_item SET position = ? WHERE id = ?'),
  addPrinted: db.prepare(
    `INSERT INTO list_item (id, call_id, position, name, composer, kind, instrument, edition, pages, music_key, tested, bars_per_line, metre, from_bar, to_bar,
       pickup_beats, minutes_per_week, sections_json, errata_json, cuts_json)
     VALUES (@id, @callId, (SELECT coalesce(max(position), 0) + 1 FROM list_item WHERE call_id = @callId), @name, @composer, @kind,
       @instrument, @edition, @pages, @key, @tested, @barsPerLine, @metre, @fromBar, @toBar, @pickupBeats, @minutesPerWeek, @sections, @errata, @cuts)`
  ),
  savePrinted: db.prepare(
    `UPDATE list_item SET name = @name, composer = @composer, kind = @kind, instrument = @instrument, edition = @edition, pages = @pages, music_key = @key, tested = @tested,
       bars_per_line = @barsPerLine, metre = @metre, from_bar = @fromBar, to_bar = @toBar, pickup_beats = @pickupBeats,
       minutes_per_week = @minutesPerWeek, sections_json = @sections, errata_json = @errata, cuts_json = @cuts, version = version + 1
     WHERE id = @id`
  ),
  addOwn: db.prepare(
    `INSERT INTO item (id, audition_id, list_item_id, position, most_per_day_min, own_sections_json, schools_json, holds_now_json)
     VALUES (@id, @auditionId, @listItemId, (SELECT coalesce(max(position), 0) + 1 FROM item WHERE audition_id = @auditionId),
       @mostPerDayMin, @ownSections, @schools, @holdsNow)`
  ),
  saveOwn: db.prepare(
    `UPDATE item SET most_per_day_min = @mostPerDayMin, own_sections_json = @ownSections, schools_json = @schools,
       holds_now_json = @holdsNow, version = version + 1
     WHERE id = @id`
  ),
  setPrintedSections: db.prepare(
    'UPDATE list_item SET sections_json = ?, version = version + 1 WHERE id = ?'
  ),
  setSchools: db.prepare('UPDATE item SET schools_json = ?, version = version + 1 WHERE id = ?'),
  setOwnSections: db.prepare('UPDATE item SET own_sections_json = ?, version = version + 1 WHERE id = ?'),
  setLeftOut: db.prepare('UPDATE item SET is_left_out = ?, version = version + 1 WHERE id = ?'),
  place: db.prepare('UPDATE item SET position = ? WHERE id = ? AND audition_id = ?'),
  setRemoved: db.prepare('UPDATE list_item SET removed_at_ms = ? WHERE id = ?')
}));

function decode(row: Row): ListItem {
  return {
    ...decodePrinted(row),
    auditionId: row.audition_id,
    listItemId: row.list_item_id,
    mostPerDayMin: row.most_per_day_min ?? undefined,
    sections: JSON.parse(row.own_sections_json ?? row.sections_json) as ListItem['sections'],
    hasOwnSections: row.own_sections_json !== null,
    schools: JSON.parse(row.schools_json) as ChosenSchools,
    holdsNow: JSON.parse(row.holds_now_json) as HoldsNow[],
    isLeftOut: row.is_left_out === 1 || undefined,
    version: row.version
  };
}

function decodePrinted(row: PrintedRow): Printed {
  return {
    id: row.id,
    name: row.name,
    composer: row.composer,
    kind: row.kind,
    instrument: row.instrument,
    edition: row.edition,
    pages: row.pages,
    key: row.music_key,
    tested: row.tested,
    barsPerLine: row.bars_per_line,
    metre: row.metre,
    fromBar: row.from_bar,
    toBar: row.to_bar,
    pickupBeats: row.pickup_beats,
    minutesPerWeek: row.minutes_per_week ?? undefined,
    sections: JSON.parse(row.sections_json) as ListItem['sections'],
    errata: JSON.parse(row.errata_json) as Erratum[],
    cuts: JSON.parse(row.cuts_json) as Cut[]
  };
}

function encodePrinted(id: string, printed: Printed) {
  return {
    ...printed,
    id,
    pickupBeats: printed.pickupBeats ?? 0,
    minutesPerWeek: printed.minutesPerWeek ?? null,
    sections: JSON.stringify(printed.sections),
    errata: JSON.stringify(printed.errata),
    cuts: JSON.stringify(printed.cuts)
  };
}

function encodeOwn(id: string, { ownSections, mostPerDayMin, schools, holdsNow }: Own) {
  return {
    id,
    mostPerDayMin: mostPerDayMin ?? null,
    ownSections: ownSections && JSON.stringify(ownSections),
    schools: JSON.stringify(schools ?? {}),
    holdsNow: JSON.stringify(holdsNow ?? [])
  };
}

export function findItem(db: Db, id: string): ListItem | undefined {
  const row = statements(db).byId.get(id);
  return row && decode(row);
}
/** The audition and the list's item an item belongs to, removed or not. */
export function ownerOfItem(db: Db, id: string): { auditionId: string; listItemId: string } | undefined {
  const row = statements(db).ownerOf.get(id);
  return row && { auditionId: row.audition_id, listItemId: row.list_item_id };
}
export const itemsOf = (db: Db, auditionId: string): ListItem[] =>
  statements(db).ofAudition.all(auditionId).map(decode);
export const itemCount = (db: Db, auditionId: string) => statements(db).count.get(auditionId)!.count;
/** One item of the list as each who took it has it, removed or not. */
export const takenItems = (db: Db, listItemId: string): ListItem[] =>
  statements(db).ofListItem.all(listItemId).map(decode);
/** The list's own sections of an item, whoever has theirs. */
export const printedSections = (db: Db, listItemId: string) =>
  JSON.parse(statements(db).sections.get(listItemId)!.sections_json) as ListItem['sections'];
/** What is printed of a call's items, in the list's order, without those taken off. */
export const printedItems = (db: Db, callId: string): Printed[] =>
  statements(db).printedOfCall.all(callId).map(decodePrinted);
/** One of a call's items as it is printed. */
export function findPrinted(
  db: Db,
  callId: string,
  id: string
): (Printed & { readonly version: number }) | undefined {
  const row = statements(db).printedById.get(callId, id);
  return row && { ...decodePrinted(row), version: row.version };
}
/** Ids of a call's items in the list's order, those taken off too. */
export const listItemIds = (db: Db, callId: string): string[] =>
  statements(db)
    .idsOfCall.all(callId)
    .map(({ id }) => id);

export const addPrinted = (db: Db, callId: string, id: string, printed: Printed) =>
  statements(db).addPrinted.run({ ...encodePrinted(id, printed), callId });
export const savePrinted = (db: Db, id: string, printed: Printed) =>
  statements(db).savePrinted.run(encodePrinted(id, printed));
/** Puts an item of the list at the end of an audition's own order. */
export const addOwn = (
  db: Db,
  place: { readonly id: string; readonly auditionId: string; readonly listItemId: string },
  own: Own
) => statements(db).addOwn.run({ ...encodeOwn(place.id, own), ...place });
export const saveOwn = (db: Db, id: string, own: Own) => statements(db).saveOwn.run(encodeOwn(id, own));
/** Null: the list's again. */
export const setOwnSections = (db: Db, id: string, sections: readonly SeasonSection[] | null) =>
  statements(db).setOwnSections.run(sections && JSON.stringify(sections), id);
export const setLeftOut = (db: Db, id: string, isLeftOut: boolean) =>
  statements(db).setLeftOut.run(isLeftOut ? 1 : 0, id);
export const setPrintedSections = (db: Db, listItemId: string, sections: readonly SeasonSection[]) =>
  statements(db).setPrintedSections.run(JSON.stringify(sections), listItemId);
export const setSchools = (db: Db, id: string, schools: ChosenSchools) =>
  statements(db).setSchools.run(JSON.stringify(schools), id);
/** Takes an item off the list for all who took it, or puts it back. */
export const setItemRemoved = (db: Db, listItemId: string, atMs: number | null) =>
  statements(db).setRemoved.run(atMs, listItemId);

/** The order in which whoever takes the list from now on has it. */
export function placePrinted(db: Db, listItemIds: readonly string[]): void {
  listItemIds.forEach((id, i) => statements(db).placePrinted.run(i + 1, id));
}
export function orderItems(db: Db, auditionId: string, ids: readonly string[]): void {
  ids.forEach((id, i) => statements(db).place.run(i + 1, id, auditionId));
}

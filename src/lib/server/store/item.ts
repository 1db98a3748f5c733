/** Items of a list, with sections and schools, and the ticks of their readiness checks. */
import type { CheckKind } from '../../core/readiness';
import type { Schools, SeasonItem } from '../../core/season';
import { type Db, preparedOnce } from '../db/open';

export type ListItem = SeasonItem & {
  readonly auditionId: string;
  readonly composer: string;
  readonly edition: string;
  /** What the panel tests with it. */
  readonly tested: string;
  /** Bars in each line of the page, pages parted by a slash: "5 4 4 5 / 4 4 6". */
  readonly barsPerLine: string;
  readonly version: number;
};

type Row = {
  id: string;
  audition_id: string;
  name: string;
  composer: string;
  kind: ListItem['kind'];
  edition: string;
  tested: string;
  bars_per_line: string;
  metre: string;
  from_bar: number;
  to_bar: number;
  pickup_beats: number;
  minutes_per_week: number | null;
  most_per_day_min: number | null;
  sections_json: string;
  schools_json: string;
  version: number;
};

const COLUMNS =
  'id, audition_id, name, composer, kind, edition, tested, bars_per_line, metre, from_bar, to_bar, pickup_beats, minutes_per_week, most_per_day_min, sections_json, schools_json, version';

const statements = preparedOnce((db) => ({
  byId: db.prepare<[string], Row>(`SELECT ${COLUMNS} FROM item WHERE id = ? AND removed_at_ms IS NULL`),
  ownerOf: db.prepare<[string], { audition_id: string }>('SELECT audition_id FROM item WHERE id = ?'),
  ofAudition: db.prepare<[string], Row>(
    `SELECT ${COLUMNS} FROM item WHERE audition_id = ? AND removed_at_ms IS NULL ORDER BY position, id`
  ),
  add: db.prepare(
    `INSERT INTO item (id, audition_id, position, name, composer, kind, edition, tested, bars_per_line, metre, from_bar, to_bar,
       pickup_beats, minutes_per_week, most_per_day_min, sections_json, schools_json)
     VALUES (@id, @auditionId, (SELECT coalesce(max(position), 0) + 1 FROM item WHERE audition_id = @auditionId), @name, @composer, @kind,
       @edition, @tested, @barsPerLine, @metre, @fromBar, @toBar, @pickupBeats, @minutesPerWeek, @mostPerDayMin, @sections, @schools)`
  ),
  save: db.prepare(
    `UPDATE item SET name = @name, composer = @composer, kind = @kind, edition = @edition, tested = @tested, bars_per_line = @barsPerLine,
       metre = @metre, from_bar = @fromBar, to_bar = @toBar, pickup_beats = @pickupBeats, minutes_per_week = @minutesPerWeek,
       most_per_day_min = @mostPerDayMin, sections_json = @sections, schools_json = @schools, version = version + 1
     WHERE id = @id AND version = @version AND removed_at_ms IS NULL`
  ),
  place: db.prepare('UPDATE item SET position = ? WHERE id = ? AND audition_id = ?'),
  setRemoved: db.prepare('UPDATE item SET removed_at_ms = ? WHERE id = ?'),
  ticks: db.prepare<[string], { kind: CheckKind; on_date: string }>(
    'SELECT kind, on_date FROM check_tick WHERE item_id = ?'
  ),
  tick: db.prepare(
    'INSERT INTO check_tick (item_id, kind, on_date) VALUES (?, ?, ?) ON CONFLICT (item_id, kind) DO UPDATE SET on_date = excluded.on_date'
  ),
  untick: db.prepare('DELETE FROM check_tick WHERE item_id = ? AND kind = ?')
}));

function decode(row: Row): ListItem {
  return {
    id: row.id,
    auditionId: row.audition_id,
    name: row.name,
    composer: row.composer,
    kind: row.kind,
    edition: row.edition,
    tested: row.tested,
    barsPerLine: row.bars_per_line,
    metre: row.metre,
    fromBar: row.from_bar,
    toBar: row.to_bar,
    pickupBeats: row.pickup_beats,
    minutesPerWeek: row.minutes_per_week ?? undefined,
    mostPerDayMin: row.most_per_day_min ?? undefined,
    sections: JSON.parse(row.sections_json) as ListItem['sections'],
    schools: JSON.parse(row.schools_json) as Partial<Schools>,
    version: row.version
  };
}

function encode(item: Omit<ListItem, 'version'>) {
  return {
    ...item,
    pickupBeats: item.pickupBeats ?? 0,
    minutesPerWeek: item.minutesPerWeek ?? null,
    mostPerDayMin: item.mostPerDayMin ?? null,
    sections: JSON.stringify(item.sections),
    schools: JSON.stringify(item.schools ?? {})
  };
}

export function findItem(db: Db, id: string): ListItem | undefined {
  const row = statements(db).byId.get(id);
  return row && decode(row);
}
/** The audition an item belongs to, removed or not. */
export const auditionOfItem = (db: Db, id: string) => statements(db).ownerOf.get(id)?.audition_id;
export const itemsOf = (db: Db, auditionId: string): ListItem[] =>
  statements(db).ofAudition.all(auditionId).map(decode);
export const addItem = (db: Db, item: Omit<ListItem, 'version'>) => statements(db).add.run(encode(item));
/** False where the version is no longer the one that was read. */
export const saveItem = (db: Db, item: ListItem) =>
  statements(db).save.run({ ...encode(item), version: item.version }).changes === 1;
export const setItemRemoved = (db: Db, id: string, atMs: number | null) =>
  statements(db).setRemoved.run(atMs, id);

export function orderItems(db: Db, auditionId: string, ids: readonly string[]): void {
  ids.forEach((id, i) => statements(db).place.run(i + 1, id, auditionId));
}

export function ticksOf(db: Db, itemId: string): Partial<Record<CheckKind, string>> {
  return Object.fromEntries(
    statements(db)
      .ticks.all(itemId)
      .map((t) => [t.kind, t.on_date])
  );
}
export function setTick(db: Db, itemId: string, kind: CheckKind, onDate: string | null): void {
  if (onDate === null) statements(db).untick.run(itemId, kind);
  else statements(db).tick.run(itemId, kind, onDate);
}

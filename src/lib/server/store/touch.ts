/** The log: touches of items, in the order they were played. */
import type { BeatUnit } from '../../core/units';
import type { Evidence, Touch } from '../../core/practice';
import type { Series } from '../../core/record';
import { type Db, preparedOnce } from '../db/open';

/** A touch as one JSON text: a long log crosses from the database four times faster so than column by column. */
type Row = [
  id: string,
  itemId: string,
  date: string,
  fromBar: number | null,
  toBar: number | null,
  minutes: number,
  tempoBpm: number | null,
  unit: BeatUnit | null,
  attempts: string,
  notHeld: string[],
  evidence: Evidence,
  note: string,
  series: Series[]
];

const ROW = `json_array(t.id, t.item_id, t.date, t.from_bar, t.to_bar, t.length_min, t.tempo_bpm, t.unit, t.attempts,
  json(t.not_held_json), t.evidence, t.note, json(t.series_json))`;

const statements = preparedOnce((db) => ({
  add: db.prepare(
    `INSERT INTO touch (id, item_id, date, from_bar, to_bar, length_min, tempo_bpm, unit, attempts, not_held_json, evidence, note, series_json, logged_at_ms, candidate_id)
     VALUES (@id, @itemId, @date, @fromBar, @toBar, @minutes, @tempoBpm, @unit, @attempts, @notHeld, @evidence, @note, @series, @nowMs,
       (SELECT a.candidate_id FROM item i JOIN audition a ON a.id = i.audition_id WHERE i.id = @itemId))`
  ),
  ofAudition: db
    .prepare<[string], string>(
      `SELECT ${ROW} FROM touch t JOIN item i ON i.id = t.item_id JOIN list_item l ON l.id = i.list_item_id
     WHERE i.audition_id = ? AND t.removed_at_ms IS NULL AND i.removed_at_ms IS NULL AND l.removed_at_ms IS NULL ORDER BY t.date, t.logged_at_ms, t.rowid`
    )
    .pluck(),
  byId: db
    .prepare<[string, number], string>(
      `SELECT ${ROW} FROM touch t WHERE t.id = ? AND (? OR t.removed_at_ms IS NULL)`
    )
    .pluck(),
  itemOf: db.prepare<[string], { item_id: string }>('SELECT item_id FROM touch WHERE id = ?'),
  count: db.prepare<[string], number>('SELECT count(*) FROM touch WHERE item_id = ?').pluck(),
  setRemoved: db.prepare('UPDATE touch SET removed_at_ms = ? WHERE id = ?'),
  setHeard: db.prepare('UPDATE touch SET series_json = ?, evidence = ? WHERE id = ?'),
  lastDate: db.prepare<[string], { date: string | null }>(
    'SELECT max(date) AS date FROM touch WHERE candidate_id = ? AND removed_at_ms IS NULL'
  ),
  minutesSince: db.prepare<[string, string], { minutes: number | null }>(
    'SELECT sum(length_min) AS minutes FROM touch WHERE candidate_id = ? AND date >= ? AND removed_at_ms IS NULL'
  )
}));

function decode(text: string): Touch {
  const row = JSON.parse(text) as Row;
  const [
    id,
    itemId,
    date,
    fromBar,
    toBar,
    minutes,
    tempoBpm,
    unit,
    attempts,
    notHeld,
    evidence,
    note,
    series
  ] = row;
  return {
    id,
    itemId,
    date,
    fromBar: fromBar ?? undefined,
    toBar: toBar ?? undefined,
    minutes,
    tempoBpm: tempoBpm ?? undefined,
    unit: unit ?? undefined,
    attempts,
    notHeld,
    ...(series.length > 0 ? { series } : {}),
    evidence,
    note
  };
}

export function addTouch(db: Db, t: Touch, nowMs: number): void {
  statements(db).add.run({
    ...t,
    fromBar: t.fromBar ?? null,
    toBar: t.toBar ?? null,
    tempoBpm: t.tempoBpm ?? null,
    unit: t.unit ?? null,
    attempts: t.attempts ?? '',
    notHeld: JSON.stringify(t.notHeld ?? []),
    series: JSON.stringify(t.series ?? []),
    evidence: t.evidence ?? 'self',
    note: t.note ?? '',
    nowMs
  });
}
/** All touches of an audition's items, in time order. */
export const touchesOfAudition = (db: Db, auditionId: string): Touch[] =>
  statements(db).ofAudition.all(auditionId).map(decode);
/** One that was taken out is found only where it is asked for. */
export function findTouch(db: Db, id: string, isAny = false): Touch | undefined {
  const text = statements(db).byId.get(id, isAny ? 1 : 0);
  return text === undefined ? undefined : decode(text);
}
/** Those taken out too. */
export const countTouches = (db: Db, itemId: string) => statements(db).count.get(itemId)!;
export const itemOfTouch = (db: Db, id: string) => statements(db).itemOf.get(id)?.item_id;
export const setTouchRemoved = (db: Db, id: string, atMs: number | null) =>
  statements(db).setRemoved.run(atMs, id);
export const setTouchHeard = (
  db: Db,
  id: string,
  { series = [], evidence = 'self' }: Pick<Touch, 'series' | 'evidence'>
) => void statements(db).setHeard.run(JSON.stringify(series), evidence, id);
export const lastLogDate = (db: Db, candidateId: string) =>
  statements(db).lastDate.get(candidateId)?.date ?? null;
export const loggedMinutesSince = (db: Db, candidateId: string, date: string) =>
  statements(db).minutesSince.get(candidateId, date)?.minutes ?? 0;

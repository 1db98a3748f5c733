/** Events of the desk, each kept once whoever sends it again. */
import type { DeskEvent } from '../../core/record';
import { type Db, preparedOnce } from '../db/open';

const KIND = "json_extract(event_json, '$.kind')";
/** As the index has it that holds what tells of more than its day. */
const IS_LASTING = `${KIND} IN ('spot', 'spot-set', 'spot-heard', 'hurt', 'well')`;

const statements = preparedOnce((db) => {
  /** Events of a candidate, as their texts; `more` are further conditions and the order. */
  const texts = <P extends unknown[]>(more: string) =>
    db.prepare<P, string>(`SELECT event_json FROM desk_event WHERE candidate_id = ? AND ${more}`).pluck();
  return {
    add: db.prepare<[string, string, string, string, number]>(
      'INSERT OR IGNORE INTO desk_event (id, candidate_id, date, event_json, kept_at_ms) VALUES (?, ?, ?, ?, ?)'
    ),
    ownerOf: db.prepare<[string], string>('SELECT candidate_id FROM desk_event WHERE id = ?').pluck(),
    ofDay: texts<[string, string]>('date = ? ORDER BY kept_at_ms, rowid'),
    all: texts<[string]>('true ORDER BY date, kept_at_ms, rowid'),
    lasting: texts<[string]>(`${IS_LASTING} ORDER BY kept_at_ms, rowid`),
    hurt: texts<[string]>(
      `${IS_LASTING} AND ${KIND} IN ('hurt', 'well') ORDER BY json_extract(event_json, '$.atMs') DESC, rowid DESC LIMIT 1`
    ),
    hurts: texts<[string]>(`${IS_LASTING} AND ${KIND} IN ('hurt', 'well')`),
    keys: texts<[string, string]>(`${KIND} IN ('key', 'undo') AND date < ?`),
    tones: texts<[string, number]>(`${KIND} = 'tones' ORDER BY date DESC LIMIT ?`),
    equipment: texts<[string]>(`${KIND} = 'equipment'`),
    methods: texts<[string]>(`${KIND} IN ('method', 'method-hidden')`),
    fundamentals: db.prepare<[string, string], { id: string; date: string }>(
      `SELECT json_extract(event_json, '$.fundamental') AS id, max(date) AS date FROM desk_event
     WHERE candidate_id = ? AND date < ? AND json_extract(event_json, '$.fundamental') IS NOT NULL GROUP BY 1`
    ),
    longer: db
      .prepare<[string], number>(
        `SELECT count(DISTINCT json_extract(more.event_json, '$.block')) FROM desk_event more
       JOIN desk_event ended ON ended.candidate_id = more.candidate_id AND ended.date = more.date
         AND json_extract(ended.event_json, '$.block') = json_extract(more.event_json, '$.block')
       WHERE more.candidate_id = ? AND json_extract(more.event_json, '$.kind') = 'more'
         AND json_extract(ended.event_json, '$.kind') = 'end'
         AND json_extract(ended.event_json, '$.how') = 'next'`
      )
      .pluck(),
    count: db
      .prepare<[string, string], number>(
        'SELECT count(*) FROM desk_event WHERE candidate_id = ? AND date = ?'
      )
      .pluck(),
    daysSince: db
      .prepare<[string, string], string>(
        'SELECT DISTINCT date FROM desk_event WHERE candidate_id = ? AND date >= ? ORDER BY date'
      )
      .pluck()
  };
});

const eventsIn = (texts: readonly string[]) => texts.map((text) => JSON.parse(text) as DeskEvent);

/** One that is there already stays as it is. */
export const addDeskEvent = (db: Db, candidateId: string, event: DeskEvent, nowMs: number) =>
  statements(db).add.run(event.id, candidateId, event.date, JSON.stringify(event), nowMs);
/** Whose an event is; undefined where there is none of that id. */
export const ownerOfDeskEvent = (db: Db, id: string) => statements(db).ownerOf.get(id);
/** In the order in which they came. */
export const deskEventsOf = (db: Db, candidateId: string, date: string): DeskEvent[] =>
  eventsIn(statements(db).ofDay.all(candidateId, date));
export const allDeskEvents = (db: Db, candidateId: string): DeskEvent[] =>
  eventsIn(statements(db).all.all(candidateId));
/** Those that tell of more than their day, of all days. */
export const lastingDeskEvents = (db: Db, candidateId: string): DeskEvent[] =>
  eventsIn(statements(db).lasting.all(candidateId));
/** The latest that says that it hurts, or that it is well; undefined where none does. */
export function latestHurt(db: Db, candidateId: string): DeskEvent | undefined {
  const text = statements(db).hurt.get(candidateId);
  return text === undefined ? undefined : (JSON.parse(text) as DeskEvent);
}
/** All that say that it hurts, or that it is well. */
export const hurtEvents = (db: Db, candidateId: string): DeskEvent[] =>
  eventsIn(statements(db).hurts.all(candidateId));
/** Blocks that were gone through to their end and wanted longer. */
export const countWantedLonger = (db: Db, candidateId: string): number =>
  statements(db).longer.get(candidateId)!;
/** Keys of scales that were played before a date, with what was taken back. */
export const keyEventsBefore = (db: Db, candidateId: string, date: string): DeskEvent[] =>
  eventsIn(statements(db).keys.all(candidateId, date));
/** The latest so many of what the tuner heard. */
export const latestTones = (db: Db, candidateId: string, most: number): DeskEvent[] =>
  eventsIn(statements(db).tones.all(candidateId, most));
/** Ways to practise that were added, hidden or taken out. */
export const methodEvents = (db: Db, candidateId: string): DeskEvent[] =>
  eventsIn(statements(db).methods.all(candidateId));
export const equipmentEvents = (db: Db, candidateId: string): DeskEvent[] =>
  eventsIn(statements(db).equipment.all(candidateId));
/** When each entry of the rotation was last done before a date, by id. */
export const fundamentalsBefore = (db: Db, candidateId: string, date: string): Map<string, string> =>
  new Map(
    statements(db)
      .fundamentals.all(candidateId, date)
      .map(({ id, date: on }) => [id, on])
  );
export const countDeskEvents = (db: Db, candidateId: string, date: string) =>
  statements(db).count.get(candidateId, date)!;
export const deskDaysSince = (db: Db, candidateId: string, date: string) =>
  statements(db).daysSince.all(candidateId, date);

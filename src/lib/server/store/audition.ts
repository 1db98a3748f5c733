/** Auditions with their rounds and other dates. */
import { type Db, preparedOnce } from '../db/open';

export type OtherDate = {
  readonly date: string;
  readonly name: string;
  readonly kind: 'deadline' | 'cuts' | 'mock' | 'other';
  /** Minutes a mock takes from its day. */
  readonly minutes?: number | undefined;
};

export type Round = {
  readonly id: string;
  readonly name: string;
  readonly date: string;
  readonly time?: string | undefined;
  readonly zone: string;
  readonly isHistory: boolean;
  /** Missing: the whole list. */
  readonly itemIds?: readonly string[] | undefined;
};

export type Audition = {
  readonly id: string;
  readonly candidateId: string;
  readonly name: string;
  readonly beganOn: string;
  readonly dates: readonly OtherDate[];
  readonly rounds: readonly Round[];
  readonly callVersion: number;
};

type Row = {
  id: string;
  candidate_id: string;
  name: string;
  began_on: string;
  dates_json: string;
  call_version: number;
};
type RoundRow = {
  id: string;
  name: string;
  date: string;
  time: string | null;
  zone: string;
  is_history: number;
  item_ids_json: string | null;
};

const COLUMNS = 'id, candidate_id, name, began_on, dates_json, call_version';

const statements = preparedOnce((db) => ({
  add: db.prepare(
    'INSERT INTO audition (id, candidate_id, name, began_on, dates_json, created_at_ms) VALUES (?, ?, ?, ?, ?, ?)'
  ),
  byId: db.prepare<[string], Row>(`SELECT ${COLUMNS} FROM audition WHERE id = ?`),
  ofCandidate: db.prepare<[string], Row>(
    `SELECT ${COLUMNS} FROM audition WHERE candidate_id = ? ORDER BY created_at_ms, id`
  ),
  save: db.prepare(
    'UPDATE audition SET name = ?, dates_json = ?, call_version = call_version + 1 WHERE id = ? AND call_version = ?'
  ),
  rounds: db.prepare<[string], RoundRow>(
    'SELECT id, name, date, time, zone, is_history, item_ids_json FROM round WHERE audition_id = ? ORDER BY date, time, id'
  ),
  dropRounds: db.prepare('DELETE FROM round WHERE audition_id = ?'),
  addRound: db.prepare(
    'INSERT INTO round (id, audition_id, name, date, time, zone, is_history, item_ids_json) VALUES (?, ?, ?, ?, ?, ?, ?, ?)'
  )
}));

function decode(db: Db, row: Row | undefined): Audition | undefined {
  if (!row) return undefined;
  const rounds = statements(db)
    .rounds.all(row.id)
    .map((r): Round => ({
      id: r.id,
      name: r.name,
      date: r.date,
      time: r.time ?? undefined,
      zone: r.zone,
      isHistory: r.is_history === 1,
      itemIds: r.item_ids_json === null ? undefined : (JSON.parse(r.item_ids_json) as string[])
    }));
  return {
    id: row.id,
    candidateId: row.candidate_id,
    name: row.name,
    beganOn: row.began_on,
    dates: JSON.parse(row.dates_json) as OtherDate[],
    rounds,
    callVersion: row.call_version
  };
}

export const findAudition = (db: Db, id: string) => decode(db, statements(db).byId.get(id));
export const auditionsOf = (db: Db, candidateId: string): Audition[] =>
  statements(db)
    .ofCandidate.all(candidateId)
    .map((row) => decode(db, row)!);

export function addAudition(db: Db, audition: Omit<Audition, 'callVersion'>, nowMs: number): void {
  const { id, candidateId, name, beganOn, dates } = audition;
  statements(db).add.run(id, candidateId, name, beganOn, JSON.stringify(dates), nowMs);
  putRounds(db, id, audition.rounds);
}

/** False where the version is no longer the one that was read. */
export function saveCall(
  db: Db,
  audition: Pick<Audition, 'id' | 'name' | 'dates' | 'rounds' | 'callVersion'>
): boolean {
  const { id, name, dates, rounds, callVersion } = audition;
  if (statements(db).save.run(name, JSON.stringify(dates), id, callVersion).changes === 0) return false;
  putRounds(db, id, rounds);
  return true;
}

function putRounds(db: Db, auditionId: string, rounds: readonly Round[]): void {
  statements(db).dropRounds.run(auditionId);
  for (const r of rounds) {
    const heard = r.itemIds === undefined ? null : JSON.stringify(r.itemIds);
    statements(db).addRound.run(
      r.id,
      auditionId,
      r.name,
      r.date,
      r.time ?? null,
      r.zone,
      r.isHistory ? 1 : 0,
      heard
    );
  }
}

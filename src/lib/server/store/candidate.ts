/** Candidates and their practice time. */
import type { PracticeTime } from '../../core/plan';
import { type Db, preparedOnce } from '../db/open';

export type CandidateTime = Omit<PracticeTime, 'mocks'>;

export type Candidate = {
  readonly id: string;
  readonly accountId: string | null;
  readonly name: string;
  readonly instruments: string;
  readonly zone: string;
  readonly time: CandidateTime;
  readonly timeVersion: number;
};

type Row = {
  id: string;
  account_id: string | null;
  name: string;
  instruments: string;
  zone: string;
  time_json: string;
  time_version: number;
};

const COLUMNS = 'id, account_id, name, instruments, zone, time_json, time_version';

const statements = preparedOnce((db) => ({
  add: db.prepare(
    'INSERT INTO candidate (id, name, instruments, zone, time_json, created_at_ms) VALUES (?, ?, ?, ?, ?, ?)'
  ),
  byId: db.prepare<[string], Row>(`SELECT ${COLUMNS} FROM candidate WHERE id = ?`),
  byAccount: db.prepare<[string], Row>(`SELECT ${COLUMNS} FROM candidate WHERE account_id = ?`),
  all: db.prepare<[], Row>(`SELECT ${COLUMNS} FROM candidate ORDER BY name COLLATE NOCASE, id`),
  setAccount: db.prepare('UPDATE candidate SET account_id = ? WHERE id = ?'),
  setTime: db.prepare(
    'UPDATE candidate SET time_json = ?, time_version = time_version + 1 WHERE id = ? AND time_version = ?'
  )
}));

function decode(row: Row | undefined): Candidate | undefined {
  if (!row) return undefined;
  return {
    id: row.id,
    accountId: row.account_id,
    name: row.name,
    instruments: row.instruments,
    zone: row.zone,
    time: JSON.parse(row.time_json) as CandidateTime,
    timeVersion: row.time_version
  };
}

export function addCandidate(
  db: Db,
  candidate: Pick<Candidate, 'id' | 'name' | 'instruments' | 'zone' | 'time'>,
  nowMs: number
): void {
  const { id, name, instruments, zone, time } = candidate;
  statements(db).add.run(id, name, instruments, zone, JSON.stringify(time), nowMs);
}
export const findCandidate = (db: Db, id: string) => decode(statements(db).byId.get(id));
export const findCandidateOfAccount = (db: Db, accountId: string) =>
  decode(statements(db).byAccount.get(accountId));
export const listCandidates = (db: Db): Candidate[] =>
  statements(db)
    .all.all()
    .map((row) => decode(row)!);
export const setCandidateAccount = (db: Db, id: string, accountId: string) =>
  statements(db).setAccount.run(accountId, id);

/** False where the version is no longer the one that was read. */
export function saveTime(db: Db, id: string, time: CandidateTime, version: number): boolean {
  return statements(db).setTime.run(JSON.stringify(time), id, version).changes === 1;
}

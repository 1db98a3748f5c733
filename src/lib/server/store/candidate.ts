/** Candidates and their practice time. */
import { type PracticeTime, joinDays } from '../../core/plan';
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
  readonly isMinor: boolean;
  /** Name and how to reach; where the candidate is a minor. */
  readonly guardian: string;
  /** When the guardian consented to recordings and notes; null while nobody has. */
  readonly consentOn: string | null;
  /** The same for takes that are sent to somebody by a link. */
  readonly sharingOn: string | null;
  readonly archivedAtMs: number | null;
  readonly factsVersion: number;
  /** When a device of theirs last asked or sent; null before any. */
  readonly heardAtMs: number | null;
};

export type CandidateFacts = Pick<
  Candidate,
  'name' | 'instruments' | 'zone' | 'isMinor' | 'guardian' | 'consentOn'
> & {
  /** Missing in changes of before there were takes to share: nobody has said so. */
  readonly sharingOn?: string | null;
  /** The teacher's alone; it is read by itself, so that no page of the candidate's carries it. */
  readonly privateNote: string;
};

type Row = {
  id: string;
  account_id: string | null;
  name: string;
  instruments: string;
  zone: string;
  time_json: string;
  time_version: number;
  is_minor: number;
  guardian: string;
  consent_on: string | null;
  sharing_on: string | null;
  archived_at_ms: number | null;
  facts_version: number;
  heard_at_ms: number | null;
};

const COLUMNS =
  'id, account_id, name, instruments, zone, time_json, time_version, is_minor, guardian, consent_on, sharing_on, archived_at_ms, facts_version, heard_at_ms';

const statements = preparedOnce((db) => ({
  add: db.prepare(
    'INSERT INTO candidate (id, name, instruments, zone, is_minor, time_json, created_at_ms) VALUES (?, ?, ?, ?, ?, ?, ?)'
  ),
  byId: db.prepare<[string], Row>(`SELECT ${COLUMNS} FROM candidate WHERE id = ?`),
  byAccount: db.prepare<[string], Row>(`SELECT ${COLUMNS} FROM candidate WHERE account_id = ?`),
  all: db.prepare<[], Row>(`SELECT ${COLUMNS} FROM candidate ORDER BY name COLLATE NOCASE, id`),
  setAccount: db.prepare('UPDATE candidate SET account_id = ? WHERE id = ?'),
  saveFacts: db.prepare(
    `UPDATE candidate SET name = @name, instruments = @instruments, zone = @zone, is_minor = @isMinor, guardian = @guardian,
       consent_on = @consentOn, sharing_on = @sharingOn, private_note = @privateNote, facts_version = facts_version + 1
     WHERE id = @id AND facts_version = @version`
  ),
  privateNote: db.prepare<[string], { private_note: string }>(
    'SELECT private_note FROM candidate WHERE id = ?'
  ),
  setArchived: db.prepare('UPDATE candidate SET archived_at_ms = ? WHERE id = ?'),
  hear: db.prepare('UPDATE candidate SET heard_at_ms = ? WHERE id = ?'),
  erase: db.prepare('DELETE FROM candidate WHERE id = ?'),
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
    time: decodeTime(row.time_json),
    timeVersion: row.time_version,
    isMinor: row.is_minor === 1,
    guardian: row.guardian,
    consentOn: row.consent_on,
    sharingOn: row.sharing_on,
    archivedAtMs: row.archived_at_ms,
    factsVersion: row.facts_version,
    heardAtMs: row.heard_at_ms
  };
}

/** Studios of before kept an exception a day. */
function decodeTime(text: string): CandidateTime {
  const time = JSON.parse(text) as CandidateTime;
  return { ...time, exceptions: joinDays(time.exceptions) };
}

/** A new candidate's week before anybody has said otherwise: nothing, so that nothing is promised. */
export const EMPTY_TIME: CandidateTime = {
  week: [],
  exceptions: [],
  lessons: [],
  warmUpMin: 10,
  fundamentalsMin: 10
};

export function addCandidate(
  db: Db,
  candidate: Pick<Candidate, 'id' | 'name' | 'instruments' | 'zone' | 'isMinor' | 'time'>,
  nowMs: number
): void {
  const { id, name, instruments, zone, isMinor, time } = candidate;
  statements(db).add.run(id, name, instruments, zone, isMinor ? 1 : 0, JSON.stringify(time), nowMs);
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

/** False where the version is no longer the one that was read. */
export function saveFacts(db: Db, id: string, facts: CandidateFacts, version: number): boolean {
  const row = { sharingOn: null, ...facts, id, version, isMinor: facts.isMinor ? 1 : 0 };
  return statements(db).saveFacts.run(row).changes === 1;
}
export const privateNoteOf = (db: Db, id: string) => statements(db).privateNote.get(id)?.private_note ?? '';
export const setArchived = (db: Db, id: string, atMs: number | null) =>
  statements(db).setArchived.run(atMs, id);
/** A device of theirs asked or sent. */
export const hearCandidate = (db: Db, id: string, nowMs: number) => statements(db).hear.run(nowMs, id);
/** Erases a candidate with auditions, logs, plans and links; the account goes with its own store. */
export const eraseCandidate = (db: Db, id: string) => statements(db).erase.run(id);

type Asked = Pick<Candidate, 'isMinor' | 'consentOn' | 'sharingOn'>;
/** Of a minor nothing is recorded before a guardian has said yes. */
export const mayBeRecorded = ({ isMinor, consentOn }: Asked): boolean => !isMinor || consentOn !== null;
/** ... and nothing is heard by a link before a guardian has said yes to that, which is another yes. */
export const mayBeHeard = ({ isMinor, sharingOn }: Asked): boolean => !isMinor || sharingOn !== null;

/** Auditions: a candidate takes a call, from a day on, with slots of their own. */
import type { OwnDate, Slot, TaskDate } from '../../core/record';
import type { SeasonRequest } from '../../core/season';
import { type Db, preparedOnce } from '../db/open';
import type { Taker } from '../../schema/view';
import { type Call, type OtherDate, type Round, findCall } from './call';
import { datesOfMocks } from './mock';
import { datesOfTasks } from './task';

export type { OwnDate, Slot };

export type Audition = {
  readonly id: string;
  readonly candidateId: string;
  readonly callId: string;
  readonly name: string;
  readonly beganOn: string;
  /** The call's, the days by which takes are uploaded, the candidate's own, booked mocks and open tasks. */
  readonly dates: readonly (OtherDate | OwnDate | TaskDate)[];
  readonly ownDates: readonly OwnDate[];
  readonly ownVersion: number;
  /** Days of the mock window given to the ramp. */
  readonly daysIntoMock: number;
  /** The call's rounds, each at the candidate's own slot where there is one. */
  readonly rounds: readonly Round[];
  readonly slots: readonly Slot[];
  readonly call: Call;
};

type Row = {
  id: string;
  candidate_id: string;
  call_id: string;
  began_on: string;
  own_dates_json: string;
  own_version: number;
  days_into_mock: number;
};
type TakerRow = { id: string; candidate_id: string; name: string; archived_at_ms: number | null };
type SlotRow = { round_id: string; date: string; time: string | null };

const COLUMNS = 'id, candidate_id, call_id, began_on, own_dates_json, own_version, days_into_mock';

const statements = preparedOnce((db) => ({
  add: db.prepare(
    'INSERT INTO audition (id, candidate_id, call_id, began_on, created_at_ms) VALUES (?, ?, ?, ?, ?)'
  ),
  byId: db.prepare<[string], Row>(`SELECT ${COLUMNS} FROM audition WHERE id = ?`),
  ofCandidate: db.prepare<[string], Row>(
    `SELECT ${COLUMNS} FROM audition WHERE candidate_id = ? ORDER BY created_at_ms, rowid`
  ),
  beside: db.prepare<[string, string, string], Row>(
    `SELECT ${COLUMNS} FROM audition WHERE candidate_id = (SELECT candidate_id FROM audition WHERE id = ?) AND id <> ?
       AND call_id IN (SELECT call_id FROM call_round WHERE date >= ?) ORDER BY created_at_ms, rowid`
  ),
  ofCall: db.prepare<[string], TakerRow>(
    `SELECT a.id, a.candidate_id, c.name, c.archived_at_ms FROM audition a JOIN candidate c ON c.id = a.candidate_id
     WHERE a.call_id = ? ORDER BY a.created_at_ms, a.rowid`
  ),
  saveOwnDates: db.prepare(
    'UPDATE audition SET own_dates_json = ?, own_version = own_version + 1 WHERE id = ? AND own_version = ?'
  ),
  setDaysIntoMock: db.prepare('UPDATE audition SET days_into_mock = ? WHERE id = ?'),
  setAgreed: db.prepare('UPDATE audition SET agreed_json = ? WHERE id = ?'),
  agreed: db.prepare<[string], string | null>('SELECT agreed_json FROM audition WHERE id = ?').pluck(),
  slots: db.prepare<[string], SlotRow>(
    'SELECT round_id, date, time FROM slot WHERE audition_id = ? ORDER BY round_id'
  ),
  putSlot: db.prepare(
    `INSERT INTO slot (audition_id, round_id, date, time) VALUES (?, ?, ?, ?)
     ON CONFLICT (audition_id, round_id) DO UPDATE SET date = excluded.date, time = excluded.time`
  ),
  dropSlot: db.prepare('DELETE FROM slot WHERE audition_id = ? AND round_id = ?')
}));

function decode(db: Db, row: Row): Audition {
  const call = findCall(db, row.call_id)!;
  const slots = statements(db)
    .slots.all(row.id)
    .map((s): Slot => ({ roundId: s.round_id, date: s.date, time: s.time ?? undefined }));
  const ownDates = JSON.parse(row.own_dates_json) as OwnDate[];
  return {
    id: row.id,
    candidateId: row.candidate_id,
    callId: row.call_id,
    name: call.name,
    beganOn: row.began_on,
    dates: [...withUploads(call), ...ownDates, ...datesOfMocks(db, row.id), ...datesOfTasks(db, row.id)],
    ownDates,
    ownVersion: row.own_version,
    daysIntoMock: row.days_into_mock,
    rounds: placeSlots(call.rounds, slots),
    slots,
    call
  };
}

function withUploads({ dates, rounds }: Call): Call['dates'] {
  const uploads = rounds.flatMap(({ name, uploadBy }) =>
    uploadBy ? [{ date: uploadBy, name: `upload of ${name}`, kind: 'deadline' as const }] : []
  );
  return [...dates, ...uploads];
}

/** Rounds at the slots that are known of them, in order of time. */
function placeSlots(rounds: readonly Round[], slots: readonly Slot[]): Round[] {
  return rounds
    .map((round) => {
      const slot = slots.find((s) => s.roundId === round.id);
      return slot ? { ...round, date: slot.date, time: slot.time, isWeek: undefined } : round;
    })
    .sort((a, b) => (a.date === b.date ? 0 : a.date < b.date ? -1 : 1));
}

export function findAudition(db: Db, id: string): Audition | undefined {
  const row = statements(db).byId.get(id);
  return row && decode(db, row);
}
export const auditionsOf = (db: Db, candidateId: string): Audition[] =>
  statements(db)
    .ofCandidate.all(candidateId)
    .map((row) => decode(db, row));
/** The candidate's other auditions with a round of their call on `since` or later; a candidate's own slots are not asked. */
export const auditionsBeside = (db: Db, id: string, since: string): Audition[] =>
  statements(db)
    .beside.all(id, id, since)
    .map((row) => decode(db, row));
/** Who has taken a call, in the order they took it. */
export const takersOf = (db: Db, callId: string): Taker[] =>
  statements(db)
    .ofCall.all(callId)
    .map(({ id, candidate_id, name, archived_at_ms }) => ({
      auditionId: id,
      candidateId: candidate_id,
      name,
      isArchived: archived_at_ms !== null
    }));

export function addAudition(
  db: Db,
  audition: Pick<Audition, 'id' | 'candidateId' | 'callId' | 'beganOn'>,
  nowMs: number
): void {
  const { id, candidateId, callId, beganOn } = audition;
  statements(db).add.run(id, candidateId, callId, beganOn, nowMs);
}

export function putSlot(db: Db, auditionId: string, { roundId, date, time }: Slot): void {
  statements(db).putSlot.run(auditionId, roundId, date, time ?? null);
}
/** False where the version is no longer the one that was read. */
export const saveOwnDates = (db: Db, id: string, dates: readonly OwnDate[], version: number) =>
  statements(db).saveOwnDates.run(JSON.stringify(dates), id, version).changes === 1;
export const setDaysIntoMock = (db: Db, id: string, days: number) =>
  statements(db).setDaysIntoMock.run(days, id);
/** What was agreed in another studio; it counts until the first laying here. */
export const setAgreedElsewhere = (db: Db, id: string, agreed: SeasonRequest['previous'] | null) =>
  statements(db).setAgreed.run(agreed ? JSON.stringify(agreed) : null, id);
export function agreedElsewhere(db: Db, id: string): SeasonRequest['previous'] | null {
  const text = statements(db).agreed.get(id);
  return text ? (JSON.parse(text) as SeasonRequest['previous']) : null;
}
export const dropSlot = (db: Db, auditionId: string, roundId: string) =>
  statements(db).dropSlot.run(auditionId, roundId);

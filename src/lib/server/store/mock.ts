/** Mocks with their jurors, and the dates they take from a season. */
import type { Juror, Mock, OwnDate } from '../../core/record';
import { STAGE_NAMES } from '../../core/record/words';
import { type Db, preparedOnce } from '../db/open';

type Row = {
  id: string;
  stage: number;
  date: string;
  time: string | null;
  place: string;
  length_min: number;
  number: number;
  seed: number;
  draw_json: string;
  at: number | null;
  since_ms: number | null;
  broken_json: string;
  is_opened: number;
  evening_id: string | null;
  before_json: string | null;
  played_json: string;
};
type JurorRow = {
  id: string;
  name: string;
  seat_id: string | null;
  ballot_json: string;
  settled_json: string;
};

const COLUMNS = `id, stage, date, time, place, length_min, number, seed, draw_json, at, since_ms, broken_json, is_opened, evening_id, before_json,
  played_json`;
const NAMES = COLUMNS.split(/,\s+/);
/** With the candidate whose it is. */
const WITH_OWNER = `SELECT ${NAMES.map((name) => `m.${name}`).join(', ')}, a.candidate_id, m.audition_id
  FROM mock m JOIN audition a ON a.id = m.audition_id`;
type OwnedRow = Row & { candidate_id: string; audition_id: string };

const statements = preparedOnce((db) => ({
  put: db.prepare(
    `INSERT INTO mock (audition_id, ${COLUMNS})
     VALUES (@auditionId, @id, @stage, @date, @time, @place, @minutes, @number, @seed, @draw, @at, @sinceMs, @broken, @isOpened, @evening, @before,
       @played)
     ON CONFLICT (id) DO UPDATE SET ${NAMES.slice(1)
       .map((name) => `${name} = excluded.${name}`)
       .join(', ')}`
  ),
  find: db.prepare<[string], Row>(`SELECT ${COLUMNS} FROM mock WHERE id = ?`),
  of: db.prepare<[string], Row>(
    `SELECT ${COLUMNS} FROM mock WHERE audition_id = ? ORDER BY date, time, rowid`
  ),
  auditionOf: db.prepare<[string], string>('SELECT audition_id FROM mock WHERE id = ?').pluck(),
  dates: db.prepare<[string], { stage: number; date: string; time: string | null; length_min: number }>(
    'SELECT stage, date, time, length_min FROM mock WHERE audition_id = ? ORDER BY date'
  ),
  between: db.prepare<[string, string], OwnedRow>(
    `${WITH_OWNER} WHERE m.date BETWEEN ? AND ? ORDER BY m.date, m.place, m.time, m.rowid`
  ),
  ofEvening: db.prepare<[string], OwnedRow>(
    `${WITH_OWNER} WHERE m.evening_id = ? ORDER BY m.date, m.time, m.number`
  ),
  drop: db.prepare('DELETE FROM mock WHERE id = ?'),
  jurors: db.prepare<[string], JurorRow>(
    'SELECT id, name, seat_id, ballot_json, settled_json FROM juror WHERE mock_id = ? ORDER BY place'
  ),
  putJuror: db.prepare(
    `INSERT INTO juror (id, mock_id, place, name, seat_id, ballot_json, settled_json)
     VALUES (@id, @mockId, @place, @name, @seat, @ballot, @settled)
     ON CONFLICT (id) DO UPDATE SET name = excluded.name, place = excluded.place, seat_id = excluded.seat_id,
       ballot_json = excluded.ballot_json, settled_json = excluded.settled_json WHERE mock_id = excluded.mock_id`
  ),
  heardFrom: db
    .prepare<[string, string], string>(
      `SELECT m.id FROM juror j JOIN mock m ON m.id = j.mock_id WHERE j.id = ? OR j.seat_id = ? ORDER BY m.date, m.time, m.number`
    )
    .pluck(),
  dropJurors: db.prepare('DELETE FROM juror WHERE mock_id = ?')
}));

const mockOf = (db: Db, row: Row): Mock => ({
  id: row.id,
  stage: row.stage,
  date: row.date,
  ...(row.time === null ? {} : { time: row.time }),
  place: row.place,
  minutes: row.length_min,
  number: row.number,
  seed: row.seed,
  draw: JSON.parse(row.draw_json) as Mock['draw'],
  at: row.at,
  sinceMs: row.since_ms,
  broken: JSON.parse(row.broken_json) as number[],
  isOpened: row.is_opened === 1,
  played: JSON.parse(row.played_json) as Mock['played'],
  ...(row.evening_id === null ? {} : { evening: row.evening_id }),
  ...(row.before_json === null ? {} : { before: JSON.parse(row.before_json) as Mock['before'] }),
  jurors: statements(db)
    .jurors.all(row.id)
    .map(({ id, name, seat_id, ballot_json, settled_json }) => ({
      id,
      name,
      ...(seat_id === null ? {} : { seat: seat_id }),
      ballot: JSON.parse(ballot_json) as Juror['ballot'],
      settled: JSON.parse(settled_json) as Juror['settled']
    }))
});

export function findMock(db: Db, id: string): Mock | undefined {
  const row = statements(db).find.get(id);
  return row && mockOf(db, row);
}
/** In the order of their days. */
export const mocksOf = (db: Db, auditionId: string): Mock[] =>
  statements(db)
    .of.all(auditionId)
    .map((row) => mockOf(db, row));
export type OwnedMock = Mock & { readonly candidateId: string; readonly auditionId: string };
const ownedMock = (db: Db, row: OwnedRow): OwnedMock => ({
  ...mockOf(db, row),
  candidateId: row.candidate_id,
  auditionId: row.audition_id
});
/** Of every candidate, from one date to another; those at one place on one day follow each other by the clock. */
export const mocksBetween = (db: Db, from: string, to: string): OwnedMock[] =>
  statements(db)
    .between.all(from, to)
    .map((row) => ownedMock(db, row));
/** In the order in which they are played. */
export const mocksOfEvening = (db: Db, evening: string): OwnedMock[] =>
  statements(db)
    .ofEvening.all(evening)
    .map((row) => ownedMock(db, row));
export const auditionOfMock = (db: Db, id: string): string | undefined => statements(db).auditionOf.get(id);
/** Ids of the mocks that are heard from a seat, in the order in which they are played. */
export const mocksOfSeat = (db: Db, seat: string): string[] => statements(db).heardFrom.all(seat, seat);
/** What a juror's link opens. */
export const seatOf = ({ id, seat }: Juror): string => seat ?? id;

/** All of a mock as it is now: new, or instead of what was there. */
export function putMock(db: Db, auditionId: string, mock: Mock): void {
  const { draw, broken, isOpened, played, before, jurors, ...rest } = mock;
  statements(db).put.run({
    ...rest,
    auditionId,
    time: mock.time ?? null,
    evening: mock.evening ?? null,
    before: before ? JSON.stringify(before) : null,
    played: JSON.stringify(played),
    draw: JSON.stringify(draw),
    broken: JSON.stringify(broken),
    isOpened: isOpened ? 1 : 0
  });
  statements(db).dropJurors.run(mock.id);
  jurors.forEach((juror, place) => putJuror(db, mock.id, place, juror));
}
const putJuror = (db: Db, mockId: string, place: number, juror: Juror) => {
  const { id, name, seat = null, ballot, settled } = juror;
  statements(db).putJuror.run({
    id,
    mockId,
    place,
    name,
    seat,
    ballot: JSON.stringify(ballot),
    settled: JSON.stringify(settled)
  });
};
export const dropMock = (db: Db, id: string): void => void statements(db).drop.run(id);

export const sayStage = (stage: number): string => `mock ${stage}, ${STAGE_NAMES[stage - 1] ?? ''}`;
/** As dates of the candidate's own, which take minutes. */
export const datesOfMocks = (db: Db, auditionId: string): OwnDate[] =>
  statements(db)
    .dates.all(auditionId)
    .map(({ stage, date, time, length_min: minutes }) => ({
      date,
      ...(time === null ? {} : { time }),
      minutes,
      name: sayStage(stage),
      kind: 'mock'
    }));

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
};
type JurorRow = { id: string; name: string; ballot_json: string; settled_json: string };

const COLUMNS =
  'id, stage, date, time, place, length_min, number, seed, draw_json, at, since_ms, broken_json, is_opened';

const statements = preparedOnce((db) => ({
  put: db.prepare(
    `INSERT INTO mock (audition_id, ${COLUMNS})
     VALUES (@auditionId, @id, @stage, @date, @time, @place, @minutes, @number, @seed, @draw, @at, @sinceMs, @broken, @isOpened)
     ON CONFLICT (id) DO UPDATE SET stage = excluded.stage, date = excluded.date, time = excluded.time, place = excluded.place,
       length_min = excluded.length_min, number = excluded.number, seed = excluded.seed, draw_json = excluded.draw_json,
       at = excluded.at, since_ms = excluded.since_ms, broken_json = excluded.broken_json, is_opened = excluded.is_opened`
  ),
  find: db.prepare<[string], Row>(`SELECT ${COLUMNS} FROM mock WHERE id = ?`),
  of: db.prepare<[string], Row>(
    `SELECT ${COLUMNS} FROM mock WHERE audition_id = ? ORDER BY date, time, rowid`
  ),
  auditionOf: db.prepare<[string], string>('SELECT audition_id FROM mock WHERE id = ?').pluck(),
  dates: db.prepare<[string], { stage: number; date: string; length_min: number }>(
    'SELECT stage, date, length_min FROM mock WHERE audition_id = ? ORDER BY date'
  ),
  between: db.prepare<[string, string], Row & { candidate_id: string }>(
    `SELECT ${COLUMNS.split(', ')
      .map((name) => `m.${name}`)
      .join(', ')}, a.candidate_id FROM mock m JOIN audition a ON a.id = m.audition_id
     WHERE m.date BETWEEN ? AND ? ORDER BY m.date, m.place, m.time, m.rowid`
  ),
  drop: db.prepare('DELETE FROM mock WHERE id = ?'),
  jurors: db.prepare<[string], JurorRow>(
    'SELECT id, name, ballot_json, settled_json FROM juror WHERE mock_id = ? ORDER BY place'
  ),
  putJuror: db.prepare(
    `INSERT INTO juror (id, mock_id, place, name, ballot_json, settled_json) VALUES (@id, @mockId, @place, @name, @ballot, @settled)
     ON CONFLICT (id) DO UPDATE SET name = excluded.name, place = excluded.place, ballot_json = excluded.ballot_json,
       settled_json = excluded.settled_json WHERE mock_id = excluded.mock_id`
  ),
  mockOf: db.prepare<[string], string>('SELECT mock_id FROM juror WHERE id = ?').pluck(),
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
  jurors: statements(db)
    .jurors.all(row.id)
    .map(({ id, name, ballot_json, settled_json }) => ({
      id,
      name,
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
/** Of every candidate, from one date to another; those at one place on one day follow each other by the clock. */
export const mocksBetween = (db: Db, from: string, to: string): (Mock & { readonly candidateId: string })[] =>
  statements(db)
    .between.all(from, to)
    .map((row) => ({ ...mockOf(db, row), candidateId: row.candidate_id }));
export const auditionOfMock = (db: Db, id: string): string | undefined => statements(db).auditionOf.get(id);
/** The mock that a juror hears. */
export const mockOfJuror = (db: Db, jurorId: string): string | undefined =>
  statements(db).mockOf.get(jurorId);

/** All of a mock as it is now: new, or instead of what was there. */
export function putMock(db: Db, auditionId: string, mock: Mock): void {
  const { draw, broken, isOpened, jurors, ...rest } = mock;
  statements(db).put.run({
    ...rest,
    auditionId,
    time: mock.time ?? null,
    draw: JSON.stringify(draw),
    broken: JSON.stringify(broken),
    isOpened: isOpened ? 1 : 0
  });
  statements(db).dropJurors.run(mock.id);
  jurors.forEach((juror, place) => putJuror(db, mock.id, place, juror));
}
const putJuror = (db: Db, mockId: string, place: number, { id, name, ballot, settled }: Juror) =>
  statements(db).putJuror.run({
    id,
    mockId,
    place,
    name,
    ballot: JSON.stringify(ballot),
    settled: JSON.stringify(settled)
  });
export const dropMock = (db: Db, id: string): void => void statements(db).drop.run(id);

export const sayStage = (stage: number): string => `mock ${stage}, ${STAGE_NAMES[stage - 1] ?? ''}`;
/** As dates of the candidate's own, which take minutes. */
export const datesOfMocks = (db: Db, auditionId: string): OwnDate[] =>
  statements(db)
    .dates.all(auditionId)
    .map(({ stage, date, length_min: minutes }) => ({ date, minutes, name: sayStage(stage), kind: 'mock' }));

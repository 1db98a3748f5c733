/** Recorded rounds: what is sent of each. */
import type { Prescreen } from '../../core/record';
import { type Db, preparedOnce } from '../db/open';

const statements = preparedOnce((db) => ({
  of: db
    .prepare<[string], string>('SELECT prescreen_json FROM prescreen WHERE audition_id = ? ORDER BY round_id')
    .pluck(),
  put: db.prepare(
    `INSERT INTO prescreen (audition_id, round_id, prescreen_json) VALUES (?, ?, ?)
     ON CONFLICT (audition_id, round_id) DO UPDATE SET prescreen_json = excluded.prescreen_json`
  ),
  drop: db.prepare('DELETE FROM prescreen WHERE audition_id = ? AND round_id = ?')
}));

export const prescreensOf = (db: Db, auditionId: string): Prescreen[] =>
  statements(db)
    .of.all(auditionId)
    .map((text) => JSON.parse(text) as Prescreen);
export const putPrescreen = (db: Db, auditionId: string, one: Prescreen): void =>
  void statements(db).put.run(auditionId, one.roundId, JSON.stringify(one));
export const dropPrescreen = (db: Db, auditionId: string, roundId: string): void =>
  void statements(db).drop.run(auditionId, roundId);

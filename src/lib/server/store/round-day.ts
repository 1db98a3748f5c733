/** Days of rounds as candidates have set them, and the thoughts that go with their items. */
import type { RoundDay } from '../../core/record';
import { type Db, preparedOnce } from '../db/open';

const statements = preparedOnce((db) => ({
  of: db
    .prepare<[string], string>('SELECT day_json FROM round_day WHERE audition_id = ? ORDER BY round_id')
    .pluck(),
  put: db.prepare(
    `INSERT INTO round_day (audition_id, round_id, day_json) VALUES (?, ?, ?)
     ON CONFLICT (audition_id, round_id) DO UPDATE SET day_json = excluded.day_json`
  ),
  drop: db.prepare('DELETE FROM round_day WHERE audition_id = ? AND round_id = ?'),
  thought: db.prepare<[string], string>('SELECT thought FROM item WHERE id = ?').pluck(),
  setThought: db.prepare('UPDATE item SET thought = ? WHERE id = ?')
}));

export const roundDaysOf = (db: Db, auditionId: string): RoundDay[] =>
  statements(db)
    .of.all(auditionId)
    .map((text) => JSON.parse(text) as RoundDay);
export const findRoundDay = (db: Db, auditionId: string, roundId: string): RoundDay | undefined =>
  roundDaysOf(db, auditionId).find((day) => day.roundId === roundId);
export const putRoundDay = (db: Db, auditionId: string, day: RoundDay): void =>
  void statements(db).put.run(auditionId, day.roundId, JSON.stringify(day));
export const dropRoundDay = (db: Db, auditionId: string, roundId: string): void =>
  void statements(db).drop.run(auditionId, roundId);

/** What to think before an item is played; empty where nobody said. Undefined where there is no such item. */
export const thoughtOf = (db: Db, itemId: string): string | undefined => statements(db).thought.get(itemId);
export const setThought = (db: Db, itemId: string, thought: string): void =>
  void statements(db).setThought.run(thought, itemId);

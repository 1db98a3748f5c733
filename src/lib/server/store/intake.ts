/** What is being taken in from an archive: until it is all there it can be taken back whole, also after the process has died. */
import { type Db, preparedOnce } from '../db/open';

const statements = preparedOnce((db) => ({
  begin: db.prepare('INSERT INTO intake (id) VALUES (?)'),
  finish: db.prepare('DELETE FROM intake'),
  dropCandidates: db.prepare('DELETE FROM candidate WHERE id IN (SELECT id FROM intake)'),
  // a list that somebody who was here has taken meanwhile stays
  dropCalls: db.prepare(
    'DELETE FROM call WHERE id IN (SELECT id FROM intake) AND NOT EXISTS (SELECT 1 FROM audition WHERE call_id = call.id)'
  )
}));

/** Within the transaction that takes the first of it in. */
export function begin(db: Db, ids: readonly string[]): void {
  for (const id of ids) statements(db).begin.run(id);
}
export const finish = (db: Db) => void statements(db).finish.run();

/** Takes all back that was begun and not finished. */
export function takeBack(db: Db): void {
  db.transaction(() => {
    statements(db).dropCandidates.run();
    statements(db).dropCalls.run();
    statements(db).finish.run();
  })();
}

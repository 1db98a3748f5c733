/** What stood there before something was saved; kept for a while, taken back once. */
import { type Db, preparedOnce } from '../db/open';

export type UndoStep = {
  readonly token: string;
  readonly candidateId: string;
  readonly kind: 'item' | 'call' | 'time' | 'facts' | 'changes';
  readonly before: unknown;
};

type Row = { token: string; candidate_id: string; kind: UndoStep['kind']; before_json: string };

const statements = preparedOnce((db) => ({
  put: db.prepare(
    'INSERT INTO undo_step (token, candidate_id, kind, before_json, made_at_ms) VALUES (?, ?, ?, ?, ?)'
  ),
  byToken: db.prepare<[string], Row>(
    'SELECT token, candidate_id, kind, before_json FROM undo_step WHERE token = ?'
  ),
  drop: db.prepare('DELETE FROM undo_step WHERE token = ? OR made_at_ms < ?')
}));

export const putUndoStep = (db: Db, { token, candidateId, kind, before }: UndoStep, nowMs: number) =>
  statements(db).put.run(token, candidateId, kind, JSON.stringify(before), nowMs);

export function findUndoStep(db: Db, token: string): UndoStep | undefined {
  const row = statements(db).byToken.get(token);
  return (
    row && {
      token: row.token,
      candidateId: row.candidate_id,
      kind: row.kind,
      before: JSON.parse(row.before_json) as unknown
    }
  );
}
/** This one, and all that were made before `beforeMs`. */
export const dropUndoSteps = (db: Db, token: string, beforeMs: number) =>
  statements(db).drop.run(token, beforeMs);

/** What stood there before something was saved, and what was left; kept for a while, taken back once. Tokens are stored as hashes. */
import { type Db, preparedOnce } from '../db/open';

export type UndoStep = {
  readonly candidateId: string;
  readonly kind: string;
  /** Which thing it is, as its kind names it. */
  readonly about: unknown;
  readonly before: unknown;
  /** Digest of what was left after saving. */
  readonly left: string;
};

type Row = {
  candidate_id: string;
  kind: string;
  about_json: string;
  before_json: string;
  left_digest: string;
};

const statements = preparedOnce((db) => ({
  put: db.prepare(
    `INSERT INTO undo_step (token_hash, candidate_id, kind, about_json, before_json, left_digest, made_at_ms)
     VALUES (?, ?, ?, ?, ?, ?, ?)`
  ),
  byToken: db.prepare<[string, number], Row>(
    'SELECT candidate_id, kind, about_json, before_json, left_digest FROM undo_step WHERE token_hash = ? AND made_at_ms >= ?'
  ),
  drop: db.prepare('DELETE FROM undo_step WHERE token_hash = ?'),
  sweep: db.prepare('DELETE FROM undo_step WHERE made_at_ms < ?')
}));

/** What was saved can be taken back for so long; then what stood there before is forgotten. */
const KEPT_MS = 24 * 3_600_000;

export function putUndoStep(db: Db, tokenHash: string, step: UndoStep, nowMs: number): void {
  const { candidateId, kind, about, before, left } = step;
  statements(db).sweep.run(nowMs - KEPT_MS);
  statements(db).put.run(
    tokenHash,
    candidateId,
    kind,
    JSON.stringify(about),
    JSON.stringify(before ?? null),
    left,
    nowMs
  );
}

export function findUndoStep(db: Db, tokenHash: string, nowMs: number): UndoStep | undefined {
  const row = statements(db).byToken.get(tokenHash, nowMs - KEPT_MS);
  return (
    row && {
      candidateId: row.candidate_id,
      kind: row.kind,
      about: JSON.parse(row.about_json) as unknown,
      before: JSON.parse(row.before_json) as unknown,
      left: row.left_digest
    }
  );
}
export const dropUndoStep = (db: Db, tokenHash: string) => statements(db).drop.run(tokenHash);

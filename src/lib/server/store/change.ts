/** Changes that were made: by id, so that none is made twice; and for a while what stood there before. Tokens are stored as hashes. */
import { type Db, preparedOnce } from '../db/open';

export type KeptChange = {
  readonly id: string;
  readonly candidateId: string;
  /** What puts back what was there, as server/change/ writes it. */
  readonly before: unknown;
  /** Digest of what was left after the change. */
  readonly left: string;
};

type Row = { id: string; candidate_id: string; before_json: string; left_digest: string };

const statements = preparedOnce((db) => ({
  put: db.prepare(
    `INSERT INTO change (id, token_hash, candidate_id, before_json, left_digest, made_at_ms)
     VALUES (?, ?, ?, ?, ?, ?)`
  ),
  candidate: db.prepare<[string], string>('SELECT candidate_id FROM change WHERE id = ?').pluck(),
  byToken: db.prepare<[string, number], Row>(
    `SELECT id, candidate_id, before_json, left_digest FROM change
     WHERE token_hash = ? AND made_at_ms >= ? AND before_json IS NOT NULL`
  ),
  settle: db.prepare('UPDATE change SET before_json = NULL WHERE id = ?'),
  forget: db.prepare('UPDATE change SET before_json = NULL WHERE made_at_ms < ? AND before_json IS NOT NULL'),
  sweep: db.prepare('DELETE FROM change WHERE made_at_ms < ?')
}));

const DAY_MS = 24 * 3_600_000;
/** What was changed can be taken back for so long; then what stood there before is forgotten. */
const KEPT_MS = DAY_MS;
/** A device may come back from a long time away with what it has sent already (judgement). */
const KNOWN_MS = 60 * DAY_MS;

export function putChange(db: Db, change: KeptChange & { readonly tokenHash: string }, nowMs: number): void {
  const { id, tokenHash, candidateId, before, left } = change;
  statements(db).forget.run(nowMs - KEPT_MS);
  statements(db).sweep.run(nowMs - KNOWN_MS);
  statements(db).put.run(id, tokenHash, candidateId, JSON.stringify(before), left, nowMs);
}
/** Whose a change is that was made; undefined where it was not. */
export const candidateOfChange = (db: Db, id: string) => statements(db).candidate.get(id);

/** One that can be taken back. */
export function findChange(db: Db, tokenHash: string, nowMs: number): KeptChange | undefined {
  const row = statements(db).byToken.get(tokenHash, nowMs - KEPT_MS);
  return (
    row && {
      id: row.id,
      candidateId: row.candidate_id,
      before: JSON.parse(row.before_json) as unknown,
      left: row.left_digest
    }
  );
}
/** It was taken back: it stays known, and cannot be taken back again. */
export const settleChange = (db: Db, id: string) => statements(db).settle.run(id);

/** Private calendar addresses, one an audition; only the hash is known. */
import { type Db, preparedOnce } from '../db/open';

const statements = preparedOnce((db) => ({
  put: db.prepare(
    `INSERT INTO feed_link (audition_id, token_hash, made_at_ms) VALUES (?, ?, ?)
     ON CONFLICT (audition_id) DO UPDATE SET token_hash = excluded.token_hash, made_at_ms = excluded.made_at_ms`
  ),
  drop: db.prepare('DELETE FROM feed_link WHERE audition_id = ?'),
  of: db.prepare<[string], { made_at_ms: number }>('SELECT made_at_ms FROM feed_link WHERE audition_id = ?'),
  byHash: db.prepare<[string], { audition_id: string }>(
    'SELECT audition_id FROM feed_link WHERE token_hash = ?'
  )
}));

/** A new address ends the one before. */
export const putFeedLink = (db: Db, auditionId: string, tokenHash: string, nowMs: number) =>
  statements(db).put.run(auditionId, tokenHash, nowMs);
export const dropFeedLink = (db: Db, auditionId: string) => statements(db).drop.run(auditionId);
export const hasFeedLink = (db: Db, auditionId: string) => statements(db).of.get(auditionId) !== undefined;
export const auditionOfFeed = (db: Db, tokenHash: string) =>
  statements(db).byHash.get(tokenHash)?.audition_id;

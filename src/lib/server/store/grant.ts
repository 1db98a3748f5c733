/** Grants: what links and secret addresses open. Only hashes of their tokens are known. */
import { type Db, preparedOnce } from '../db/open';

export type Grant = {
  readonly tokenHash: string;
  readonly kind: string;
  readonly candidateId: string;
  /** Id of what it opens, as its kind names it. */
  readonly opensId: string;
  readonly madeAtMs: number;
  /** Null: until it is ended. */
  readonly expiresAtMs: number | null;
  /** Null: as often as one likes. */
  readonly usesLeft: number | null;
};
/** `device` is where what it opens is written; null before that was anywhere. */
type FoundGrant = Grant & { readonly device: string | null };

type Row = {
  token_hash: string;
  kind: string;
  candidate_id: string;
  opens_id: string;
  made_at_ms: number;
  expires_at_ms: number | null;
  uses_left: number | null;
  device: string | null;
};

const COLUMNS = 'token_hash, kind, candidate_id, opens_id, made_at_ms, expires_at_ms, uses_left';

const statements = preparedOnce((db) => ({
  add: db.prepare(
    `INSERT INTO access_grant (${COLUMNS})
     VALUES (@tokenHash, @kind, @candidateId, @opensId, @madeAtMs, @expiresAtMs, @usesLeft)`
  ),
  find: db.prepare<{ kind: string; tokenHash: string; nowMs: number }, Row>(
    `SELECT ${COLUMNS}, device FROM access_grant WHERE kind = @kind AND token_hash = @tokenHash
       AND (expires_at_ms IS NULL OR expires_at_ms > @nowMs) AND (uses_left IS NULL OR uses_left > 0)`
  ),
  isThere: db.prepare<[string, string], { n: 1 }>(
    'SELECT 1 AS n FROM access_grant WHERE kind = ? AND opens_id = ?'
  ),
  ends: db.prepare<[string, string, number], { expires_at_ms: number }>(
    `SELECT expires_at_ms FROM access_grant WHERE kind = ? AND opens_id = ? AND expires_at_ms > ?
       AND (uses_left IS NULL OR uses_left > 0) ORDER BY expires_at_ms DESC`
  ),
  use: db.prepare('UPDATE access_grant SET uses_left = uses_left - 1 WHERE token_hash = ?'),
  drop: db.prepare('DELETE FROM access_grant WHERE kind = ? AND opens_id = ?'),
  dropOf: db.prepare('DELETE FROM access_grant WHERE kind = ? AND candidate_id = ?'),
  setDevice: db.prepare('UPDATE access_grant SET device = ? WHERE token_hash = ?'),
  setCandidate: db.prepare('UPDATE access_grant SET candidate_id = ? WHERE kind = ? AND opens_id = ?'),
  setEnd: db.prepare('UPDATE access_grant SET expires_at_ms = ? WHERE kind = ? AND opens_id = ?'),
  sweep: db.prepare('DELETE FROM access_grant WHERE expires_at_ms <= ? OR uses_left <= 0')
}));

export const setGrantEnd = (db: Db, kind: string, opensId: string, endsMs: number) =>
  statements(db).setEnd.run(endsMs, kind, opensId);
export const setGrantCandidate = (db: Db, kind: string, opensId: string, candidateId: string) =>
  statements(db).setCandidate.run(candidateId, kind, opensId);
export const setGrantDevice = (db: Db, tokenHash: string, device: string) =>
  statements(db).setDevice.run(device, tokenHash);
export const addGrant = (db: Db, grant: Grant) => statements(db).add.run(grant);

/** One that still opens something; undefined where it is unknown, of another kind, too old or used up. */
export function findGrant(db: Db, kind: string, tokenHash: string, nowMs: number): FoundGrant | undefined {
  const row = statements(db).find.get({ kind, tokenHash, nowMs });
  return (
    row && {
      tokenHash: row.token_hash,
      kind: row.kind,
      candidateId: row.candidate_id,
      opensId: row.opens_id,
      madeAtMs: row.made_at_ms,
      expiresAtMs: row.expires_at_ms,
      usesLeft: row.uses_left,
      device: row.device
    }
  );
}
export const hasGrant = (db: Db, kind: string, opensId: string) =>
  statements(db).isThere.get(kind, opensId) !== undefined;
/** When the one that is open ends; null where there is none, or it has no end. */
export const grantEndsMs = (db: Db, kind: string, opensId: string, nowMs: number): number | null =>
  statements(db).ends.get(kind, opensId, nowMs)?.expires_at_ms ?? null;
export const useGrant = (db: Db, tokenHash: string) => statements(db).use.run(tokenHash);
/** Ends all of a kind that open one thing. */
export const dropGrants = (db: Db, kind: string, opensId: string) => statements(db).drop.run(kind, opensId);
export const dropGrantsOf = (db: Db, kind: string, candidateId: string) =>
  statements(db).dropOf.run(kind, candidateId);
/** Lets those go that open nothing any more. */
export const sweepGrants = (db: Db, nowMs: number) => statements(db).sweep.run(nowMs);

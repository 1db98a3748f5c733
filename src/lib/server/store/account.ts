/** Accounts, sessions, known devices and sign-in attempts. Tokens and passwords are stored as hashes only. */
import { type Db, preparedOnce } from '../db/open';

export type AccountRow = {
  id: string;
  role: 'teacher' | 'candidate';
  name: string;
  login: string;
  password_hash: string;
};

/** A signed-in device; its token is known to that device alone. */
export type Session = {
  readonly tokenHash: string;
  readonly accountId: string;
  readonly expiresAtMs: number;
  readonly createdAtMs: number;
  readonly usedAtMs: number;
  /** Browser and system, in words. */
  readonly device: string;
};
type SessionRow = {
  token_hash: string;
  account_id: string;
  expires_at_ms: number;
  created_at_ms: number;
  used_at_ms: number;
  device: string;
};

const SESSION = 'token_hash, account_id, expires_at_ms, created_at_ms, used_at_ms, device';
const ACCOUNT = 'id, role, name, login, password_hash';

const statements = preparedOnce((db) => ({
  add: db.prepare(
    'INSERT INTO account (id, role, name, login, password_hash, created_at_ms) VALUES (?, ?, ?, ?, ?, ?)'
  ),
  setPassword: db.prepare('UPDATE account SET login = ?, password_hash = ? WHERE id = ?'),
  byLogin: db.prepare<[string], AccountRow>(`SELECT ${ACCOUNT} FROM account WHERE login = ?`),
  byId: db.prepare<[string], AccountRow>(`SELECT ${ACCOUNT} FROM account WHERE id = ?`),
  teacher: db.prepare<[], AccountRow>(
    `SELECT ${ACCOUNT} FROM account WHERE role = 'teacher' ORDER BY created_at_ms LIMIT 1`
  ),
  erase: db.prepare('DELETE FROM account WHERE id = ?'),
  setHash: db.prepare('UPDATE account SET password_hash = ? WHERE id = ?'),
  addSession: db.prepare(
    `INSERT INTO session (token_hash, account_id, expires_at_ms, created_at_ms, used_at_ms, device)
     VALUES (@tokenHash, @accountId, @expiresAtMs, @createdAtMs, @usedAtMs, @device)`
  ),
  session: db.prepare<[string], SessionRow>(`SELECT ${SESSION} FROM session WHERE token_hash = ?`),
  sessionsOf: db.prepare<[string], SessionRow>(
    `SELECT ${SESSION} FROM session WHERE account_id = ? ORDER BY used_at_ms DESC`
  ),
  useSession: db.prepare('UPDATE session SET used_at_ms = ? WHERE token_hash = ?'),
  dropSession: db.prepare('DELETE FROM session WHERE token_hash = ?'),
  dropSessions: db.prepare('DELETE FROM session WHERE account_id = ?'),
  dropOthers: db.prepare('DELETE FROM session WHERE account_id = ? AND token_hash <> ?'),
  sweep: db.prepare('DELETE FROM session WHERE expires_at_ms <= ? OR used_at_ms <= ?'),
  putDevice: db.prepare(
    `INSERT INTO known_device (token_hash, account_id, used_at_ms) VALUES (?, ?, ?)
     ON CONFLICT (token_hash) DO UPDATE SET account_id = excluded.account_id, used_at_ms = excluded.used_at_ms`
  ),
  device: db.prepare<[string, string], { used_at_ms: number }>(
    'SELECT used_at_ms FROM known_device WHERE token_hash = ? AND account_id = ?'
  ),
  dropDevices: db.prepare('DELETE FROM known_device WHERE account_id = ?'),
  dropAttemptsOf: db.prepare(
    'DELETE FROM sign_in_attempt WHERE key IN (SELECT key FROM sign_in_attempt WHERE instr(key, ?) > 0)'
  ),
  key: db.prepare<[string], string>('SELECT value FROM studio_key WHERE name = ?').pluck(),
  putKey: db.prepare('INSERT INTO studio_key (name, value) VALUES (?, ?)'),
  addAttempt: db.prepare('INSERT INTO sign_in_attempt (key, at_ms) VALUES (?, ?)'),
  attempts: db.prepare<[string, number], { count: number }>(
    'SELECT count(*) AS count FROM sign_in_attempt WHERE key = ? AND at_ms > ?'
  ),
  dropAttempts: db.prepare('DELETE FROM sign_in_attempt WHERE key = ?'),
  sweepAttempts: db.prepare('DELETE FROM sign_in_attempt WHERE at_ms < ?'),
  sweepDevices: db.prepare('DELETE FROM known_device WHERE used_at_ms < ?'),
  takeBackAttempt: db.prepare(
    'DELETE FROM sign_in_attempt WHERE rowid = (SELECT rowid FROM sign_in_attempt WHERE key = ? AND at_ms = ? LIMIT 1)'
  )
}));

export const addAccount = (db: Db, row: AccountRow, nowMs: number) =>
  statements(db).add.run(row.id, row.role, row.name, row.login, row.password_hash, nowMs);
export const setSignIn = (db: Db, id: string, login: string, hash: string) =>
  statements(db).setPassword.run(login, hash, id);
export const findLogin = (db: Db, login: string) => statements(db).byLogin.get(login);
export const findAccount = (db: Db, id: string) => statements(db).byId.get(id);
/** With its sessions. */
export const eraseAccount = (db: Db, id: string) => statements(db).erase.run(id);
export const findTeacher = (db: Db) => statements(db).teacher.get();

export const setPasswordHash = (db: Db, id: string, hash: string) => statements(db).setHash.run(hash, id);

const decodeSession = (row: SessionRow): Session => ({
  tokenHash: row.token_hash,
  accountId: row.account_id,
  expiresAtMs: row.expires_at_ms,
  createdAtMs: row.created_at_ms,
  usedAtMs: row.used_at_ms,
  device: row.device
});

export const addSession = (db: Db, session: Session) => statements(db).addSession.run(session);
/** Lets those go that have ended, or were last used before `idleBeforeMs`. */
export const sweepSessions = (db: Db, nowMs: number, idleBeforeMs: number) =>
  statements(db).sweep.run(nowMs, idleBeforeMs);
export function findSession(db: Db, tokenHash: string): Session | undefined {
  const row = statements(db).session.get(tokenHash);
  return row && decodeSession(row);
}
/** Latest used first. */
export const sessionsOf = (db: Db, accountId: string): Session[] =>
  statements(db).sessionsOf.all(accountId).map(decodeSession);
export const useSession = (db: Db, tokenHash: string, nowMs: number) =>
  statements(db).useSession.run(nowMs, tokenHash);
export const dropOtherSessions = (db: Db, accountId: string, keptHash: string) =>
  statements(db).dropOthers.run(accountId, keptHash);

/** A device on which this account has signed in. */
export const putKnownDevice = (db: Db, tokenHash: string, accountId: string, nowMs: number) =>
  statements(db).putDevice.run(tokenHash, accountId, nowMs);
/** Forgets devices last used before `beforeMs`. */
export const sweepKnownDevices = (db: Db, beforeMs: number) => statements(db).sweepDevices.run(beforeMs);
export const isKnownDevice = (db: Db, tokenHash: string, accountId: string) =>
  statements(db).device.get(tokenHash, accountId) !== undefined;
export const dropKnownDevices = (db: Db, accountId: string) => statements(db).dropDevices.run(accountId);

/** A key the studio made for itself, under its name. */
export const findStudioKey = (db: Db, name: string) => statements(db).key.get(name);
export const putStudioKey = (db: Db, name: string, value: string) => statements(db).putKey.run(name, value);
export const dropSession = (db: Db, tokenHash: string) => statements(db).dropSession.run(tokenHash);
export const dropSessionsOf = (db: Db, accountId: string) => statements(db).dropSessions.run(accountId);

export const addAttempt = (db: Db, key: string, nowMs: number) => statements(db).addAttempt.run(key, nowMs);
export const countAttempts = (db: Db, key: string, sinceMs: number) =>
  statements(db).attempts.get(key, sinceMs)!.count;
/** Forgets one key's attempts. */
export const dropAttempts = (db: Db, key: string) => statements(db).dropAttempts.run(key);
/** Forgets everybody's from before `beforeMs`. */
export const sweepAttempts = (db: Db, beforeMs: number) => statements(db).sweepAttempts.run(beforeMs);

/** Forgets every attempt whose key has this in it. */
export const dropAttemptsOf = (db: Db, part: string) => statements(db).dropAttemptsOf.run(part);

/** An attempt that turned out right does not count. */
export const takeBackAttempt = (db: Db, key: string, atMs: number) =>
  statements(db).takeBackAttempt.run(key, atMs);

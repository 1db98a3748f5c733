/** Accounts, sessions, sign-in attempts and one-time links. Tokens and passwords are stored as hashes only. */
import { type Db, preparedOnce } from '../db/open';

export type AccountRow = {
  id: string;
  role: 'teacher' | 'candidate';
  name: string;
  login: string;
  password_hash: string;
};

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
  addSession: db.prepare('INSERT INTO session (token_hash, account_id, expires_at_ms) VALUES (?, ?, ?)'),
  session: db.prepare<[string, number], { account_id: string }>(
    'SELECT account_id FROM session WHERE token_hash = ? AND expires_at_ms > ?'
  ),
  dropSession: db.prepare('DELETE FROM session WHERE token_hash = ?'),
  dropSessions: db.prepare('DELETE FROM session WHERE account_id = ?'),
  sweep: db.prepare('DELETE FROM session WHERE expires_at_ms <= ?'),
  addAttempt: db.prepare('INSERT INTO sign_in_attempt (key, at_ms) VALUES (?, ?)'),
  attempts: db.prepare<[string, number], { count: number }>(
    'SELECT count(*) AS count FROM sign_in_attempt WHERE key = ? AND at_ms > ?'
  ),
  dropAttempts: db.prepare('DELETE FROM sign_in_attempt WHERE key = ? OR at_ms < ?'),
  takeBackAttempt: db.prepare(
    'DELETE FROM sign_in_attempt WHERE rowid = (SELECT rowid FROM sign_in_attempt WHERE key = ? AND at_ms = ? LIMIT 1)'
  ),
  addLink: db.prepare('INSERT INTO join_link (token_hash, candidate_id, expires_at_ms) VALUES (?, ?, ?)'),
  link: db.prepare<[string, number], { candidate_id: string }>(
    'SELECT candidate_id FROM join_link WHERE token_hash = ? AND expires_at_ms > ?'
  ),
  dropLinks: db.prepare('DELETE FROM join_link WHERE candidate_id = ?')
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

export function addSession(
  db: Db,
  tokenHash: string,
  accountId: string,
  expiresMs: number,
  nowMs: number
): void {
  statements(db).sweep.run(nowMs);
  statements(db).addSession.run(tokenHash, accountId, expiresMs);
}
export const findSession = (db: Db, tokenHash: string, nowMs: number) =>
  statements(db).session.get(tokenHash, nowMs)?.account_id;
export const dropSession = (db: Db, tokenHash: string) => statements(db).dropSession.run(tokenHash);
export const dropSessionsOf = (db: Db, accountId: string) => statements(db).dropSessions.run(accountId);

export const addAttempt = (db: Db, key: string, nowMs: number) => statements(db).addAttempt.run(key, nowMs);
export const countAttempts = (db: Db, key: string, sinceMs: number) =>
  statements(db).attempts.get(key, sinceMs)!.count;
/** Forgets one key's attempts, and everybody's from before `beforeMs`. */
export const dropAttempts = (db: Db, key: string, beforeMs: number) =>
  statements(db).dropAttempts.run(key, beforeMs);

/** An attempt that turned out right does not count. */
export const takeBackAttempt = (db: Db, key: string, atMs: number) =>
  statements(db).takeBackAttempt.run(key, atMs);

/** A new link makes the candidate's earlier ones worthless. */
export function putLink(db: Db, tokenHash: string, candidateId: string, expiresMs: number): void {
  statements(db).dropLinks.run(candidateId);
  statements(db).addLink.run(tokenHash, candidateId, expiresMs);
}
export const findLink = (db: Db, tokenHash: string, nowMs: number) =>
  statements(db).link.get(tokenHash, nowMs)?.candidate_id;
export const dropLinksOf = (db: Db, candidateId: string) => statements(db).dropLinks.run(candidateId);

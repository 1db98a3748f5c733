/**
 * Accounts and who is signed in: the first teacher, signing in and out, one-time links for candidates, and the
 * demo's one click. Passwords are Argon2id hashes; session and link tokens are stored as SHA-256 only.
 */
import { hash, verify } from '@node-rs/argon2';
import { type App, type Who, NOBODY } from '../app';
import { CodedError } from '../errors';
import * as accounts from '../store/account';
import { findCandidate, findCandidateOfAccount, setCandidateAccount } from '../store/candidate';
import { hashToken, newToken } from '../token';
import { found, useCase, waitingUseCase } from './use-case';

const DAY_MS = 86_400_000;
export const SESSION_MS = 30 * DAY_MS;
const LINK_MS = 14 * DAY_MS;
const ATTEMPT_WINDOW_MS = 15 * 60_000;
/** A forgotten password takes a few tries; a guessed one takes thousands (judgement). */
const MOST_ATTEMPTS = 8;
const ARGON = { memoryCost: 19_456, timeCost: 2, parallelism: 1 };

/** A hash that no password fits: an unknown name takes as long as a wrong password. */
const NO_HASH = hash(newToken(), ARGON);

function openSession(app: App, accountId: string): string {
  const token = newToken();
  accounts.addSession(app.db, hashToken(token), accountId, app.now() + SESSION_MS, app.now());
  return token;
}

/** Whether the studio still waits for its teacher. */
export const isNewStudio = useCase({
  rule: 'anyone',
  run: (app: App) => accounts.findTeacher(app.db) === undefined
});

/** Makes the studio's teacher and signs in. Only while there is none. Returns the session's token. */
export const createTeacher = waitingUseCase({
  rule: 'anyone',
  run: async (app: App, input: { name: string; login: string; password: string }) => {
    if (accounts.findTeacher(app.db)) throw new CodedError('studio-has-teacher');
    const passwordHash = await hash(input.password, ARGON);
    return app.db.transaction(() => {
      if (accounts.findTeacher(app.db)) throw new CodedError('studio-has-teacher');
      const id = app.newId();
      accounts.addAccount(
        app.db,
        { id, role: 'teacher', name: input.name, login: input.login, password_hash: passwordHash },
        app.now()
      );
      return openSession(app, id);
    })();
  }
});

/** Signs in and returns the session's token. `address` is where the attempt comes from. */
export const signIn = waitingUseCase({
  rule: 'anyone',
  run: async (app: App, input: { login: string; password: string; address: string }) => {
    const keys = [`login ${input.login.toLowerCase()}`, `address ${input.address}`];
    const since = app.now() - ATTEMPT_WINDOW_MS;
    if (
      accounts.countAttempts(app.db, keys[0]!, since) >= MOST_ATTEMPTS ||
      accounts.countAttempts(app.db, keys[1]!, since) >= 4 * MOST_ATTEMPTS
    ) {
      throw new CodedError('too-many-attempts');
    }
    const at = app.now();
    for (const key of keys) accounts.addAttempt(app.db, key, at);
    const account = accounts.findLogin(app.db, input.login);
    const isRight = await verify(account?.password_hash ?? (await NO_HASH), input.password);
    if (!account || !isRight) throw new CodedError('wrong-sign-in');
    accounts.dropAttempts(app.db, keys[0]!, since);
    accounts.takeBackAttempt(app.db, keys[1]!, at);
    return openSession(app, account.id);
  }
});

export const signOut = useCase({
  rule: 'anyone',
  run: (app: App, input: { token: string }) => void accounts.dropSession(app.db, hashToken(input.token))
});

/** Who a session's token belongs to; nobody where it is unknown or too old. */
export const readSession = useCase({
  rule: 'anyone',
  run: (app: App, input: { token: string }): Who => {
    const accountId = accounts.findSession(app.db, hashToken(input.token), app.now());
    const account = accountId === undefined ? undefined : accounts.findAccount(app.db, accountId);
    if (!account) return NOBODY;
    if (account.role === 'teacher') return { kind: 'teacher', accountId: account.id, name: account.name };
    const candidate = findCandidateOfAccount(app.db, account.id);
    return candidate
      ? { kind: 'candidate', accountId: account.id, candidateId: candidate.id, name: candidate.name }
      : NOBODY;
  }
});

/** A fresh one-time token with which a candidate sets a password; earlier ones no longer work. */
export const makeJoinLink = useCase({
  rule: 'teacher',
  run: (app: App, input: { candidateId: string }) => {
    found(findCandidate(app.db, input.candidateId));
    const token = newToken();
    accounts.putLink(app.db, hashToken(token), input.candidateId, app.now() + LINK_MS);
    return token;
  }
});

/** Whose link it is, and the sign-in name they have already. */
export const readJoinLink = useCase({
  rule: 'anyone',
  run: (app: App, input: { token: string }) => {
    const candidate = findCandidate(
      app.db,
      accounts.findLink(app.db, hashToken(input.token), app.now()) ?? ''
    );
    if (!candidate) throw new CodedError('link-spent');
    const login = candidate.accountId ? accounts.findAccount(app.db, candidate.accountId)?.login : undefined;
    return { name: candidate.name, login: login ?? '' };
  }
});

/** Sets the candidate's sign-in, spends the link, ends older sessions, and signs in. */
export const acceptJoinLink = waitingUseCase({
  rule: 'anyone',
  run: async (app: App, input: { token: string; login: string; password: string }) => {
    const passwordHash = await hash(input.password, ARGON);
    return app.db.transaction(() => {
      const candidate = findCandidate(
        app.db,
        accounts.findLink(app.db, hashToken(input.token), app.now()) ?? ''
      );
      if (!candidate) throw new CodedError('link-spent');
      const holder = accounts.findLogin(app.db, input.login);
      if (holder && holder.id !== candidate.accountId) throw new CodedError('login-taken');
      const id = candidate.accountId ?? app.newId();
      if (candidate.accountId) {
        accounts.setSignIn(app.db, id, input.login, passwordHash);
        accounts.dropSessionsOf(app.db, id);
      } else {
        accounts.addAccount(
          app.db,
          { id, role: 'candidate', name: candidate.name, login: input.login, password_hash: passwordHash },
          app.now()
        );
        setCandidateAccount(app.db, candidate.id, id);
      }
      accounts.dropLinksOf(app.db, candidate.id);
      return openSession(app, id);
    })();
  }
});

/** The demo's one click, as the teacher or as a candidate. */
export const enterDemo = useCase({
  rule: 'anyone',
  run: (app: App, input: { candidateId?: string | undefined }) => {
    if (!app.isDemo) throw new CodedError('demo-only');
    const accountId = input.candidateId
      ? findCandidate(app.db, input.candidateId)?.accountId
      : accounts.findTeacher(app.db)?.id;
    return openSession(app, found(accountId));
  }
});

/**
 * Accounts and who is signed in: the first teacher, signing in and out, sessions and where they are, changing a password, one-time links
 * for candidates, and the demo's one click. Session, device and link tokens are stored as SHA-256 only.
 */
import { createHmac } from 'node:crypto';
import { type App, type Person, type Who, NOBODY } from '../app';
import { CodedError, orNotFound } from '../errors';
import { isOpen, makeGrant, useGrant } from '../grant/grant';
import { serverLog } from '../log';
import { hashPassword, isPassword, passwordFault } from '../password';
import * as accounts from '../store/account';
import {
  findCandidate,
  findCandidateOfAccount,
  setCandidateAccount,
  EMPTY_TIME,
  addCandidate
} from '../store/candidate';
import { studioKey } from '../studio-key';
import { hashToken, newToken } from '../token';
import { holderOf, useCase, waitingUseCase } from './use-case';

const DAY_MS = 86_400_000;
export const SESSION_MS = 30 * DAY_MS;
/** Not used for so long, a session has ended (judgement). */
const IDLE_MS = 7 * DAY_MS;
/** When a session was used is written down this often: not with every page. */
const NOTED_MS = 3_600_000;
/** A device that was not used for so long is a stranger again; browsers keep no cookie for longer. */
export const DEVICE_MS = 400 * DAY_MS;
const ATTEMPT_WINDOW_MS = 15 * 60_000;
/** A forgotten password takes a few tries; a guessed one takes thousands (judgement). */
const MOST_ATTEMPTS = 8;
/** From all addresses together, before only devices are let try that have signed in before (judgement). */
const MOST_FROM_ANYWHERE = 5 * MOST_ATTEMPTS;

function openSession(app: App, accountId: string, device: string): string {
  const token = newToken();
  const [nowMs, tokenHash] = [app.now(), hashToken(token)];
  accounts.sweepSessions(app.db, nowMs, nowMs - IDLE_MS);
  const times = { createdAtMs: nowMs, usedAtMs: nowMs, expiresAtMs: nowMs + SESSION_MS };
  accounts.addSession(app.db, { tokenHash, accountId, device: device.slice(0, 80), ...times });
  serverLog.info({ accountId }, 'signed in');
  return token;
}

function refuseWeak(password: string, own: readonly string[]): void {
  const fault = passwordFault(password, own);
  if (fault) throw new CodedError('password-weak', fault);
}

/** Whether the studio still waits for its teacher. */
export const isNewStudio = useCase({
  rule: 'anyone',
  run: (app: App) => accounts.findTeacher(app.db) === undefined
});

/** Whether whoever has this studio prepares alone: who is at its door has no teacher to ask. */
export const isPreparedAlone = useCase({
  rule: 'anyone',
  run: (app: App): boolean => {
    const teacher = accounts.findTeacher(app.db);
    return teacher !== undefined && findCandidateOfAccount(app.db, teacher.id) !== undefined;
  }
});

type NewAccount = { login: string; password: string; device: string };

/** The first account, a teacher's, or of somebody who prepares alone and is the one candidate too; signs in. Only while there is none. Returns the session's token. */
export const createTeacher = waitingUseCase({
  rule: 'anyone',
  run: async (
    app: App,
    { name, login, password, device, alone }: NewAccount & { name: string; alone?: Alone | undefined }
  ) => {
    if (accounts.findTeacher(app.db)) throw new CodedError('studio-has-teacher');
    refuseWeak(password, [name, login]);
    const passwordHash = await hashPassword(password);
    return app.db.transaction(() => {
      if (accounts.findTeacher(app.db)) throw new CodedError('studio-has-teacher');
      const id = app.newId();
      const row = { id, role: 'teacher' as const, name, login, password_hash: passwordHash };
      accounts.addAccount(app.db, row, app.now());
      if (alone) {
        const candidateId = app.newId();
        const own = { id: candidateId, name, ...alone, isMinor: false, time: EMPTY_TIME };
        addCandidate(app.db, own, app.now());
        setCandidateAccount(app.db, candidateId, id);
      }
      return openSession(app, id, device);
    })();
  }
});

/** What the one candidate plays, and where. */
type Alone = { readonly instruments: string; readonly zone: string };

type Attempt = {
  login: string;
  password: string;
  /** Where it comes from. */
  address: string;
  device: string;
  /** The secret of a device that has signed in before, where it has one. */
  knownDevice: string | undefined;
};

/** Signs in. Returns the session's token, and the secret by which this device is known again. */
export const signIn = waitingUseCase({
  rule: 'anyone',
  run: async (app: App, { login, password, address, device, knownDevice }: Attempt) => {
    const account = accounts.findLogin(app.db, login);
    const isKnown =
      account !== undefined &&
      knownDevice !== undefined &&
      accounts.isKnownDevice(app.db, hashToken(knownDevice), account.id);
    const keys = attemptKeys(login, address, isKnown ? hashToken(knownDevice!) : null);
    const since = app.now() - ATTEMPT_WINDOW_MS;
    if (keys.some(({ key, most }) => accounts.countAttempts(app.db, key, since) >= most)) {
      serverLog.warn({ accountId: account?.id ?? null }, 'too many attempts to sign in');
      throw new CodedError('too-many-attempts');
    }
    const at = app.now();
    accounts.sweepAttempts(app.db, since);
    for (const { key } of keys) accounts.addAttempt(app.db, key, at);
    const isRight = await isPassword(account?.password_hash, password);
    if (!account || !isRight) {
      serverLog.warn({ accountId: account?.id ?? null }, 'wrong sign-in');
      throw new CodedError('wrong-sign-in');
    }
    accounts.dropAttempts(app.db, keys[0]!.key);
    for (const { key } of keys.slice(1)) accounts.takeBackAttempt(app.db, key, at);
    const known = isKnown ? knownDevice! : newToken();
    accounts.sweepKnownDevices(app.db, at - DEVICE_MS);
    accounts.putKnownDevice(app.db, hashToken(known), account.id, at);
    return { session: openSession(app, account.id, device), knownDevice: known };
  }
});

/**
 * What is counted: tries of this name from this address, all from this address, and of this name from anywhere. A device that has signed
 * in before is counted by itself, so that whoever guesses elsewhere does not lock it out.
 */
function attemptKeys(login: string, address: string, knownHash: string | null) {
  const name = login.toLowerCase();
  if (knownHash) return [{ key: `device ${knownHash}`, most: MOST_ATTEMPTS }];
  return [
    { key: `login ${name} from ${address}`, most: MOST_ATTEMPTS },
    { key: `address ${address}`, most: 4 * MOST_ATTEMPTS },
    { key: `login ${name}`, most: MOST_FROM_ANYWHERE }
  ];
}

export const signOut = useCase({
  rule: 'anyone',
  run: (app: App, input: { token: string }) => void accounts.dropSession(app.db, hashToken(input.token))
});

/** Who a session's token belongs to; nobody where it is unknown, too old or long unused. */
export const readSession = useCase({
  rule: 'anyone',
  run: (app: App, input: { token: string }): Person => {
    const session = accounts.findSession(app.db, hashToken(input.token));
    const nowMs = app.now();
    if (!session || session.expiresAtMs <= nowMs || session.usedAtMs + IDLE_MS <= nowMs) return NOBODY;
    const account = accounts.findAccount(app.db, session.accountId);
    if (!account) return NOBODY;
    const candidate = findCandidateOfAccount(app.db, account.id);
    if (account.role === 'teacher')
      return { kind: 'teacher', accountId: account.id, name: account.name, plays: candidate?.id };
    if (!candidate) return NOBODY;
    const { id: candidateId, name, archivedAtMs } = candidate;
    const isPutAway = archivedAtMs !== null;
    return { kind: 'candidate', accountId: account.id, candidateId, name, isPutAway };
  }
});

/** Notes that a session is used, a few times a day. Throws CodedError "disk-full", which need not keep anybody from reading. */
export const noteSession = useCase({
  rule: 'anyone',
  run: (app: App, input: { token: string }) => {
    const session = accounts.findSession(app.db, hashToken(input.token));
    if (session && session.usedAtMs + NOTED_MS <= app.now())
      accounts.useSession(app.db, session.tokenHash, app.now());
  }
});

/** Whose account it is; CodedError "not-signed-in" for nobody. */
function accountOf(who: Who): string {
  if (who.kind === 'nobody' || who.kind === 'holder') throw new CodedError('not-signed-in');
  return who.accountId;
}

/** A session's public name: enough to end it, and no way into it. */
const handleOf = (tokenHash: string) => tokenHash.slice(0, 12);

/** Where one is signed in, latest used first. `token` is this session's. */
export const readSessions = useCase({
  rule: 'self',
  run: (app: App, input: { token: string }, who: Who) => {
    const accountId = accountOf(who);
    const here = hashToken(input.token);
    return {
      login: orNotFound(accounts.findAccount(app.db, accountId)).login,
      sessions: accounts
        .sessionsOf(app.db, accountId)
        .map(({ tokenHash, createdAtMs, usedAtMs, device }) => ({
          handle: handleOf(tokenHash),
          isHere: tokenHash === here,
          createdAtMs,
          usedAtMs,
          device
        }))
    };
  }
});

export const endSession = useCase({
  rule: 'self',
  run: (app: App, input: { handle: string }, who: Who) => {
    const session = accounts
      .sessionsOf(app.db, accountOf(who))
      .find(({ tokenHash }) => handleOf(tokenHash) === input.handle);
    accounts.dropSession(app.db, orNotFound(session).tokenHash);
  }
});

/** Changes one's own password; every other session of the account ends, and so does what is known of other devices. */
export const changePassword = waitingUseCase({
  rule: 'self',
  run: async (app: App, input: { token: string; present: string; password: string }, who: Who) => {
    const account = orNotFound(accounts.findAccount(app.db, accountOf(who)));
    const key = `password ${account.id}`;
    const since = app.now() - ATTEMPT_WINDOW_MS;
    if (accounts.countAttempts(app.db, key, since) >= MOST_ATTEMPTS)
      throw new CodedError('too-many-attempts');
    accounts.addAttempt(app.db, key, app.now());
    if (!(await isPassword(account.password_hash, input.present)))
      throw new CodedError('wrong-sign-in', 'That is not your present password.');
    refuseWeak(input.password, [account.name, account.login]);
    const passwordHash = await hashPassword(input.password);
    app.db.transaction(() => {
      accounts.setPasswordHash(app.db, account.id, passwordHash);
      accounts.dropOtherSessions(app.db, account.id, hashToken(input.token));
      accounts.dropKnownDevices(app.db, account.id);
      accounts.dropAttempts(app.db, key);
    })();
    serverLog.info({ accountId: account.id }, 'password changed');
  }
});

/** The key under which what somebody has typed is kept on a device until it is saved: their own, and the same on every device. */
export const readDraftKey = useCase({
  rule: 'self',
  run: (app: App, _input: Record<string, never>, who: Who) => {
    return createHmac('sha256', studioKey(app, 'drafts')).update(accountOf(who)).digest('base64url');
  }
});

/** A fresh one-time token with which a candidate sets a password; earlier ones no longer work. */
export const makeJoinLink = useCase({
  rule: 'teacher',
  run: (app: App, { candidateId }: { candidateId: string }) => {
    orNotFound(findCandidate(app.db, candidateId));
    return makeGrant(app, 'join', { candidateId, opensId: candidateId });
  }
});

/** Whose link it is, and the sign-in name they have already. */
export const readJoinLink = useCase({
  rule: 'holder',
  grant: 'join',
  run: (app: App, _input: Record<string, never>, who: Who) => {
    const { name, accountId } = orNotFound(findCandidate(app.db, holderOf(who).candidateId));
    const login = accountId ? accounts.findAccount(app.db, accountId)?.login : undefined;
    return { name, login: login ?? '' };
  }
});

/** Sets the candidate's sign-in, uses the link up, ends older sessions, and signs in. */
export const acceptJoinLink = waitingUseCase({
  rule: 'holder',
  grant: 'join',
  run: async (app: App, { login, password, device }: NewAccount, who: Who) => {
    const holder = holderOf(who);
    const { name } = orNotFound(findCandidate(app.db, holder.candidateId));
    refuseWeak(password, [name, login]);
    const passwordHash = await hashPassword(password);
    return app.db.transaction(() => {
      // another may have used it while the password was hashed
      if (!isOpen(app, holder)) throw new CodedError('link-spent');
      const candidate = orNotFound(findCandidate(app.db, holder.candidateId));
      const taken = accounts.findLogin(app.db, login);
      if (taken && taken.id !== candidate.accountId) throw new CodedError('login-taken');
      const id = candidate.accountId ?? app.newId();
      if (candidate.accountId) {
        accounts.setSignIn(app.db, id, login, passwordHash);
        accounts.dropSessionsOf(app.db, id);
        accounts.dropKnownDevices(app.db, id);
      } else {
        const row = { id, role: 'candidate' as const, name, login, password_hash: passwordHash };
        accounts.addAccount(app.db, row, app.now());
        setCandidateAccount(app.db, candidate.id, id);
      }
      useGrant(app, holder);
      return openSession(app, id, device);
    })();
  }
});

/** The demo's one click, as the teacher or as a candidate. */
export const enterDemo = useCase({
  rule: 'anyone',
  run: (app: App, input: { candidateId?: string | undefined; device: string }) => {
    if (!app.isDemo) throw new CodedError('demo-only');
    const accountId = input.candidateId
      ? findCandidate(app.db, input.candidateId)?.accountId
      : accounts.findTeacher(app.db)?.id;
    return openSession(app, orNotFound(accountId), input.device);
  }
});

/**
 * What a link or a secret address lets its holder do: one rule for each kind, one way to make, read, use and end them. Tokens are 256
 * random bits and known to their holder alone.
 */
import type { App, Holder } from '../app';
import { CodedError } from '../errors';
import * as grants from '../store/grant';
import { hashToken, newToken } from '../token';

const DAY_MS = 86_400_000;

export type GrantKind = Holder['grant'];

/** `lastsMs` and `uses`: null is without end. A new one ends those before it that open the same. */
const RULES: Record<GrantKind, { lastsMs: number | null; uses: number | null }> = {
  /** Sets a candidate's sign-in; opens the candidate. */
  join: { lastsMs: 14 * DAY_MS, uses: 1 },
  /** Reads one calendar, again and again; opens the audition. */
  feed: { lastsMs: null, uses: null },
  /** Reads a candidate's week, again and again; opens the candidate. */
  guardian: { lastsMs: 180 * DAY_MS, uses: null },
  /** Reads what a lesson needs, up to a day that is said; opens the candidate. */
  substitute: { lastsMs: 60 * DAY_MS, uses: null },
  /** Hears one take, and says something of it; opens the take. */
  listener: { lastsMs: 14 * DAY_MS, uses: null },
  /** Writes one ballot of one mock, from when it is made until two days after the mock; opens the juror. */
  juror: { lastsMs: 400 * DAY_MS, uses: null }
};

type Opening = {
  readonly candidateId: string;
  readonly opensId: string;
  /** Where it ends before its kind does. */
  readonly endsMs?: number | undefined;
};

/** Whether a link of that kind could last so long: up to an instant. */
export function lastsUntil(app: App, kind: GrantKind, endsMs: number): boolean {
  const { lastsMs } = RULES[kind];
  return lastsMs === null || endsMs <= app.now() + lastsMs;
}

/** Returns the token, which is shown once. */
export function makeGrant(app: App, kind: GrantKind, { candidateId, opensId, endsMs }: Opening): string {
  const token = newToken();
  const { lastsMs, uses } = RULES[kind];
  const nowMs = app.now();
  grants.sweepGrants(app.db, nowMs);
  grants.dropGrants(app.db, kind, opensId);
  grants.addGrant(app.db, {
    tokenHash: hashToken(token),
    kind,
    candidateId,
    opensId,
    madeAtMs: nowMs,
    expiresAtMs: lastsMs === null ? null : Math.min(nowMs + lastsMs, endsMs ?? Infinity),
    usesLeft: uses
  });
  return token;
}

/** Who holds a token. Throws CodedError "link-spent" where it opens nothing (any more). */
export function readHolder(app: App, kind: GrantKind, token: string): Holder {
  const grant = grants.findGrant(app.db, kind, hashToken(token), app.now());
  if (!grant) throw new CodedError('link-spent');
  const { tokenHash, candidateId, opensId } = grant;
  return { kind: 'holder', grant: kind, tokenHash, candidateId, opensId };
}

/** Whether what was opened a while ago would open still. */
export const isOpen = (app: App, { grant, tokenHash }: Holder) =>
  grants.findGrant(app.db, grant, tokenHash, app.now()) !== undefined;

/** The device on which what it opens is written; null before it was written anywhere. */
export const deviceOfGrant = (app: App, { grant, tokenHash }: Holder): string | null =>
  grants.findGrant(app.db, grant, tokenHash, app.now())?.device ?? null;
export const moveGrant = (app: App, { tokenHash }: Holder, device: string) =>
  void grants.setGrantDevice(app.db, tokenHash, device);

/** One use of it is gone; what has none left opens nothing any more. */
export const useGrant = (app: App, { tokenHash }: Holder) => void grants.useGrant(app.db, tokenHash);

/** What is open ends at another instant. */
export const moveGrantEnd = (app: App, kind: GrantKind, opensId: string, endsMs: number) =>
  void grants.setGrantEnd(app.db, kind, opensId, endsMs);

/** What is open is somebody else's from now on, and stays when the one it was made for goes. */
export const giveGrant = (app: App, kind: GrantKind, opensId: string, candidateId: string) =>
  void grants.setGrantCandidate(app.db, kind, opensId, candidateId);

export const endGrants = (app: App, kind: GrantKind, opensId: string) =>
  void grants.dropGrants(app.db, kind, opensId);

/** All of a kind that are about one candidate. */
export const endGrantsOf = (app: App, kind: GrantKind, candidateId: string) =>
  void grants.dropGrantsOf(app.db, kind, candidateId);

export const hasGrant = (app: App, kind: GrantKind, opensId: string) =>
  grants.hasGrant(app.db, kind, opensId);

/** The instant at which what is open now ends; null where nothing is, or it has no end. */
export const grantEndsMs = (app: App, kind: GrantKind, opensId: string): number | null =>
  grants.grantEndsMs(app.db, kind, opensId, app.now());

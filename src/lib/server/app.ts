/**
 * What a use case works with: the database, the clock and ids, and who asks. Everything comes in here, so that a
 * test or the demo can put its own clock in.
 */
import { randomUUID } from 'node:crypto';
import { dayInZone } from '../core/units/zone';
import { formatDate } from '../core/units';
import type { Db } from './db/open';

export type App = {
  readonly db: Db;
  /** Milliseconds since 1970-01-01T00:00Z. */
  readonly now: () => number;
  readonly newId: () => string;
  readonly isDemo: boolean;
  /** Says that plans wait to be laid in the background. */
  readonly layLater: () => void;
  /** Folder of what is too large for the database; empty where there is none. */
  readonly files: string;
};

/** Somebody with an account, or nobody. */
export type Person =
  | { readonly kind: 'nobody' }
  | {
      readonly kind: 'teacher';
      readonly accountId: string;
      readonly name: string;
      /** Who prepares alone is teacher and candidate in one: id of the candidate. */
      readonly plays?: string | undefined;
    }
  | {
      readonly kind: 'candidate';
      readonly accountId: string;
      readonly candidateId: string;
      readonly name: string;
      /** Off the teacher's first page: reads on, and changes nothing. */
      readonly isPutAway: boolean;
    };

/** Whoever has a link or a secret address (grant/): what it opens is all they may. */
export type Holder = {
  readonly kind: 'holder';
  readonly grant: 'join' | 'feed' | 'guardian' | 'substitute' | 'listener' | 'juror';
  readonly tokenHash: string;
  readonly candidateId: string;
  /** Id of what it opens, as its kind names it. */
  readonly opensId: string;
};

export type Who = Person | Holder;

/** Whether somebody hears another play. */
export const isTeaching = (who: Who): boolean => who.kind === 'teacher' && who.plays === undefined;

export const NOBODY: Person = { kind: 'nobody' };

export function makeApp(
  db: Db,
  now: () => number = Date.now,
  isDemo = false,
  layLater: () => void = () => {},
  files = ''
): App {
  return { db, now, isDemo, layLater, files, newId: () => randomUUID() };
}

/** Today's civil date in a zone, YYYY-MM-DD. */
export function todayIn(app: App, zone: string): string {
  return formatDate(dayInZone(app.now(), zone));
}

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
};

export type Who =
  | { readonly kind: 'nobody' }
  | { readonly kind: 'teacher'; readonly accountId: string; readonly name: string }
  | {
      readonly kind: 'candidate';
      readonly accountId: string;
      readonly candidateId: string;
      readonly name: string;
      /** Off the teacher's first page: reads on, and changes nothing. */
      readonly isPutAway: boolean;
    };

export const NOBODY: Who = { kind: 'nobody' };

export function makeApp(
  db: Db,
  now: () => number = Date.now,
  isDemo = false,
  layLater: () => void = () => {}
): App {
  return { db, now, isDemo, layLater, newId: () => randomUUID() };
}

/** Today's civil date in a zone, YYYY-MM-DD. */
export function todayIn(app: App, zone: string): string {
  return formatDate(dayInZone(app.now(), zone));
}

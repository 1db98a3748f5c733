/**
 * The one way anything of a season is changed: what a change puts where is written, the plans it touches are laid once, and what stood
 * there before is kept for a day, so that it can be taken back. The same change twice is once. Taking back is refused where what was left
 * is not what is there, so that nobody's later work goes with it.
 */
import { createHash, createHmac } from 'node:crypto';
import type { SeasonRequest } from '../../core/season';
import type { App } from '../app';
import { noteRollback } from '../db/open';
import { CodedError, orNotFound } from '../errors';
import { layAgain, layCandidate, layForTakers } from '../laying/lay';
import { candidateOfChange, findChange, putChange, settleChange } from '../store/change';
import { latestVersion } from '../store/plan-version';
import { studioKey } from '../studio-key';
import { hashToken } from '../token';
import { type Edit, placeOf } from './places';

export type Change = {
  /** Made by whoever acts; without one it is a change that is not sent twice. */
  readonly id?: string | undefined;
  /** Whose it is. */
  readonly candidateId: string;
  /** Carried out in this order, all or none. */
  readonly edits: readonly Edit[];
  /** What people read in the list of layings. */
  readonly cause: string;
  /** The audition whose agreed dates come back with it when it is taken back: with the facts they give the plan that was there. */
  readonly agreedOf?: string | undefined;
};

type Agreed = { readonly auditionId: string; readonly dates: SeasonRequest['previous'] };
type Before = { readonly edits: readonly Edit[]; readonly agreed: Agreed | null };

/** Call in a transaction. Returns the secret by which it can be taken back. Throws CodedError where something cannot be kept. */
export function applyChange(app: App, change: Change): string {
  const { id = app.newId(), candidateId, edits, agreedOf } = change;
  const token = createHmac('sha256', studioKey(app, 'changes')).update(id).digest('base64url');
  const made = candidateOfChange(app.db, id);
  if (made !== undefined && made !== candidateId) throw new CodedError('not-allowed');
  if (made !== undefined) return token;
  const before: Before = {
    edits: edits.map((edit) => readPlace(app, edit)),
    agreed: agreedOf ? { auditionId: agreedOf, dates: latestVersion(app.db, agreedOf)?.plan.agreed } : null
  };
  carryOut(app, change);
  putChange(
    app.db,
    { id, tokenHash: hashToken(token), candidateId, before, left: digestOf(app, before) },
    app.now()
  );
  return token;
}

/** Writes and lays; nothing is kept of what was there. For what is as easily done the other way round. */
export function carryOut(app: App, { edits, cause }: Pick<Change, 'edits' | 'cause'>, agreed?: Agreed): void {
  for (const edit of edits) placeOf(edit).write(app, edit.about, edit.to);
  lay(app, edits, cause, agreed);
}

function lay(app: App, edits: readonly Edit[], cause: string, agreed?: Agreed): void {
  const done = new Set<string>();
  if (agreed) layAgain(app, agreed.auditionId, cause, agreed.dates);
  for (const edit of edits) {
    const touched = placeOf(edit).touches(app, edit.about);
    const key = JSON.stringify(touched);
    if (!touched || done.size === done.add(key).size) continue;
    if ('callId' in touched) layForTakers(app, touched.callId, cause);
    else if ('candidateId' in touched) layCandidate(app, touched.candidateId, cause);
    else layAgain(app, touched.auditionId, cause);
  }
}

/** What stands where an edit puts something, as an edit that puts it back. */
function readPlace(app: App, edit: Edit): Edit {
  return { ...edit, to: orNotFoundUnlessNull(placeOf(edit).read(app, edit.about)) } as Edit;
}
const orNotFoundUnlessNull = (state: unknown) => (state === null ? null : orNotFound(state));

/** Of what is there now, where the edits put something. */
function digestOf(app: App, { edits }: Before): string {
  const states = edits.map((edit) => placeOf(edit).read(app, edit.about) ?? null);
  return createHash('sha256').update(JSON.stringify(states)).digest('base64url');
}

/** A change that can be taken back; undefined where there is none, or no longer. */
export function findStep(app: App, token: string) {
  const change = findChange(app.db, hashToken(token), app.now());
  return change && { ...change, before: change.before as Before };
}

/** Call in a transaction. Throws CodedError "changed-since" where somebody has changed it again. */
export function takeBackChange(
  app: App,
  { id, before, left }: NonNullable<ReturnType<typeof findStep>>
): void {
  if (digestOf(app, before) !== left) throw new CodedError('changed-since');
  carryOut(app, { edits: before.edits, cause: 'changes taken back' }, before.agreed ?? undefined);
  settleChange(app.db, id);
}

const ROLLED_BACK = Symbol('rolled back');

/** What would be there if it were done: done, read and undone at once, so that nothing of it is ever seen. */
export function tryOut<T>(app: App, run: () => T): T {
  let seen: { readonly value: T } | null = null;
  try {
    app.db.transaction(() => {
      seen = { value: run() };
      throw ROLLED_BACK;
    })();
  } catch (thrown) {
    if (thrown !== ROLLED_BACK) throw thrown;
  } finally {
    noteRollback(app.db);
  }
  return seen!.value;
}

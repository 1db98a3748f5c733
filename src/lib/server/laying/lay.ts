/**
 * Lays plans when facts have changed, and keeps each laying with what moved. The thinking is core/season's. All auditions of a candidate
 * that have a round ahead are laid as one, once, and described for each.
 */
import { createHash } from 'node:crypto';
import {
  type SeasonPlan,
  type SeasonRequest,
  type ToLay,
  agreedOf,
  compareLayings,
  layForEach,
  toLay,
  viewOf
} from '../../core/season';
import { type App, todayIn } from '../app';
import { orNotFound } from '../errors';
import { type Audition, agreedElsewhere, auditionsOf, findAudition, takersOf } from '../store/audition';
import { findCandidate } from '../store/candidate';
import { type PlanVersion, latestVersion, putVersion } from '../store/plan-version';
import { type Season, readSeason } from './facts';
import { hasWork } from './plan';

/** What is to be laid, and for whom it is kept. */
export type Task = ToLay & { readonly digest: string };

type Agreed = SeasonRequest['previous'];

/** Null where there is nothing to plan, or its plan was laid from these very facts. What was agreed is the latest laying's, unless given. */
export function readTask(app: App, auditionId: string, agreed?: Agreed): Task | null {
  const season = readSeason(app, auditionId);
  if (!hasWork(season)) return null;
  const digest = digestOf(season);
  if (latestVersion(app.db, auditionId)?.factsDigest === digest) return null;
  return { ...toLay(season, agreed ?? agreedOf(season, (id) => agreedBefore(app, id))), digest };
}

/** What the latest plan of an audition agreed, or an archive it came from. */
export const agreedBefore = (app: App, auditionId: string): Agreed =>
  latestVersion(app.db, auditionId)?.plan.agreed ?? agreedElsewhere(app.db, auditionId) ?? undefined;

/** Keeps what was laid as each audition's next laying. */
export function keepPlans(app: App, task: Task, plans: readonly SeasonPlan[], cause: string): void {
  task.auditions.forEach(({ id, names }, i) => {
    const plan = names ? viewOf(plans[i]!, names) : plans[i]!;
    keepLaying(app, id, plan, { digest: task.digest, cause });
  });
}

/** Ids of the auditions whose plan was laid. */
function lay(app: App, auditionId: string, cause: string, agreed?: Agreed): string[] {
  const task = readTask(app, auditionId, agreed);
  if (!task) return [];
  const rounds = task.auditions.map(({ countsDownTo }) => countsDownTo);
  keepPlans(app, task, layForEach(task.request, rounds), cause);
  return task.auditions.map(({ id }) => id);
}

/** An audition's plan and those its facts are lent to: all of the candidate's with a round ahead. `cause` is what people read. */
export function layAgain(app: App, auditionId: string, cause: string, agreed?: Agreed): PlanVersion | null {
  const { candidateId } = orNotFound(findAudition(app.db, auditionId));
  const laid = lay(app, auditionId, cause, agreed);
  layAhead(app, candidateId, cause, new Set([auditionId, ...laid]));
  return hasWork(readSeason(app, auditionId)) ? (latestVersion(app.db, auditionId) ?? null) : null;
}

/** Every plan of a candidate with a round ahead. */
export const layCandidate = (app: App, candidateId: string, cause: string) =>
  layAhead(app, candidateId, cause, new Set());

function layAhead(app: App, candidateId: string, cause: string, done: Set<string>): void {
  const { zone } = orNotFound(findCandidate(app.db, candidateId));
  const today = todayIn(app, zone);
  for (const audition of auditionsOf(app.db, candidateId))
    if (!done.has(audition.id) && isAhead(audition, today))
      for (const id of lay(app, audition.id, cause)) done.add(id);
}

/** The plan of everyone who took a call. */
export function layForTakers(app: App, callId: string, cause: string): void {
  for (const { auditionId } of takersOf(app.db, callId)) layAgain(app, auditionId, cause);
}

const isAhead = ({ rounds }: Audition, today: string) => rounds.some((round) => round.date >= today);

/** The audition's next laying, or in place of the last where nothing dated moved. */
function keepLaying(
  app: App,
  auditionId: string,
  plan: SeasonPlan,
  { digest: factsDigest, cause }: { readonly digest: string; readonly cause: string }
): void {
  const before = latestVersion(app.db, auditionId);
  const moves = before ? compareLayings(before.plan, plan) : [];
  const isSame =
    before !== undefined && moves.length === 0 && before.plan.short?.minutes === plan.short?.minutes;
  const next = {
    number: (before?.number ?? 0) + 1,
    laidOn: plan.today,
    laidAtMs: app.now(),
    cause,
    factsDigest,
    plan,
    moves
  };
  putVersion(app.db, auditionId, isSame ? { ...before, factsDigest, plan } : next);
}

/** The same for each of several auditions laid as one. A touch never changes: its id stands for it. */
export function digestOf({ request, joint }: Pick<Season, 'request' | 'joint'>): string {
  const facts = joint ? joint.request : request;
  return createHash('sha256')
    .update(JSON.stringify({ ...facts, log: facts.log.map((touch) => touch.id) }))
    .digest('base64url');
}

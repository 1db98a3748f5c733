/**
 * Lays plans when facts have changed, and keeps each laying with what moved. The thinking is core/season's. All auditions of a candidate
 * that have a round ahead are laid as one, once, and described for each.
 */
import { createHash } from 'node:crypto';
import {
  type Names,
  type SeasonPlan,
  type SeasonRequest,
  agreedAbout,
  compareLayings,
  layForEach,
  namesFor,
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
export type Task = {
  readonly request: SeasonRequest;
  /** Of each audition, what it calls the items where several are laid as one, and the ids of its rounds. */
  readonly auditions: readonly {
    readonly id: string;
    readonly names: Names | null;
    readonly countsDownTo: NonNullable<SeasonRequest['countsDownTo']>;
  }[];
  readonly digest: string;
};

type Agreed = SeasonRequest['previous'];

/** Null where there is nothing to plan, or its plan was laid from these very facts. What was agreed is the latest laying's, unless given. */
export function readTask(app: App, auditionId: string, agreed?: Agreed): Task | null {
  const season = readSeason(app, auditionId);
  if (!hasWork(season)) return null;
  const digest = digestOf(season);
  if (latestVersion(app.db, auditionId)?.factsDigest === digest) return null;
  const { joint, request } = season;
  const idsOf = ({ rounds }: Pick<SeasonRequest, 'rounds'>) => rounds.map((round) => round.id);
  const auditions = joint
    ? joint.live.map(({ auditionId: id, request: own }) => ({
        id,
        names: namesFor(joint, id),
        countsDownTo: idsOf(own)
      }))
    : [{ id: auditionId, names: null, countsDownTo: idsOf(request) }];
  return { request: { ...request, previous: agreed ?? agreedOf(app, season) }, auditions, digest };
}

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

/** What was agreed: of several auditions each one's own, so that one that joins brings its dates along. */
function agreedOf(app: App, { audition, joint }: Season): Agreed {
  const agreedBefore = (id: string) =>
    latestVersion(app.db, id)?.plan.agreed ?? agreedElsewhere(app.db, id) ?? undefined;
  if (!joint) return agreedBefore(audition.id);
  const all = joint.live.flatMap((part) => {
    const agreed = agreedBefore(part.auditionId);
    if (!agreed) return [];
    const own = new Set(part.request.items.map((item) => item.id).filter((id) => !joint.twins.has(id)));
    const items = joint.request.items.filter((item) => own.has(item.id));
    return [agreedAbout(agreed, items)];
  });
  return all.length === 0
    ? undefined
    : {
        ground: all.every((a) => a.ground === all[0]!.ground) ? all[0]!.ground : undefined,
        carried: all.flatMap((a) => a.carried),
        rungs: all.flatMap((a) => a.rungs),
        allotments: all.flatMap((a) => a.allotments)
      };
}

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

/** Plans that are not of today: their day has turned, or they were taken in from elsewhere and never laid here. */
import { type App, todayIn } from '../app';
import { type Audition, auditionsOf, findAudition } from '../store/audition';
import { findCandidate, listCandidates } from '../store/candidate';
import { itemCount } from '../store/item';
import { latestVersion, putVersion, summaryOf } from '../store/plan-version';
import { type Task, keepPlans, readTask } from './lay';

/** A season that is over is laid once more on the day after, and then no more. */
function isBehind(app: App, audition: Audition, today: string): boolean {
  const last = audition.rounds.at(-1)?.date;
  if (last === undefined || itemCount(app.db, audition.id) === 0) return false;
  const laidFor = summaryOf(app.db, audition.id)?.today;
  return laidFor === undefined || (laidFor < today && laidFor <= last);
}

/** Whether an audition's plan waits to be laid; false where there is no such audition. */
export function isWaiting(app: App, auditionId: string): boolean {
  const audition = findAudition(app.db, auditionId);
  const candidate = audition && findCandidate(app.db, audition.candidateId);
  return candidate !== undefined && isBehind(app, audition!, todayIn(app, candidate.zone));
}

/** An audition whose plan waits, of a candidate who is not put away, beside those given; null where there is none. */
export function findWaiting(app: App, beside: ReadonlySet<string> = new Set()): string | null {
  for (const candidate of listCandidates(app.db)) {
    if (candidate.archivedAtMs !== null) continue;
    const today = todayIn(app, candidate.zone);
    const waits = auditionsOf(app.db, candidate.id).find(
      (audition) => !beside.has(audition.id) && isBehind(app, audition, today)
    );
    if (waits) return waits.id;
  }
  return null;
}

/** What is to be laid for a plan that waits; null where its facts are those it was laid from. */
export function readWaiting(app: App, auditionId: string): Task | null {
  const task = readTask(app, auditionId);
  const latest = latestVersion(app.db, auditionId);
  // laid by an earlier program, it says nothing of itself yet
  if (!task && latest && !summaryOf(app.db, auditionId)) putVersion(app.db, auditionId, latest);
  return task;
}

/** Keeps what was laid for a plan that waits. False where its facts have changed meanwhile: it was laid with that change, or waits again. */
export function keepWaiting(
  app: App,
  auditionId: string,
  task: Task,
  plans: Parameters<typeof keepPlans>[2]
): boolean {
  return app.db.transaction(() => {
    if (readTask(app, auditionId)?.digest !== task.digest) return false;
    const cause = latestVersion(app.db, auditionId) ? 'a new day' : 'archive taken in';
    keepPlans(app, task, plans, cause);
    return true;
  })();
}

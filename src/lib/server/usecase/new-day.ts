/** Plans that wait are laid before anybody asks for them, one at a time: those of a new day, and those taken in from elsewhere. */
import { type App, todayIn } from '../app';
import { auditionsOf } from '../store/audition';
import { listCandidates } from '../store/candidate';
import { latestVersion, putVersion, summaryOf } from '../store/plan-version';
import { NEW_DAY, layAgain } from './current-plan';

/** Lays one plan with a round ahead that was laid for an earlier day or not at all. False where there is none left. */
export function layNextStale(app: App): boolean {
  for (const candidate of listCandidates(app.db)) {
    if (candidate.archivedAtMs !== null) continue;
    const today = todayIn(app, candidate.zone);
    for (const audition of auditionsOf(app.db, candidate.id)) {
      const summary = summaryOf(app.db, audition.id);
      const isLaid = summary !== null && summary.today >= today;
      if (isLaid || !audition.rounds.some((r) => r.date >= today)) continue;
      const cause = summary || latestVersion(app.db, audition.id) ? NEW_DAY : 'archive taken in';
      const laid = app.db.transaction(() => layAgain(app, audition.id, cause))();
      if (!laid) continue;
      // laid by an earlier program, it says nothing of itself yet
      if (!summaryOf(app.db, audition.id)) putVersion(app.db, audition.id, laid);
      return true;
    }
  }
  return false;
}

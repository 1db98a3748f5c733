/** The new day: plans of candidates whose date has turned are laid before anybody asks for them, one at a time. */
import { type App, todayIn } from '../app';
import { auditionsOf } from '../store/audition';
import { listCandidates } from '../store/candidate';
import { summaryOf } from '../store/plan-version';
import { NEW_DAY, layAgain } from './current-plan';

/** Lays one plan that was laid for an earlier day and has a round ahead. False where there is none left. */
export function layNextStale(app: App): boolean {
  for (const candidate of listCandidates(app.db)) {
    if (candidate.archivedAtMs !== null) continue;
    const today = todayIn(app, candidate.zone);
    for (const audition of auditionsOf(app.db, candidate.id)) {
      const summary = summaryOf(app.db, audition.id);
      if (!summary || summary.today >= today || !audition.rounds.some((r) => r.date >= today)) continue;
      app.db.transaction(() => layAgain(app, audition.id, NEW_DAY))();
      return true;
    }
  }
  return false;
}

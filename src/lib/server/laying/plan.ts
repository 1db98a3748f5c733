/** The plan as it stands: the latest laying. Reading it lays nothing; that is lay.ts's, when facts or the day have changed. */
import type { App } from '../app';
import { type PlanVersion, latestVersion } from '../store/plan-version';
import type { Season } from './facts';

/** Null while there is nothing to plan, or it was not laid yet. */
export function planOf(app: App, season: Pick<Season, 'own' | 'audition'>): PlanVersion | null {
  return hasWork(season) ? (latestVersion(app.db, season.audition.id) ?? null) : null;
}

/** Whether there is anything to plan. */
export const hasWork = ({ own }: Pick<Season, 'own'>) => own.items.length > 0 && own.rounds.length > 0;

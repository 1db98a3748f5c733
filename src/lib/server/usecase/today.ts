/** The plan as the day has it, with what was changed of today by hand. */
import { readDeskDay } from '../../core/practice';
import { type SeasonPlan, followDay } from '../../core/season';
import type { App } from '../app';
import type { Season } from '../laying/facts';
import { planOf } from '../laying/plan';
import { deskEventsOf } from '../store/desk-event';

/** Null where there is none yet. */
export function planOfToday(app: App, season: Season): SeasonPlan | null {
  const plan = planOf(app, season)?.plan;
  if (!plan) return null;
  const { today } = season.own;
  return followDay(plan, readDeskDay(deskEventsOf(app.db, season.candidate.id, today), today));
}

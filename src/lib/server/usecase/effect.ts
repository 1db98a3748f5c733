/** What changed facts would do to one candidate's plan; nothing is saved. */
import { type SeasonPlan, type SeasonRequest, compareLayings, laySeason } from '../../core/season';
import type { CallEffect, CallSide, Taker } from '../../schema/view';
import type { App } from '../app';
import { type Season, readSeason, withOwn } from '../laying/facts';
import { planOf } from '../laying/plan';

/** `change` makes this audition's own facts as they would then be, from the season as it is. */
export function effectOn(
  app: App,
  { auditionId, name }: Taker,
  change: (season: Season) => SeasonRequest
): CallEffect {
  const season = readSeason(app, auditionId);
  const now = planOf(app, season)?.plan ?? null;
  const own = change(season);
  const canLay = own.items.length > 0 && own.rounds.length > 0;
  const then = canLay ? laySeason({ ...withOwn(season, own), previous: now?.agreed }) : null;
  return {
    auditionId,
    candidateName: name,
    before: sideOf(now),
    after: sideOf(then),
    moved: now && then ? compareLayings(now, then).length : 0
  };
}

function sideOf(plan: SeasonPlan | null): CallSide | null {
  if (!plan) return null;
  const dates = plan.items.flatMap((item) => item.rungs.at(-1)?.date ?? []);
  return {
    daysToGo: plan.daysToGo,
    shortMin: plan.short?.minutes ?? 0,
    askedMin: plan.items.reduce((sum, item) => sum + item.askedMin, 0),
    lastTarget: dates.sort().at(-1) ?? null
  };
}

/** What a change would do to the plans of those who take a list; nothing is saved. */
import { type SeasonPlan, compareLayings } from '../../core/season';
import type { CallEffect, CallSide, Taker } from '../../schema/view';
import type { App } from '../app';
import { type Change, carryOut, tryOut } from '../change/apply';
import { readSeason } from '../laying/facts';
import { layAgain } from '../laying/lay';
import { planOf } from '../laying/plan';

/** Of those who are not put away. Throws CodedError where the change could not be kept. */
export function effectOn(
  app: App,
  takers: readonly Taker[],
  change: Pick<Change, 'edits' | 'cause'>
): CallEffect[] {
  const seen = takers.filter((taker) => !taker.isArchived);
  const plans = () => seen.map(({ auditionId }) => planOf(app, readSeason(app, auditionId))?.plan ?? null);
  const [now, then] = tryOut(app, () => {
    // one that waits for its day is set beside what it would be today, too
    for (const { auditionId } of seen) layAgain(app, auditionId, 'a new day');
    const before = plans();
    carryOut(app, change);
    return [before, plans()] as const;
  });
  return seen.map(({ auditionId, name }, i) => ({
    auditionId,
    candidateName: name,
    before: sideOf(now[i]!),
    after: sideOf(then[i]!),
    moved: now[i] && then[i] ? compareLayings(now[i], then[i]).length : 0
  }));
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

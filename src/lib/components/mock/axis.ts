/** The one axis of a season's mocks: the ladder and the rows of the items stand at the same dates. */
import { type DayNumber, dayOf } from '$lib/core/units';
import type { MocksView } from '$lib/schema/mock-view';

/** What is farther off than this is no room for words. */
const BEFORE = 4;

export type LadderAxis = {
  readonly today: DayNumber;
  readonly round: DayNumber;
  readonly first: DayNumber;
  /** In per cent, from the left. */
  readonly across: (day: DayNumber) => number;
};

/** Up to today it begins with the first stage. */
export function ladderAxis({
  stages,
  today: now,
  roundOn
}: Pick<MocksView, 'stages' | 'today' | 'roundOn'>): LadderAxis {
  const [today, round] = [dayOf(now), dayOf(roundOn!)];
  const day = Math.min(...stages.flatMap(({ date }) => (date === null ? [] : [dayOf(date)])), round);
  const first = (day <= today ? day : Math.max(today, day - BEFORE)) - 1;
  return { today, round, first, across: (one) => (100 * (one - first)) / Math.max(1, round - first) };
}

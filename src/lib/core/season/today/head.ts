/** What of an audition's head goes with the day: the round that is next, and how its plan stands. */
import type { SeasonPlan } from '../laid/plan';

export type HeadRound = {
  readonly name: string;
  readonly date: string;
  readonly time?: string | undefined;
  /** Heard on any day of a week that begins there. */
  readonly isWeek: boolean;
};

/** How a plan stands, in the two things a head shows of it. */
export type PlanAtHead = { readonly mockFrom: string | null; readonly shortMin: number };

export type HeadOnDay = PlanAtHead & {
  readonly today: string;
  readonly next: HeadRound | null;
  /** There are rounds, and all of them have taken place. */
  readonly isOver: boolean;
};

export const planAtHead = (plan: SeasonPlan | null): PlanAtHead => ({
  mockFrom: plan?.stages?.mockFrom ?? null,
  shortMin: plan?.short?.minutes ?? 0
});

/** `rounds` are in the order of their dates. */
export function headOnDay(rounds: readonly HeadRound[], plan: PlanAtHead, today: string): HeadOnDay {
  const next = rounds.find(({ date }) => date >= today) ?? null;
  return { ...plan, today, next, isOver: next === null && rounds.length > 0 };
}

/**
 * The stages of a plan, counted back from a round: groundwork, ramp, in context, mock window, last days. They are
 * fixed by the day the plan was begun, but for context: it keeps the last third of what remains, until it has begun.
 * Source: handbook section 4 (common practice, no published source) and the plan model.
 */
import type { DayNumber } from '../units';

type Span = { readonly from: DayNumber; readonly to: DayNumber };

export type Stages = {
  readonly dayZero: DayNumber;
  readonly began: DayNumber;
  /** First min(7 days, 10 %) of the plan: list, edition, decisions. */
  readonly groundwork: Span;
  /** From here on only rungs at or above IN_CONTEXT_SHARE are climbed; it is reserved for them at the latest. */
  readonly contextFrom: DayNumber;
  /** Last day of ramp and context, the day before the mock window. */
  readonly rampTo: DayNumber;
  readonly mockFrom: DayNumber;
  readonly lastDaysFrom: DayNumber;
};

/** 80 % of the target is where work moves into context (common practice, no published source). */
export const IN_CONTEXT_SHARE = 0.8;
/** Two weeks of mocks; with fewer than SHORT_PLAN_DAYS a third of the days. */
const MOCK_DAYS = 14;
const SHORT_PLAN_DAYS = 42;
/** Context keeps the last third, but never less than a week where there is one. */
const LEAST_CONTEXT_DAYS = 7;
const GROUNDWORK_DAYS = 7;

/**
 * Stages of a plan begun on `began` for a round on `dayZero`, seen from `today`; context has begun where the item already
 * holds at 80 %; the ramp may be given the first `daysIntoMock` of the mock window's days. Spans may be empty (to < from) when days are few.
 */
export function layStages(
  began: DayNumber,
  dayZero: DayNumber,
  today: DayNumber = began,
  isInContext = false,
  daysIntoMock = 0
): Stages {
  const days = dayZero - began;
  if (days < 0) throw new RangeError(`a plan begins before its round, got ${-days} days after it`);
  const mockDays = days >= SHORT_PLAN_DAYS ? MOCK_DAYS : Math.floor(days / 3);
  const lastDaysFrom = dayZero - Math.min(2, days);
  const rampTo = Math.min(
    dayZero - mockDays - 1 + daysIntoMock,
    Math.max(lastDaysFrom, dayZero - mockDays) - 1
  );
  const from = Math.max(began, today);
  const rampDays = rampTo - from + 1;
  const contextDays = Math.min(rampDays, Math.max(LEAST_CONTEXT_DAYS, Math.ceil(rampDays / 3)));
  return {
    dayZero,
    began,
    groundwork: { from: began, to: began + Math.min(GROUNDWORK_DAYS, Math.floor(days / 10)) - 1 },
    contextFrom: isInContext ? from : rampTo - contextDays + 1,
    rampTo,
    mockFrom: dayZero - mockDays,
    lastDaysFrom
  };
}

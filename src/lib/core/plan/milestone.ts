/**
 * When a rung is reached: the day whose block completes its minutes. Minutes are used in time order, so a
 * milestone falls on a day on which the item is really practised; a rung without minutes gets no date.
 */
import type { DayNumber, Minutes } from '../units';
import type { Allotment } from './allot';

/** Dates for rungs asking `rungs` minutes each, in climbing order; null where the minutes run out. */
export function dateRungs(rungs: readonly Minutes[], allotments: readonly Allotment[]): (DayNumber | null)[] {
  let asked = 0;
  let at = 0;
  let done = 0;
  return rungs.map((minutes) => {
    asked += minutes;
    while (done < asked && at < allotments.length) done += allotments[at++]!.minutes;
    return done >= asked && at > 0 ? allotments[at - 1]!.day : null;
  });
}

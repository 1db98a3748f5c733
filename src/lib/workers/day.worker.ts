/** The worker in which a device makes a day, and lays its plan, without a line. */
import type { DeskEvent } from '../core/record';
import { type DayOnDevice, type Kit, type PlanAtHead, makeDayOnDevice, planAtHead } from '../core/season';
import { formatDate } from '../core/units';
import { dayInZone } from '../core/units/zone';
import { sayTouchFault } from '../schema/touch';
import { answerFrom } from './open';

/** What a page shows of it. */
export type DayHere = Omit<DayOnDevice, 'plan'> & { readonly atHead: PlanAtHead };

const days = {
  /** As it is at an instant; a clock that stands before the kit's day is on that day. */
  makeDay(kit: Kit, since: readonly DeskEvent[], atMs: number): DayHere {
    const date = formatDate(dayInZone(atMs, kit.zone));
    const { plan, ...day } = makeDayOnDevice(
      kit,
      since,
      date < kit.facts.readOn ? kit.facts.readOn : date,
      sayTouchFault
    );
    return { ...day, atHead: planAtHead(plan) };
  }
};
export type Days = typeof days;

answerFrom(days);

/** Rounds of an audition: a date and local time at the venue's zone, and the items heard there. */
import type { z } from 'zod';
import { parseDate } from '../core/units';
import { instantOf, isZone } from '../core/units/zone';
import { timeField } from '../core/record';

type Slot = { date: string; time?: string | undefined; zone: string };

/** Why the local time does not exist at the venue, or null: daylight saving skips an hour once a year. Faults of the fields themselves are theirs to tell. */
export function skippedTime({ date, time, zone }: Slot): string | null {
  const isSound = parseDate(date) !== null && isZone(zone) && timeField.safeParse(time).success;
  return time && isSound && instantOf(date, time, zone) === null
    ? `${time} does not exist on ${date} in ${zone}: the clocks go forward then. Ask for the right time.`
    : null;
}

export function refineSlot(slot: Slot, path: (string | number)[], context: z.RefinementCtx): void {
  const message = skippedTime(slot);
  if (message) context.addIssue({ code: 'custom', path: [...path, 'time'], message });
}

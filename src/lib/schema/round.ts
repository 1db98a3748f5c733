/** Rounds of an audition: a date and local time at the venue's zone, and the items heard there. */
import { z } from 'zod';
import { parseDate } from '../core/units';
import { instantOf, isZone } from '../core/units/zone';
import { dateField, idField, nameField, timeField, zoneField } from './fields';

export const roundFields = {
  id: idField,
  name: nameField,
  date: dateField,
  time: timeField.optional(),
  zone: zoneField
};

type Slot = { date: string; time?: string | undefined; zone: string };

/** The local time exists at the venue: daylight saving skips an hour once a year. Faults of the fields themselves are theirs to tell. */
export function refineSlot(slot: Slot, path: (string | number)[], context: z.RefinementCtx): void {
  const isSound =
    parseDate(slot.date) !== null && isZone(slot.zone) && timeField.safeParse(slot.time).success;
  if (slot.time && isSound && instantOf(slot.date, slot.time, slot.zone) === null) {
    context.addIssue({
      code: 'custom',
      path: [...path, 'time'],
      message: `${slot.time} does not exist on ${slot.date} in ${slot.zone}: the clocks go forward then. Ask for the right time.`
    });
  }
}

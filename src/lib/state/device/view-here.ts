/** The day as a page shows it: the studio's, or this device's where there is no line. */
import type { TodayView } from '$lib/schema/view';
import { BY_DEVICE } from '$lib/schema/kept-pages';

type Answered = { readonly view: TodayView; readonly answeredBy: string };

/** `toldIn` is the zone in which this device told the day, null where the studio did; `isLaidHere` says that the plan was laid on it. */
export async function viewHere({ view, answeredBy }: Answered, owner: string, auditionId: string) {
  if (answeredBy !== BY_DEVICE) return { view, toldIn: null, isLaidHere: false };
  const { dayHere } = await import('./day-here');
  const here = await dayHere(owner, auditionId);
  return here
    ? { view: here.view, toldIn: here.zone, isLaidHere: here.isLaid }
    : { view, toldIn: null, isLaidHere: false };
}

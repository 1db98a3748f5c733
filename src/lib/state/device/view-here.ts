/** The day as a page shows it: the studio's, or this device's where there is no line. */
import type { TodayView } from '$lib/schema/view';
import { BY_DEVICE } from '$lib/schema/kept-pages';

type Answered = { readonly view: TodayView; readonly answeredBy: string };

/**
 * `toldIn` is the zone in which this device told the day, null where the studio did; `isLaidHere` says that the plan was laid on it; `atHead` is
 * how that plan stands.
 */
export async function viewHere({ view, answeredBy }: Answered, owner: string, auditionId: string) {
  const byStudio = { view, toldIn: null, isLaidHere: false, atHead: null };
  if (answeredBy !== BY_DEVICE) return byStudio;
  const { dayHere } = await import('./day-here');
  const here = await dayHere(owner, auditionId);
  if (!here) return byStudio;
  return { view: here.view, toldIn: here.zone, isLaidHere: here.isLaid, atHead: here.atHead };
}

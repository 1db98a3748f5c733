/** The line between this device and the studio, for what was done at the desk. */
import { formatDate } from '$lib/core/units';
import { noteClock } from './clock';
import type { KeptHere } from '$lib/schema/kit';
import type { Line } from './queue';

/** A sending that was not answered by then is made again. */
const GIVEN_UP_MS = 20_000;

export const studioLine: Line = {
  // one page of this device sends at a time
  post: (to, events) =>
    navigator.locks.request('irvot events out', () =>
      fetch(`/candidates/${to}/desk`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ events }),
        // a line that went dead in the middle is no line
        signal: AbortSignal.timeout(GIVEN_UP_MS)
      })
    ),
  async askOffset() {
    const kept = await askStudio().catch(() => null);
    return kept && kept.nowMs - Date.now();
  },
  async dateIn(atMs, zone) {
    const { dayInZone } = await import('$lib/core/units/zone');
    return formatDate(dayInZone(atMs, zone));
  }
};

/** What the studio says that this device keeps, with its clock, which is noted; null where nobody is signed in. Rejects without a line. */
export async function askStudio(): Promise<KeptHere | null> {
  const response = await fetch('/device', {
    method: 'POST',
    signal: AbortSignal.timeout(GIVEN_UP_MS)
  });
  if (!response.ok || response.redirected) return null;
  const kept = (await response.json()) as KeptHere;
  await noteClock(kept.nowMs);
  return kept;
}

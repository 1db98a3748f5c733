/** How far the studio's clock stands from this device's, as it was when the studio last answered. */
import { openDevice } from './store';

/** What is nearer than that is how long an answer takes, and no wrong clock. */
const NEAR_MS = 60_000;

type Clock = { readonly offsetMs: number; readonly heardAtMs: number };

/** The studio's clock less this device's; nought where they agree, or were never compared. */
export const offsetIn = (clock: Clock | undefined): number =>
  clock && Math.abs(clock.offsetMs) >= NEAR_MS ? clock.offsetMs : 0;

export async function readClock(): Promise<Clock | undefined> {
  const db = await openDevice();
  const clock = (await db.get('device', 'clock')) as Clock | undefined;
  db.close();
  return clock;
}

/** `studioMs` is what the studio's clock says now. */
export async function noteClock(studioMs: number): Promise<void> {
  const db = await openDevice();
  const clock: Clock = { offsetMs: studioMs - Date.now(), heardAtMs: Date.now() };
  await db.put('device', clock, 'clock');
  db.close();
}

/** A day made on this device from what is kept here: what an audition was when the studio was last heard, and what was played since. */
import type { Kit } from '$lib/core/season';
import { makeDay } from '$lib/workers/day.client';
import type { DayHere } from '$lib/workers/day.worker';
import { offsetIn, readClock } from './clock';
import { readKit } from './kits';
import { openShelf } from './shelf';

/** Null where nothing of it is kept here for this account. */
export async function dayHere(
  owner: string,
  auditionId: string
): Promise<(DayHere & Pick<Kit, 'zone'>) | null> {
  const kit = await readKit(owner, auditionId);
  if (!kit) return null;
  const { id } = kit.facts.candidate;
  const played = (await (await openShelf()).all()).filter(
    (one) =>
      one.owner === owner &&
      one.candidate === id &&
      one.refused === undefined &&
      // what was sent before the kit was read is in it
      (!one.isSent || one.event.date >= kit.facts.readOn)
  );
  const atMs = Date.now() + offsetIn(await readClock());
  const day = await makeDay(
    kit,
    played.map(({ event }) => event),
    atMs
  );
  return { ...day, zone: kit.zone };
}

/** For whom this device keeps days: one account at a time. What is put down for it and what is taken away never cross. */
import { openDevice } from './store';

const LOCK = 'irvot days of an account';

async function ownerHere(): Promise<string | null> {
  const db = await openDevice();
  const owner = (await db.get('device', 'owner')) as string | undefined;
  db.close();
  return owner ?? null;
}

/** Does it while the device is that account's, and nothing after it was given up, however late it comes. */
export const whileOwner = (owner: string, act: () => Promise<unknown>): Promise<void> =>
  navigator.locks.request(LOCK, async () => {
    if ((await ownerHere()) === owner) await act();
  });

/** The device is that account's from now on, nobody's where it is null; `clear` takes away what was kept for another. */
export const changeOwner = (owner: string | null, clear: () => Promise<unknown>): Promise<void> =>
  navigator.locks.request(LOCK, async () => {
    if (owner !== null && (await ownerHere()) === owner) return;
    await clear();
    const db = await openDevice();
    if (owner === null) await db.delete('device', 'owner');
    else await db.put('device', owner, 'owner');
    db.close();
  });

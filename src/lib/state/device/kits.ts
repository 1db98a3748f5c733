/** Auditions as the studio knew them when it was last heard: kept on the device, each account's own. */
import type { Kit } from '$lib/core/season';
import { whileOwner } from './owner';
import { openDevice } from './store';

/** Of somebody who plays for many so many stay, those that were opened last. */
const MOST_KITS = 12;

type KeptKit = {
  readonly owner: string;
  readonly auditionId: string;
  /** By which the studio says whether it has changed. */
  readonly etag: string;
  readonly keptAtMs: number;
  readonly kit: Kit;
};

async function inStore<T>(act: (db: Awaited<ReturnType<typeof openDevice>>) => Promise<T>): Promise<T> {
  const db = await openDevice();
  try {
    return await act(db);
  } finally {
    db.close();
  }
}

const find = (owner: string, auditionId: string) =>
  inStore(async (db) => (await db.get('kits', [owner, auditionId])) as KeptKit | undefined);

export const readKit = async (owner: string, auditionId: string) => (await find(owner, auditionId))?.kit;

/** What is here for an account, the latest first. */
export const listKits = (owner: string) =>
  inStore(async (db) => {
    const all = ((await db.getAll('kits')) as KeptKit[]).filter((one) => one.owner === owner);
    return all.sort((a, b) => b.keptAtMs - a.keptAtMs);
  });

/** Asks the studio for it as it is now. False where it was not had. */
export async function keepKit(owner: string, auditionId: string): Promise<boolean> {
  const before = await find(owner, auditionId);
  const headers: HeadersInit = before ? { 'if-none-match': before.etag } : {};
  const response = await fetch(`/auditions/${auditionId}/kit`, { headers });
  if (response.status !== 304 && (!response.ok || response.redirected)) return false;
  const fresh =
    response.status === 304
      ? before!
      : { owner, auditionId, etag: response.headers.get('etag') ?? '', kit: (await response.json()) as Kit };
  const kept: KeptKit = { ...fresh, keptAtMs: Date.now() };
  await whileOwner(owner, () => inStore((db) => db.put('kits', kept)));
  for (const { auditionId: old } of (await listKits(owner)).slice(MOST_KITS))
    await inStore((db) => db.delete('kits', [owner, old]));
  return true;
}

/** Takes off the device what is not this account's; all of it where nobody's is to stay. */
export const dropKits = (but: string | null) =>
  inStore(async (db) => {
    for (const { owner, auditionId } of (await db.getAll('kits')) as KeptKit[])
      if (owner !== but) await db.delete('kits', [owner, auditionId]);
  });

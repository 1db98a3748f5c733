import 'fake-indexeddb/auto';
import { IDBFactory } from 'fake-indexeddb';
import { afterAll, beforeAll, beforeEach, describe, expect, it, vi } from 'vitest';
import type { DeskEvent } from '$lib/core/record';
import type { Kit } from '$lib/core/season';
import { noteClock } from './clock';
import { dayHere } from './day-here';
import { openShelf } from './shelf';
import { openDevice } from './store';

// a device of its own
beforeAll(() => void (globalThis.indexedDB = new IDBFactory()));

/** What the worker was asked. */
const asked = vi.hoisted(() => ({ since: [] as string[], atMs: 0 }));
vi.mock('$lib/workers/day.client', () => ({
  makeDay: (_kit: Kit, since: readonly DeskEvent[], atMs: number) => {
    [asked.since, asked.atMs] = [since.map(({ id }) => id), atMs];
    return Promise.resolve({ isLaid: false });
  }
}));
afterAll(() => void vi.restoreAllMocks());

beforeEach(async () => {
  const facts = { candidate: { id: 'ada' }, readOn: '2026-11-24' };
  const kit = { facts, zone: 'Europe/Brussels' } as Kit;
  const db = await openDevice();
  await db.put('kits', { owner: 'me', auditionId: 'round', etag: '', keptAtMs: 0, kit });
  db.close();
});

async function lay(
  id: string,
  more: { owner?: string; candidate?: string; isSent?: boolean; refused?: string; date?: string } = {}
) {
  const { date = '2026-11-24', ...kept } = more;
  await (
    await openShelf()
  ).add((seq) => ({
    owner: 'me',
    candidate: 'ada',
    isSent: false,
    ...kept,
    event: { id, device: 'd', seq, atMs: seq, date, kind: 'well' } as DeskEvent
  }));
}

describe('a day made on the device', () => {
  it('is made from what its player did there and the studio may not know, and from nothing else', async () => {
    await lay('waits');
    await lay('sent since', { isSent: true });
    await lay('sent before', { isSent: true, date: '2026-11-23' });
    await lay('refused', { refused: 'That cannot be.' });
    await lay('of another account', { owner: 'you' });
    await lay('of another candidate', { candidate: 'bo' });
    expect(await dayHere('me', 'round')).toEqual({ isLaid: false, zone: 'Europe/Brussels' });
    expect(asked.since).toEqual(['waits', 'sent since']);
  });

  it('is of the day that the studio’s clock says', async () => {
    await noteClock(Date.now() + 86_400_000);
    await dayHere('me', 'round');
    expect(Math.round((asked.atMs - Date.now()) / 3_600_000)).toBe(24);
  });

  it('is none where nothing is kept here for that account', async () => {
    expect(await dayHere('you', 'round')).toBeNull();
  });
});

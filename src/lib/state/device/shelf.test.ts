import 'fake-indexeddb/auto';
import { IDBFactory } from 'fake-indexeddb';
import { beforeAll, describe, expect, it } from 'vitest';
import type { DeskEvent } from '$lib/core/record';
import { dropKits, listKits, readKit } from './kits';
import { openShelf } from './shelf';
import { openDevice } from './store';

// a device of its own
beforeAll(() => void (globalThis.indexedDB = new IDBFactory()));

const made = (seq: number, device: string) => {
  const event = { id: `${device} ${seq}`, device, seq, atMs: seq, date: '2026-11-24', kind: 'well' };
  return { owner: 'me', candidate: 'ada', event: event as DeskEvent, isSent: false };
};

describe('what is laid down on a device', () => {
  it('has a number of its own, whichever page laid it down, and is there in that order when it is opened again', async () => {
    const [one, other] = [await openShelf(), await openShelf()];
    expect(other.device).toBe(one.device);
    await Promise.all(
      Array.from({ length: 40 }, (_, i) => (i % 2 ? one : other).add((seq) => made(seq, one.device)))
    );
    const all = await (await openShelf()).all();
    expect(all.map(({ event }) => event.seq)).toEqual(Array.from({ length: 40 }, (_, i) => i + 1));
  });

  it('is changed and taken away one by one', async () => {
    const shelf = await openShelf();
    const [first, second, ...rest] = await shelf.all();
    await shelf.put([{ ...first!, isSent: true }]);
    await shelf.drop([second!]);
    expect(await shelf.all()).toEqual([{ ...first, isSent: true }, ...rest]);
  });

  it('is told when it was last, so that a clock put back is noticed', async () => {
    const shelf = await openShelf();
    await shelf.add((seq) => made(seq, shelf.device));
    await shelf.add((seq, last) => {
      expect(last).toEqual({ date: '2026-11-24', atMs: seq - 1 });
      return made(seq, shelf.device);
    });
  });
});

describe('what is kept of auditions', () => {
  it('is each account’s own, and goes with it', async () => {
    const db = await openDevice();
    for (const owner of ['ada', 'bo'])
      await db.put('kits', { owner, auditionId: 'a', etag: '', keptAtMs: 1, kit: { zone: owner } });
    db.close();
    expect(await readKit('ada', 'a')).toEqual({ zone: 'ada' });
    await dropKits('bo');
    expect(await readKit('ada', 'a')).toBeUndefined();
    expect(await listKits('bo')).toHaveLength(1);
    await dropKits(null);
    expect(await listKits('bo')).toEqual([]);
  });
});

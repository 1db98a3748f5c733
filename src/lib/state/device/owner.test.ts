import 'fake-indexeddb/auto';
import { IDBFactory } from 'fake-indexeddb';
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest';
import { noteClock, offsetIn, readClock } from './clock';
import { changeOwner, whileOwner } from './owner';

// a device of its own
beforeAll(() => void (globalThis.indexedDB = new IDBFactory()));

// one at a time, as a browser does it
let last: Promise<unknown> = Promise.resolve();
const request = (_: string, act: () => Promise<void>) => (last = last.then(act));
vi.stubGlobal('navigator', { locks: { request } });
afterAll(() => void vi.unstubAllGlobals());

describe('whose device it is', () => {
  const cleared: (string | null)[] = [];
  const change = (owner: string | null) => changeOwner(owner, () => Promise.resolve(cleared.push(owner)));

  it('what was kept for another goes with the change, and is not touched where it is the same', async () => {
    await change('ada');
    await change('ada');
    await change('bo');
    await change(null);
    expect(cleared).toEqual(['ada', 'bo', null]);
  });

  it('what comes late for an account that was given up is not put down', async () => {
    const put: string[] = [];
    const late = (owner: string) => whileOwner(owner, () => Promise.resolve(put.push(owner)));
    await change('ada');
    await late('ada');
    await Promise.all([change('bo'), late('ada'), late('bo'), change(null), late('bo')]);
    expect(put).toEqual(['ada', 'bo']);
  });
});

describe('the studio’s clock, as a device knows it', () => {
  it('is how far it stood from the device’s when it was last heard; what is under a minute is none', async () => {
    expect(offsetIn(undefined)).toBe(0);
    const offsetAfter = async (aheadMs: number) => {
      await noteClock(Date.now() + aheadMs);
      return Math.round(offsetIn(await readClock()) / 60_000);
    };
    expect([await offsetAfter(7_200_000), await offsetAfter(-86_400_000), await offsetAfter(50_000)]).toEqual(
      [120, -1440, 0]
    );
  });
});

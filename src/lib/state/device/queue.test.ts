import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { readDeskDay, readSpots } from '$lib/core/practice';
import type { DeskEvent } from '$lib/core/record';
import type { DeskAnswer, Refusal } from '$lib/schema/desk';
import { HERE, ME, TODAY, lineTo, makeShelf, playHistory } from '../../../../tests/fixtures/bad-line';
import { type DeskDraft, DeviceQueue } from './queue';

const NOON = Date.parse('2026-11-24T12:00:00Z');
let now = NOON;

beforeEach(() => {
  now = NOON;
  vi.spyOn(Date, 'now').mockImplementation(() => now);
});
afterEach(() => void vi.restoreAllMocks());

/** The studio: each id once, whoever sends it again. */
class Studio {
  readonly events = new Map<string, DeskEvent>();
  /** What came in, by device, in the order in which it was first kept. */
  readonly order: DeskEvent[] = [];
  refuses: (event: DeskEvent) => string | null = () => null;

  hear = (events: readonly DeskEvent[]): DeskAnswer => {
    const refused: Refusal[] = [];
    for (const event of events) {
      const says = this.refuses(event);
      if (says !== null) refused.push({ id: event.id, says });
      else if (!this.events.has(event.id)) {
        this.events.set(event.id, event);
        this.order.push(event);
      }
    }
    const kept = events.map(({ id }) => id).filter((id) => this.events.has(id));
    return { kept, refused, notLogged: [], isLaid: false, moves: [] };
  };
}

const inOrderOf = (events: readonly DeskEvent[], device: string) =>
  events.filter((event) => event.device === device).map(({ seq }) => seq);

describe('what is done on two devices over a bad line', () => {
  it('is in the studio exactly once each, and both make the same day and spots of it, over 10,000 histories', async () => {
    for (let seed = 1; seed <= 10_000; seed += 1) {
      const studio = new Studio();
      const { acknowledged, waiting } = await playHistory(seed, studio, (ms) => (now += ms));
      expect(waiting, `history ${seed}`).toEqual([0, 0]);
      expect([...studio.events.keys()].sort(), `history ${seed}`).toEqual(
        acknowledged.map(({ id }) => id).sort()
      );
      expect(studio.order, `history ${seed}`).toHaveLength(acknowledged.length);
      // whatever the order in which they came, what follows from them is one
      expect(readDeskDay(studio.order, TODAY), `history ${seed}`).toEqual(readDeskDay(acknowledged, TODAY));
      expect(readSpots(studio.order), `history ${seed}`).toEqual(readSpots(acknowledged));
      for (const device of ['phone', 'tablet']) {
        const seqs = inOrderOf(studio.order, device);
        expect(seqs, `history ${seed}`).toEqual([...seqs].sort((a, b) => a - b));
      }
    }
  });
});

describe('a queue on a device', () => {
  const begin = (id: string): DeskDraft => ({ kind: 'begin', date: TODAY, block: id });

  it('holds nothing back for what the studio does not take; that stays, is said, tried again, or let go', async () => {
    const studio = new Studio();
    studio.refuses = (event) => ('block' in event && event.block === 'bad' ? 'That cannot be.' : null);
    const queue = await DeviceQueue.open(makeShelf('phone'), ME, lineTo(studio.hear), HERE);
    for (const id of ['one', 'bad', 'two']) await queue.keep(begin(id));
    expect((await queue.send()).state.kind).toBe('sent');
    expect([...studio.events.values()].map((event) => 'block' in event && event.block)).toEqual([
      'one',
      'two'
    ]);
    expect((await queue.refused()).map(({ refused }) => refused)).toEqual(['That cannot be.']);
    expect(await queue.countWaiting()).toBe(0);
    await queue.retry();
    expect(await queue.countWaiting()).toBe(1);
    await queue.send();
    expect(await queue.refused()).toHaveLength(1);
    await queue.letGo();
    expect(await queue.refused()).toEqual([]);
    expect(await queue.all()).toHaveLength(2);
  });

  it('asks on which day it was played where the clock that told it was wrong, and sends nothing of it before', async () => {
    const studio = new Studio();
    // the device stood a day ahead, and did not know
    const DAY = 86_400_000;
    now = NOON + DAY;
    const line = lineTo(studio.hear, { askOffset: () => Promise.resolve(-DAY) });
    const date = '2026-11-25';
    const queue = await DeviceQueue.open(makeShelf('phone'), { ...ME, date }, line, {
      offsetMs: 0,
      zone: 'UTC'
    });
    await queue.keep({ ...begin('one'), date });
    expect((await queue.send()).state).toEqual({ kind: 'asking', date, likely: TODAY });
    expect(studio.order).toEqual([]);
    await queue.sayDay(date, TODAY);
    expect((await queue.send()).state.kind).toBe('sent');
    expect(studio.order.map((event) => event.date)).toEqual([TODAY]);
  });

  it('asks nothing where the clock was right, or was known to be wrong when the day was told', async () => {
    const studio = new Studio();
    for (const offsetMs of [0, -86_400_000]) {
      const line = lineTo(studio.hear, { askOffset: () => Promise.resolve(offsetMs + 9 * 60_000) });
      const queue = await DeviceQueue.open(makeShelf(`phone ${offsetMs}`), ME, line, {
        offsetMs,
        zone: 'UTC'
      });
      now = NOON - offsetMs;
      await queue.keep(begin('one'));
      expect((await queue.send()).state.kind).toBe('sent');
      expect(studio.order.at(-1)!.atMs).toBe(NOON);
    }
  });

  it('waits with a day that this device told until the studio’s clock can be asked', async () => {
    const studio = new Studio();
    const line = lineTo(studio.hear, { askOffset: () => Promise.resolve(null) });
    const queue = await DeviceQueue.open(makeShelf('phone'), ME, line, { offsetMs: 0, zone: 'UTC' });
    await queue.keep(begin('one'));
    expect((await queue.send()).state).toEqual({ kind: 'waiting', count: 1 });
    expect(studio.order).toEqual([]);
  });

  it('is one account’s: another who plays on the device neither sends nor sees it', async () => {
    const studio = new Studio();
    const shelf = makeShelf('tablet');
    const open = (owner: string) => DeviceQueue.open(shelf, { ...ME, owner }, lineTo(studio.hear), HERE);
    const [mine, yours] = [await open('me'), await open('you')];
    const kept = await mine.keep(begin('one'));
    expect((await yours.send()).state.kind).toBe('sent');
    expect(await yours.all()).toEqual([]);
    expect(studio.order).toEqual([]);
    await mine.send();
    expect(studio.order).toEqual([kept]);
  });

  it('sends to each desk what is its own, that in hand first', async () => {
    const heard: string[] = [];
    const { hear } = new Studio();
    const post = (to: string, events: readonly DeskEvent[]) => {
      heard.push(`${to} ${events.length}`);
      return Promise.resolve(Response.json(hear(events)));
    };
    const shelf = makeShelf('tablet');
    const open = (candidate: string) =>
      DeviceQueue.open(shelf, { ...ME, candidate }, lineTo(hear, { post }), HERE);
    const [ada, bo] = [await open('ada'), await open('bo')];
    await bo.keep(begin('one'));
    await ada.keep(begin('one'));
    await ada.keep(begin('two'));
    await ada.send();
    await ada.send();
    expect(heard).toEqual(['ada 2', 'bo 1']);
  });

  it('puts nothing before what was, where the clock is put back', async () => {
    const queue = await DeviceQueue.open(makeShelf('phone'), ME, lineTo(new Studio().hear), HERE);
    await queue.keep(begin('one'));
    now -= 3_600_000;
    await queue.keep(begin('two'));
    expect((await queue.all()).map(({ atMs }) => atMs)).toEqual([NOON, NOON + 1]);
  });

  it('keeps what was sent for the days that are made from it, and no longer', async () => {
    const shelf = makeShelf('phone');
    const on = (date: string) => DeviceQueue.open(shelf, { ...ME, date }, lineTo(new Studio().hear), HERE);
    const queue = await on(TODAY);
    await queue.keep(begin('one'));
    await queue.send();
    await on('2026-11-25');
    expect(await shelf.all()).toHaveLength(1);
    await on('2027-01-25');
    expect(await shelf.all()).toEqual([]);
  });

  it('says that one has to sign in again where the studio leads there, and keeps it', async () => {
    const door = new Response('<h1>Irvot</h1>', { headers: { 'content-type': 'text/html' } });
    Object.defineProperty(door, 'redirected', { value: true });
    const line = lineTo(new Studio().hear, { post: () => Promise.resolve(door) });
    const queue = await DeviceQueue.open(makeShelf('phone'), ME, line, HERE);
    await queue.keep(begin('one'));
    expect((await queue.send()).state).toEqual({ kind: 'refused', says: 'cannot send: sign in again' });
    expect(await queue.countWaiting()).toBe(1);
  });

  it('waits where an answer speaks of nothing that was sent', async () => {
    const nothing = () => Promise.resolve(Response.json({ kept: [], refused: [], notLogged: [], moves: [] }));
    const queue = await DeviceQueue.open(
      makeShelf('phone'),
      ME,
      lineTo(new Studio().hear, { post: nothing }),
      HERE
    );
    await queue.keep(begin('one'));
    expect(await queue.send()).toEqual({ state: { kind: 'waiting', count: 1 }, answer: null });
  });

  it('says why where all is refused, and keeps it', async () => {
    const says = (response: Response) => lineTo(new Studio().hear, { post: () => Promise.resolve(response) });
    const put = new Response('{"message":"Put away."}', {
      status: 403,
      headers: { 'content-type': 'application/json' }
    });
    const queue = await DeviceQueue.open(makeShelf('phone'), ME, says(put), HERE);
    await queue.keep(begin('one'));
    expect((await queue.send()).state).toEqual({ kind: 'refused', says: 'cannot send: Put away.' });
    expect(await queue.countWaiting()).toBe(1);
  });
});

import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { readDeskDay, readSpots } from '../../core/practice';
import type { DeskEvent } from '../../core/record';
import { readDeskEvents } from '../../schema/desk';
import { TODAY, playHistory } from '../../../../tests/fixtures/bad-line';
import { asAda, openStudio, timeOf } from '../../../../tests/fixtures/small-studio';
import { makeApp } from '../app';
import { openDb } from '../db/open';
import { deskEventsOf, lastingDeskEvents } from '../store/desk-event';
import { keepDeskEvents } from './desk';

const NOON = Date.parse(`${TODAY}T12:00:00Z`);
let now = NOON;
beforeEach(() => {
  now = NOON;
  vi.spyOn(Date, 'now').mockImplementation(() => now);
});
afterEach(() => void vi.restoreAllMocks());

describe('a studio that hears two devices over a bad line', () => {
  it('keeps what was done exactly once, and makes the same day and spots of it, over 1000 histories', async () => {
    const { app: first, candidateId } = openStudio(() => NOON, timeOf(60, [1, 2, 3, 4, 5]));
    const bytes = first.db.serialize();
    const who = asAda(candidateId);
    for (let seed = 1; seed <= 1000; seed += 1) {
      // begun anew from its file for each, and once more in the middle
      let app = makeApp(openDb(bytes), () => NOON);
      let heard = 0;
      const hear = (sent: readonly DeskEvent[]) => {
        heard += 1;
        if (heard === 3) app = makeApp(openDb(app.db.serialize()), () => NOON);
        const { events, refused } = readDeskEvents(JSON.parse(JSON.stringify(sent)) as unknown[]);
        expect(refused).toEqual([]);
        return keepDeskEvents(app, who, { candidateId, events });
      };
      const { acknowledged, waiting } = await playHistory(seed, { hear }, (ms) => (now += ms));
      const there = deskEventsOf(app.db, candidateId, TODAY);
      expect(waiting, `history ${seed}`).toEqual([0, 0]);
      expect(there.map(({ id }) => id).sort(), `history ${seed}`).toEqual(
        acknowledged.map(({ id }) => id).sort()
      );
      expect(readDeskDay(there, TODAY), `history ${seed}`).toEqual(readDeskDay(acknowledged, TODAY));
      expect(readSpots(lastingDeskEvents(app.db, candidateId))).toEqual(readSpots(acknowledged));
    }
  });
});

import { beforeEach, describe, expect, it } from 'vitest';
import type { DeskEvent } from '../../core/record';
import { type DayOnDevice, type Kit, makeDayOnDevice } from '../../core/season';
import { randomFrom, seedOf } from '../../core/units';
import { sayTouchFault } from '../../schema/touch';
import { DEMO_NOW, openDemo } from '../../../../tests/fixtures/demo-studio';
import type { App, Who } from '../app';
import { playDay } from '../demo/desk-day';
import { readSeason } from '../laying/facts';
import { layWaiting } from '../../../../tests/fixtures/lay-waiting';
import { planOf } from '../laying/plan';
import { auditionsOf } from '../store/audition';
import { findCandidate, listCandidates } from '../store/candidate';
import { keepDeskEvents, readToday } from './desk';
import { hearDevice, readKit } from './kit';
import { readStudio } from './studio';

const DAY_MS = 86_400_000;
const TEACHER: Who = { kind: 'teacher', accountId: 't', name: 'T' };
let app: App;
let now: number;

beforeEach(() => {
  now = DEMO_NOW;
  app = openDemo(() => now);
});

/** Everybody in the demo who has something to play today. */
const players = () =>
  listCandidates(app.db).flatMap(({ id: candidateId, name }) => {
    const who: Who = { kind: 'candidate', accountId: 'a', candidateId, name, isPutAway: false };
    const auditionId = hearDevice(app, who, {}).auditions[0];
    return auditionId === undefined ? [] : [{ who, candidateId, auditionId, name }];
  });
/** As it lies on a device. */
const kitOf = (who: Who, auditionId: string) =>
  JSON.parse(JSON.stringify(readKit(app, who, { auditionId }))) as Kit;
const onDevice = (kit: Kit, since: readonly DeskEvent[], date: string) =>
  makeDayOnDevice(kit, since, date, sayTouchFault);
function playedBy(player: ReturnType<typeof players>[number], view: DayOnDevice['view'], date: string) {
  const random = randomFrom(seedOf(player.name + date));
  const player1 = { ...player, easeOf: new Map<string, number>(), random };
  return playDay(app, player1, view, date).events;
}
const plain = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T;
const planNow = (auditionId: string) => plain(planOf(app, readSeason(app, auditionId))!.plan);

describe('a device that keeps an audition', () => {
  it('shows the day as the studio does', () => {
    expect(players().length).toBeGreaterThan(3);
    for (const { who, auditionId } of players()) {
      const shown = readToday(app, who, { auditionId });
      const { view, isLaid } = onDevice(kitOf(who, auditionId), [], shown.today);
      expect(view).toEqual(plain(shown));
      expect(isLaid).toBe(false);
    }
  });

  it('lays, from what was played on it, the plan that the studio lays when it hears of it', () => {
    for (const player of players()) {
      const { who, auditionId, candidateId } = player;
      const kit = kitOf(who, auditionId);
      const today = kit.facts.readOn;
      const events = playedBy(player, onDevice(kit, [], today).view, today);
      const here = onDevice(kit, events, today);
      const answer = keepDeskEvents(app, who, { candidateId, events });
      expect(here.isLaid).toBe(answer.isLaid);
      expect(here.moves).toEqual(plain(answer.moves));
      expect(here.notLogged).toEqual(answer.notLogged);
      expect(plain(here.plan)).toEqual(planNow(auditionId));
      expect(plain(here.view)).toEqual(plain(readToday(app, who, { auditionId })));
      // what it knows already is neither logged nor shown again
      const again = onDevice(kitOf(who, auditionId), events, today);
      expect(again.isLaid).toBe(false);
      expect(plain(again.view)).toEqual(plain(here.view));
    }
  });

  it('logs nothing again of a day that was heard of, for one word more', () => {
    for (const player of players()) {
      const { who, auditionId, candidateId } = player;
      const fresh = kitOf(who, auditionId);
      const today = fresh.facts.readOn;
      const events = playedBy(player, onDevice(fresh, [], today).view, today);
      keepDeskEvents(app, who, { candidateId, events });
      const more = { ...events.at(-1)!, id: 'reed', kind: 'equipment', mark: 'reed', says: 'reed 4' };
      const here = onDevice(kitOf(who, auditionId), [...events, more as DeskEvent], today);
      expect([here.isLaid, here.notLogged]).toEqual([false, []]);
    }
  });

  it('goes on to the next day and the one after, and is what the studio will say', () => {
    for (const player of players()) {
      const { who, auditionId, candidateId } = player;
      now = DEMO_NOW;
      const kit = kitOf(who, auditionId);
      const today = kit.facts.readOn;
      const first = playedBy(player, onDevice(kit, [], today).view, today);
      now += DAY_MS;
      const tomorrow = onDevice(kit, first, today).view.tomorrow.date;
      const later = onDevice(kit, first, tomorrow);
      // the studio has slept, and hears of yesterday before it lays the new day
      keepDeskEvents(app, who, { candidateId, events: first });
      layWaiting(app);
      expect(plain(later.view.roadMap)).toEqual(plain(readToday(app, who, { auditionId }).roadMap));
      const second = playedBy(player, later.view, tomorrow);
      const both = onDevice(kit, [...first, ...second], tomorrow);
      keepDeskEvents(app, who, { candidateId, events: second });
      expect(plain(both.view)).toEqual(plain(readToday(app, who, { auditionId })));
    }
  });

  it('of a candidate’s keeps every audition ahead, and of a teacher’s own none by itself', () => {
    for (const { who, candidateId } of players()) {
      const ahead = auditionsOf(app.db, candidateId).filter(({ id }) => {
        const { items, rounds, today } = readSeason(app, id).own;
        return items.length > 0 && rounds.some(({ date }) => date >= today);
      });
      expect(hearDevice(app, who, {})).toEqual({ nowMs: now, auditions: ahead.map(({ id }) => id) });
    }
    expect(hearDevice(app, TEACHER, {}).auditions).toEqual([]);
  });

  it('learns from a wandering mind and from a pain what the studio will', () => {
    for (const player of players()) {
      const { who, auditionId, candidateId } = player;
      now = DEMO_NOW;
      const kit = kitOf(who, auditionId);
      const today = kit.facts.readOn;
      const { view } = onDevice(kit, [], today);
      const played = playedBy(player, view, today);
      const ofItems = new Set(view.roadMap.filter(({ itemId }) => itemId !== null).map(({ id }) => id));
      // what is left of the day is not missed: it hurt
      const at = played.findIndex((event) => event.kind === 'end' && ofItems.has(event.block));
      const last = played[at];
      if (last?.kind !== 'end') continue;
      const before = kit.part.request.time.longestBlockMin;
      const hurt = { ...last, id: `hurt ${candidateId}`, seq: 999, kind: 'hurt', isTold: true } as DeskEvent;
      const events = [...played.slice(0, at), { ...last, how: 'shorter' as const }, hurt];
      const here = onDevice(kit, events, today);
      keepDeskEvents(app, who, { candidateId, events });
      expect(here.view.hurt).toEqual({ since: today, isTold: true });
      expect(readSeason(app, auditionId).own.time.longestBlockMin).not.toBe(before);
      expect(plain(here.plan)).toEqual(planNow(auditionId));
      expect(plain(here.view)).toEqual(plain(readToday(app, who, { auditionId })));
      const later = onDevice(kit, events, here.view.tomorrow.date);
      now += DAY_MS;
      layWaiting(app);
      expect(plain(later.plan)).toEqual(planNow(auditionId));
    }
  });

  it('tells the teacher when it was last heard from; the teacher’s own tells nothing', () => {
    const { who, candidateId } = players()[0]!;
    const heard = () =>
      readStudio(app, TEACHER, {}).rows.find(({ id }) => id === candidateId)!.daysSinceHeard;
    // a device of each has asked just now
    expect(heard()).toBe(0);
    now += 3 * DAY_MS;
    hearDevice(app, TEACHER, {});
    expect(heard()).toBe(3);
    hearDevice(app, who, {});
    expect(heard()).toBe(0);
    // it asks on every page: what was heard just now is not written again
    const heardAt = () => findCandidate(app.db, candidateId)!.heardAtMs;
    const before = heardAt();
    now += 60_000;
    hearDevice(app, who, {});
    expect(heardAt()).toBe(before);
  });

  it('is told nothing of a pain that the teacher was not told of', () => {
    const { who, candidateId, auditionId } = players()[0]!;
    const date = kitOf(who, auditionId).facts.readOn;
    const made = { id: 'pain', device: 'd', seq: 0, atMs: now, date };
    keepDeskEvents(app, who, { candidateId, events: [{ ...made, kind: 'hurt', isTold: false }] });
    expect(kitOf(who, auditionId).hurtEvents).toHaveLength(1);
    const teachers = kitOf(TEACHER, auditionId);
    expect(teachers.hurtEvents).toBeNull();
    expect(teachers.facts.hurt).toBeNull();
    expect(JSON.stringify(teachers)).not.toContain('"pain"');
  });
});

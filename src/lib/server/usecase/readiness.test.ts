import { beforeEach, describe, expect, it } from 'vitest';
import { asAda, openStudio, timeOf, STUDY, TEACHER } from '../../../../tests/fixtures/small-studio';
import type { DeskEvent } from '../../core/record';
import { archiveCandidate } from '../../schema/archive';
import type { App, Who } from '../app';
import { findStep, takeBackChange } from '../change/apply';
import { itemsOf } from '../store/item';
import { findMock, putMock } from '../store/mock';
import { checkLevelsOf, saidChecksOf } from '../store/said-check';
import { exportCandidate, importArchive } from './archive';
import { checkCall } from './call';
import { keepDeskEvents, readToday } from './desk';
import { addItem } from './list';
import { logTouch } from './log';
import { writeInMock } from './mock-by-hand';
import { askBlock, readReadiness, sayCheck, setCheckLevel } from './readiness';
import { makeApp } from '../app';
import { openDb } from '../db/open';

const DAY_MS = 86_400_000;
let nowMs: number;
let app: App;
let candidateId: string;
let auditionId: string;
let itemId: string;
let ada: Who;
beforeEach(() => {
  // a Tuesday
  nowMs = Date.parse('2026-11-24T16:00:00Z');
  ({ app, candidateId, auditionId, itemId } = openStudio(() => nowMs, timeOf(60, [1, 2, 3, 4, 5])));
  ada = asAda(candidateId);
});

const page = (who: Who = ada) => readReadiness(app, who, { auditionId });
const check = (kind: string, id = itemId) =>
  page()
    .readings.find((reading) => reading.id === id)!
    .checks.find((one) => one.kind === kind)!;
const say = (kind: Parameters<typeof sayCheck>[2]['check'], isHeld = true, who = ada) =>
  sayCheck(app, who, { itemId, check: kind, isHeld });
const nextDay = (days = 1) => (nowMs += days * DAY_MS);
const ticked = ['edition', 'bars', 'decisions', 'errata', 'context', 'take'] as const;

describe('what is said of a check', () => {
  it('is evidence of its day and of whoever said it, and nothing is written over', () => {
    say('cold');
    nextDay(3);
    say('cold', false, TEACHER);
    expect(check('cold')).toMatchObject({ state: 'not yet', latest: { by: 'teacher', isHeld: false } });
    say('cold');
    expect(check('cold')).toMatchObject({ state: 'holds', latest: { by: 'self' } });
    expect(check('cold').history).toHaveLength(3);
    nextDay(15);
    expect(check('cold').state).toBe('ask again');
  });

  it('goes along in an archive with its history, and a tick of before is its first word', async () => {
    say('cold');
    say('cold', false);
    setCheckLevel(app, TEACHER, { itemId, check: 'probe', level: 'off' });
    const archive = exportCandidate(app, TEACHER, { candidateId });
    const other = makeApp(openDb(':memory:'), () => nowMs);
    await importArchive(other, TEACHER, { archive });
    expect(saidChecksOf(other.db, itemId)).toEqual(saidChecksOf(app.db, itemId));
    expect(checkLevelsOf(other.db, itemId)).toEqual({ probe: 'off' });

    const [candidate] = archive.candidates as unknown as {
      auditions: { items: Record<string, unknown>[] }[];
    }[];
    const item = candidate!.auditions[0]!.items[0]!;
    delete item.said;
    delete item.checks;
    item.ticks = { edition: '2026-11-20' };
    const old = archiveCandidate.parse(candidate);
    const third = makeApp(openDb(':memory:'), () => nowMs);
    await importArchive(third, TEACHER, { archive: { ...archive, candidates: [old] } });
    expect(saidChecksOf(third.db, itemId)).toMatchObject([
      { check: 'edition', date: '2026-11-20', isHeld: true, by: 'self' }
    ]);
  });
});

describe('what follows without being said', () => {
  it('is the tempo and its elements from the log, and the call’s page from the day it was looked at', () => {
    expect([check('tempo').state, check('page').state]).toEqual(['not yet', 'not yet']);
    const played = { itemId, date: '2026-11-24', minutes: 12, tempoBpm: 96, unit: 'quarter' as const };
    logTouch(app, TEACHER, { ...played, attempts: 'ccc' });
    checkCall(app, TEACHER, { auditionId });
    expect([check('tempo').state, check('elements').state, check('page').state]).toEqual(
      Array(3).fill('holds')
    );
    logTouch(app, TEACHER, { ...played, attempts: 'n', notHeld: ['rhythm'] });
    expect(check('elements')).toMatchObject({ state: 'not yet', latest: { says: 'rhythm' } });
    nextDay(8);
    expect(check('page').state).toBe('ask again');
  });
});

describe('what groundwork says', () => {
  it('is of the context that it was listened to, and ages as a check of readiness does', () => {
    expect(check('context').state).toBe('not yet');
    say('listened');
    expect(check('context')).toMatchObject({ state: 'holds', latest: { says: 'listened to' } });
    say('scales');
    expect(check('keys').latest).toBeNull();
    nextDay(29);
    expect(check('context').state).toBe('ask again');
  });
});

describe('what is asked of an item', () => {
  it('is the teacher’s to set, and can be taken back', () => {
    expect(() => setCheckLevel(app, ada, { itemId, check: 'memory', level: 'required' })).toThrow();
    const token = setCheckLevel(app, TEACHER, { itemId, check: 'memory', level: 'required' });
    expect(check('memory').level).toBe('required');
    takeBackChange(app, findStep(app, token)!);
    expect(check('memory').level).toBe('off');
  });
});

describe('the next action', () => {
  /** All but what a run and starts answer, a probe and a mock. */
  const prepare = () => {
    ticked.forEach((kind) => say(kind));
    checkCall(app, TEACHER, { auditionId });
    logTouch(app, TEACHER, {
      itemId,
      date: '2026-11-24',
      minutes: 12,
      tempoBpm: 96,
      unit: 'quarter',
      attempts: 'ccc'
    });
  };
  const nextOf = (id: string) => {
    const { next } = page();
    return next?.itemId === id ? next : null;
  };
  const tomorrow = () => readToday(app, ada, { auditionId }).tomorrow.roadMap;

  it('is put on the next day with minutes, first of its pieces, and taken off again', () => {
    prepare();
    expect(page().next).toMatchObject({ itemId, block: 'run', asked: { date: '2026-11-25', is: 'open' } });
    const { minutes } = page().next!.asked!;
    askBlock(app, ada, { itemId, as: 'run', isWanted: true });
    expect(page().next!.asked).toMatchObject({ is: 'asked', minutes });
    expect(tomorrow()[0]).toMatchObject({ kind: 'run', itemId, minutes });
    askBlock(app, ada, { itemId, as: 'run', isWanted: false });
    expect(tomorrow().some(({ kind }) => kind === 'run')).toBe(false);
    // Friday: Saturday and Sunday have no minutes
    nextDay(3);
    expect(page().next!.asked!.date).toBe('2026-11-30');
  });

  it('leaves what was put on the day before where it can be taken off, once something else is next', () => {
    prepare();
    askBlock(app, ada, { itemId, as: 'probe', isWanted: true });
    askBlock(app, ada, { itemId, as: 'run', isWanted: true });
    // the run is the next action's own
    expect(page().put).toEqual([{ itemId, name: STUDY.name, as: 'probe', date: '2026-11-25' }]);
    askBlock(app, ada, { itemId, as: 'probe', isWanted: false });
    expect(page().put).toEqual([]);
  });

  it('answers itself at the desk, and the next one follows', () => {
    prepare();
    askBlock(app, ada, { itemId, as: 'run', isWanted: true });
    askBlock(app, ada, { itemId, as: 'any-bar', isWanted: true });
    nextDay();
    const blocks = readToday(app, ada, { auditionId }).roadMap;
    const [run, any] = blocks;
    expect([run!.kind, any!.kind]).toEqual(['run', 'any-bar']);
    const events: Record<string, unknown>[] = [
      { kind: 'day', blocks },
      { kind: 'begin', block: run!.id },
      { kind: 'ran', block: run!.id, isStraight: true, isClean: true, broke: [] },
      { kind: 'end', block: run!.id, seconds: 120, how: 'next' },
      { kind: 'begin', block: any!.id },
      ...any!.starts!.map(() => ({ kind: 'start', block: any!.id, mark: 'c' })),
      { kind: 'end', block: any!.id, seconds: 200, how: 'next' }
    ];
    const made = events.map((event, seq) => ({
      id: `e${seq}`,
      device: 'd',
      seq,
      atMs: nowMs + seq * 1000,
      date: '2026-11-25',
      ...event
    })) as unknown as DeskEvent[];
    keepDeskEvents(app, ada, { candidateId, events: made });
    expect(['straight', 'cold', 'anywhere'].map((kind) => check(kind).state)).toEqual(Array(3).fill('holds'));
    expect(page().next!.checks.map(({ kind }) => kind)).toEqual(['probe']);
  });

  it('is a block of fresh pages too, which have no tempo, and one that the plan has anyway is said to be there', () => {
    const fresh = addItem(app, TEACHER, {
      auditionId,
      item: { ...STUDY, name: 'Sight-reading', kind: 'sight-reading', minutesPerWeek: 30, sections: [] }
    });
    prepare();
    for (const kind of ['straight', 'cold', 'anywhere', 'probe'] as const) say(kind);
    setCheckLevel(app, TEACHER, { itemId, check: 'mock', level: 'off' });
    expect(nextOf(fresh)).toMatchObject({ block: 'work', asked: { as: 'work' } });
    askBlock(app, ada, { itemId: fresh, as: 'work', isWanted: true });
    expect(tomorrow().filter((block) => block.itemId === fresh)).toHaveLength(1);
  });

  it('is of the item with most that is not yet there', () => {
    const other = addItem(app, TEACHER, { auditionId, item: { ...STUDY, name: 'Tern' } });
    ticked.forEach((kind) => say(kind));
    expect(itemsOf(app.db, auditionId).map(({ id }) => id)).toEqual([itemId, other]);
    expect(page().readings.map(({ id }) => id)).toEqual([other, itemId]);
    expect(page().next!.itemId).toBe(other);
  });
});

describe('a mock', () => {
  const play = (bars: string, isBroken = false) => {
    const id = `m ${bars}`;
    const booked = { stage: 3, date: new Date(nowMs).toISOString().slice(0, 10), place: '', minutes: 30 };
    writeInMock(app, TEACHER, { auditionId, id, booked, heard: [{ itemId, bars }], jurors: [] });
    if (isBroken) putMock(app.db, auditionId, { ...findMock(app.db, id)!, broken: [0] });
  };

  it('that hears all of an item and is not broken off is straight through; a part of it says nothing', () => {
    play('1-8');
    expect(check('straight').state).toBe('not yet');
    expect(check('straight').latest).toBeNull();
    play('all');
    expect(check('straight')).toMatchObject({ state: 'holds', latest: { by: 'teacher' } });
  });

  it('that is broken off says it does not go straight through, whatever was heard of it', () => {
    say('straight');
    nextDay();
    play('1-8', true);
    expect(check('straight')).toMatchObject({ state: 'not yet', latest: { isHeld: false } });
  });
});

describe('while something hurts', () => {
  it('no block is offered, to whoever may know of it', () => {
    for (const kind of ticked) say(kind);
    const before = page().next;
    expect(before?.block).not.toBeNull();
    const event = {
      id: 'h',
      device: 'd',
      seq: 1,
      atMs: nowMs,
      date: '2026-11-24',
      kind: 'hurt',
      isTold: false
    };
    keepDeskEvents(app, ada, { candidateId, events: [event as DeskEvent] });
    expect(page()).toMatchObject({ isHurt: true, next: { asked: null } });
    // it was not told to the teacher
    expect(page(TEACHER).isHurt).toBe(false);
  });
});

import { beforeEach, describe, expect, it } from 'vitest';
import { type App, type Who } from '../app';
import { readCall } from './call';
import { readCountback, readHead } from './countback';
import { USE_CASES } from './index';
import { keepSound } from '../takes/keep';
import { bookMock } from './mocks';
import { addTake } from './takes';
import { takeBack } from './undo';
import { logTouch } from './log';
import { readHolder } from '../grant/grant';
import { addSpot } from './spots';
import { acceptJoinLink, makeJoinLink, signIn } from './sign-in';
import {
  addAway,
  archiveCandidate,
  eraseCandidate,
  readFacts,
  readStudio,
  saveFacts,
  saveTime
} from './studio';
import { asAda, openStudio, timeOf, zone, TEACHER } from '../../../../tests/fixtures/small-studio';

let now: number;
let app: App;
let candidateId: string;
let auditionId: string;
let itemId: string;
const TIME = timeOf(0, []);

beforeEach(() => {
  now = Date.parse('2026-11-24T10:00:00Z'); // a Tuesday
  ({ app, candidateId, auditionId, itemId } = openStudio(() => now));
});

const facts = (more: object = {}) => ({
  name: 'Ada',
  instruments: 'oboe',
  zone,
  isMinor: true,
  guardian: 'Her mother',
  consentOn: '2026-11-01',
  privateNote: 'shy of high notes',
  ...more
});
const row = () => readStudio(app, TEACHER, {}).rows[0]!;

describe('the first page', () => {
  it('says since when a plan does not fit, from the day it first did not', () => {
    expect(row().auditions[0]).toMatchObject({ shortSince: '2026-11-24' });
    now += 3 * 86_400_000;
    readHead(app, TEACHER, { auditionId });
    expect(row().auditions[0]!.shortSince).toBe('2026-11-24');
    const week = [1, 2, 3, 4, 5].map((weekday) => ({ weekday, minutes: 60 }));
    saveTime(app, TEACHER, { candidateId, version: 1, time: { ...TIME, week } });
    expect(row().auditions[0]).toMatchObject({ shortSince: null, shortMin: 0 });
  });

  it('names today’s lesson with its hour, and a minor without consent', () => {
    const consentOn = undefined;
    saveFacts(app, TEACHER, { candidateId, facts: facts({ consentOn }), version: 1 });
    expect(row()).toMatchObject({ lessonToday: null, lacksConsent: true });
    const lessons = [{ weekday: 2, start: '16:45', minutes: 45, isInside: false }];
    saveTime(app, TEACHER, { candidateId, version: 1, time: { ...TIME, lessons } });
    saveFacts(app, TEACHER, { candidateId, facts: facts(), version: 2 });
    expect(row()).toMatchObject({ lessonToday: { start: '16:45' }, lacksConsent: false });
  });

  it('leaves out who is put away, with everything kept, until they are put back', () => {
    archiveCandidate(app, TEACHER, { candidateId, isBack: false });
    expect(readStudio(app, TEACHER, {})).toMatchObject({
      rows: [],
      rechecks: [],
      archived: [{ name: 'Ada' }]
    });
    archiveCandidate(app, TEACHER, { candidateId, isBack: true });
    expect(row().name).toBe('Ada');
  });
});

describe('a candidate’s facts', () => {
  it('are saved once by two who change them at the same time', () => {
    saveFacts(app, TEACHER, { candidateId, facts: facts(), version: 1 });
    expect(() => saveFacts(app, TEACHER, { candidateId, facts: facts(), version: 1 })).toThrow(
      'another window'
    );
    expect(readFacts(app, TEACHER, { candidateId }).privateNote).toBe('shy of high notes');
  });

  it('move the plan to the day of a new home', () => {
    now = Date.parse('2026-11-24T22:30:00Z');
    expect(readCountback(app, TEACHER, { auditionId }).today).toBe('2026-11-24');
    saveFacts(app, TEACHER, { candidateId, facts: facts({ zone: 'Asia/Tokyo' }), version: 1 });
    expect(readCountback(app, TEACHER, { auditionId }).today).toBe('2026-11-25');
  });

  it('keep the private note from the candidate: nothing they may read carries it', () => {
    saveFacts(app, TEACHER, { candidateId, facts: facts(), version: 1 });
    const self: Who = asAda(candidateId);
    const reads = Object.entries(USE_CASES).filter(
      ([name, u]) => u.rule === 'see' && name.startsWith('read')
    );
    expect(reads.length).toBeGreaterThan(6);
    addSpot(app, self, { id: 's', itemId, fromBar: 1, toBar: 1, issue: 'late', notHeld: [] });
    const takeIds = ['1', '2'].map((n) => `6f1c0f7e-9a51-4a0b-8b1e-0d1f3c9a7e1${n}`);
    const take = { itemId, fromBar: 1, toBar: 4, date: '2026-11-24', madeAtMs: 0, source: 'run' } as const;
    for (const id of takeIds) {
      addTake(app, self, { itemId, take: { ...take, id, tempo: null, musicAtMs: 0 } });
      keepSound(app, id, { name: 'a'.repeat(64), kind: 'audio/wav', bytes: 1, lengthMs: 1 });
    }
    const booked = { stage: 1, date: '2026-11-25', place: '', minutes: 20 };
    const drawing = { count: 1, isInOrder: true };
    bookMock(app, self, { auditionId, id: 'm', booked, drawing });
    const about = {
      candidateId,
      auditionId,
      itemId,
      takeId: takeIds[0],
      spotId: 's',
      mockId: 'm',
      a: 1,
      b: 1
    };
    for (const [name, read] of reads) {
      const seen = read(app, self, about as never);
      expect(JSON.stringify(seen), name).not.toContain('shy of high notes');
    }
    expect(JSON.stringify(readCall(app, self, { auditionId }))).toContain('Wind band');
  });
});

describe('days away', () => {
  const week = [1, 2, 3, 4, 5, 6, 7].map((weekday) => ({ weekday, minutes: 60 }));
  const time = () => readFacts(app, TEACHER, { candidateId }).candidate.time;

  it('are one entry, laid once for that reason, and can be taken back', () => {
    const concert = { date: '2026-12-20', minutes: 20, why: 'concert' };
    saveTime(app, TEACHER, { candidateId, version: 1, time: { ...TIME, week, exceptions: [concert] } });
    const before = readCountback(app, TEACHER, { auditionId }).number!;
    const undo = addAway(app, TEACHER, { candidateId, from: '2026-12-01', to: '2026-12-14', why: '' });
    const view = readCountback(app, TEACHER, { auditionId });
    expect([view.number, view.cause]).toEqual([before + 1, 'away Tue 1 Dec to Mon 14 Dec']);
    expect(view.aways).toEqual([{ from: '2026-12-01', to: '2026-12-14', isOver: false }]);
    expect(time().exceptions).toEqual([
      { date: '2026-12-01', until: '2026-12-14', minutes: 0, why: 'away' },
      concert
    ]);
    takeBack(app, TEACHER, { undoToken: undo });
    expect(time().exceptions).toEqual([concert]);
  });
});

describe('erasing a candidate', () => {
  it('needs the name typed, and then leaves nothing of them: no log, no plan, no sign-in', async () => {
    const itemId = readCountback(app, TEACHER, { auditionId }).plan!.items[0]!.id;
    logTouch(app, TEACHER, { itemId, date: '2026-11-24', minutes: 12, note: 'low after the leap' });
    const token = makeJoinLink(app, TEACHER, { candidateId });
    const join = { login: 'ada', password: 'seven green boats', device: '' };
    await acceptJoinLink(app, readHolder(app, 'join', token), join);
    expect(() => eraseCandidate(app, TEACHER, { candidateId, typed: 'Bo' })).toThrow('nothing was erased');
    eraseCandidate(app, TEACHER, { candidateId, typed: ' Ada ' });
    for (const table of [
      'candidate',
      'audition',
      'item',
      'touch',
      'plan_version',
      'account',
      'session',
      'slot'
    ])
      expect([table, app.db.prepare(`SELECT count(*) AS n FROM ${table}`).get()]).toEqual([table, { n: 0 }]);
    await expect(
      signIn(app, { kind: 'nobody' }, { ...join, address: 'x', knownDevice: undefined })
    ).rejects.toThrow('do not go together');
    // the call and its list are the studio's
    expect(app.db.prepare('SELECT count(*) AS n FROM list_item').get()).toEqual({ n: 1 });
  });
});

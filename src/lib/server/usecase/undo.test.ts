import { beforeEach, describe, expect, it } from 'vitest';
import { type App, type Who, makeApp } from '../app';
import { openDb } from '../db/open';
import { addAudition, readCall, saveCall } from './call';
import { addItem, readItem, saveItem } from './list';
import { addCandidate, readFacts, saveFacts, saveTime } from './studio';
import { takeBack } from './undo';
import { STUDY } from '../../../../tests/fixtures/study';

const TEACHER: Who = { kind: 'teacher', accountId: 't', name: 'Teacher' };
const zone = 'Europe/Brussels';
let app: App;
let candidateId: string;
let auditionId: string;
let itemId: string;
const self = (): Who => ({ kind: 'candidate', accountId: 'a', candidateId, name: 'Ada', isPutAway: false });
const time = (minutes: number) => ({
  week: [{ weekday: 1, minutes }],
  exceptions: [],
  lessons: [],
  warmUpMin: 0,
  fundamentalsMin: 0
});

beforeEach(() => {
  app = makeApp(openDb(':memory:'), () => Date.parse('2026-11-24T10:00:00Z'));
  candidateId = addCandidate(app, TEACHER, { name: 'Ada', instruments: 'oboe', zone });
  const rounds = [{ id: 'r1', name: 'first round', date: '2027-01-09', zone, isHistory: false }];
  auditionId = addAudition(app, TEACHER, { candidateId, name: 'Wind band', rounds, dates: [] });
  itemId = addItem(app, TEACHER, { auditionId, item: STUDY });
});

describe('what was saved is taken back', () => {
  it('of an item, with its errata and sections', () => {
    const before = readItem(app, TEACHER, { itemId }).item;
    const item = { ...before, name: 'Another', errata: [{ bar: 3, says: 'tie' }], toBar: 20 };
    const undoToken = saveItem(app, TEACHER, { itemId, item, version: before.version });
    expect(readItem(app, TEACHER, { itemId }).item).toMatchObject({ name: 'Another', errata: [{ bar: 3 }] });
    takeBack(app, TEACHER, { undoToken });
    expect(readItem(app, TEACHER, { itemId }).item).toMatchObject({ ...before, version: before.version + 4 });
  });

  it('of a call, with its dates', () => {
    const { call } = readCall(app, TEACHER, { auditionId }).audition;
    const rounds = call.rounds.map((r) => ({ ...r, date: '2027-02-09' }));
    const saved = { auditionId, name: 'Other', rounds, dates: [], version: call.version };
    const undoToken = saveCall(app, TEACHER, saved);
    takeBack(app, TEACHER, { undoToken });
    expect(readCall(app, TEACHER, { auditionId }).audition).toMatchObject({
      name: 'Wind band',
      rounds: [{ date: '2027-01-09' }]
    });
  });

  it('of a week and of facts', () => {
    saveTime(app, TEACHER, { candidateId, version: 1, time: time(60) });
    const week = saveTime(app, self(), { candidateId, version: 2, time: time(90) });
    takeBack(app, self(), { undoToken: week });
    const { candidate, privateNote } = readFacts(app, TEACHER, { candidateId });
    expect(candidate.time.week).toEqual([{ weekday: 1, minutes: 60 }]);
    const facts = {
      name: 'Bo',
      instruments: 'flute',
      zone,
      isMinor: true,
      guardian: 'x',
      consentOn: null,
      privateNote: 'y'
    };
    takeBack(app, TEACHER, { undoToken: saveFacts(app, TEACHER, { candidateId, facts, version: 1 }) });
    const again = readFacts(app, TEACHER, { candidateId });
    expect([again.candidate.name, again.privateNote]).toEqual([candidate.name, privateNote]);
  });

  it('once, and by a candidate only what is theirs', () => {
    const before = readItem(app, TEACHER, { itemId }).item;
    const undoToken = saveItem(app, TEACHER, { itemId, item: before, version: before.version });
    expect(() => takeBack(app, self(), { undoToken })).toThrow('somebody else');
    takeBack(app, TEACHER, { undoToken });
    expect(() => takeBack(app, TEACHER, { undoToken })).toThrow('nothing here');
  });
});

import { beforeEach, describe, expect, it } from 'vitest';
import { type App, type Who } from '../app';
import { readCall, saveCall } from './call';
import { readItem, saveItem } from './list';
import { PLACES } from '../change/places';
import { readHome, saveLessonNote, setStep, setTarget } from './lesson';
import { addWish, answerWish } from './wish';
import { addAway, readFacts, saveFacts, saveTime } from './studio';
import { takeBack } from './undo';
import { keepChanges } from './what-if';
import { asAda, openStudio, timeOf, zone, TEACHER } from '../../../../tests/fixtures/small-studio';

let app: App;
let now: number;
let candidateId: string;
let auditionId: string;
let itemId: string;
const self = (): Who => asAda(candidateId);
const time = (minutes: number) => timeOf(minutes, [1]);

beforeEach(() => {
  now = Date.parse('2026-11-24T10:00:00Z');
  ({ app, candidateId, auditionId, itemId } = openStudio(() => now));
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

  it('of a call with its own dates and slots', () => {
    const { call, ownVersion: version } = readCall(app, TEACHER, { auditionId }).audition;
    const own = {
      version,
      dates: [{ date: '2027-01-02', name: 'mock', kind: 'mock' as const, minutes: 20 }],
      slots: [{ roundId: 'r1', date: '2027-01-08', time: '09:30' }]
    };
    const undoToken = saveCall(app, TEACHER, { ...call, auditionId, own });
    expect(readCall(app, TEACHER, { auditionId }).audition).toMatchObject({
      ownDates: own.dates,
      slots: own.slots
    });
    takeBack(app, TEACHER, { undoToken });
    expect(readCall(app, TEACHER, { auditionId }).audition).toMatchObject({ ownDates: [], slots: [] });
  });

  it('once, and by a candidate only what is theirs', () => {
    const before = readItem(app, TEACHER, { itemId }).item;
    const undoToken = saveItem(app, TEACHER, { itemId, item: before, version: before.version });
    expect(() => takeBack(app, self(), { undoToken })).toThrow('somebody else');
    takeBack(app, TEACHER, { undoToken });
    expect(() => takeBack(app, TEACHER, { undoToken })).toThrow('nothing here');
  });
});

describe('what somebody has done since is not taken back with it', () => {
  const item = () => readItem(app, TEACHER, { itemId }).item;
  const call = () => readCall(app, TEACHER, { auditionId }).audition;
  const facts = (privateNote: string) => ({ ...PLACES.facts.read(app, { candidateId })!, privateNote });
  const section = () => item().sections[0]!.id;
  /** Each: a deed done twice; the first can then no longer be taken back, the second can, and then the first. */
  const DEEDS: [string, () => string, () => string][] = [
    ['an item', () => saveNamed('Another'), () => saveNamed('A third')],
    ['a call', () => saveCalled('Other'), () => saveCalled('Another')],
    ['own dates', () => saveOwn('mock one'), () => saveOwn('mock two')],
    ['minutes', () => saveMinutes(60), () => saveMinutes(90)],
    [
      'days away',
      () => addAway(app, self(), { candidateId, from: '2026-12-01', to: '2026-12-05', why: '' }),
      () => saveMinutes(45)
    ],
    ['facts', () => saveNoted('one'), () => saveNoted('two')],
    ['a lesson note', () => note('slow', ''), () => note('slower', 'slow')],
    [
      'a target',
      () => setTarget(app, TEACHER, { itemId, sectionId: section(), bpm: 88 }),
      () => setTarget(app, TEACHER, { itemId, sectionId: section(), bpm: 84 })
    ],
    [
      'a step',
      () => setStep(app, TEACHER, { itemId, step: { kind: 'zigzag' } }),
      () => setStep(app, TEACHER, { itemId, step: undefined })
    ],
    ['what was tried', () => keep(10), () => keep(12)]
  ];
  const saveNamed = (name: string) =>
    saveItem(app, TEACHER, { itemId, item: { ...item(), name }, version: item().version });
  const saveCalled = (name: string) => saveCall(app, TEACHER, { ...call().call, auditionId, name });
  const saveOwn = (name: string) =>
    saveCall(app, TEACHER, {
      ...call().call,
      auditionId,
      own: {
        version: call().ownVersion,
        slots: [],
        dates: [{ date: '2027-01-02', name, kind: 'mock', minutes: 20 }]
      }
    });
  const version = () => readFacts(app, TEACHER, { candidateId }).candidate;
  const saveMinutes = (minutes: number) =>
    saveTime(app, self(), { candidateId, time: time(minutes), version: version().timeVersion });
  const saveNoted = (privateNote: string) =>
    saveFacts(app, TEACHER, { candidateId, facts: facts(privateNote), version: version().factsVersion });
  const note = (text: string, was: string) => saveLessonNote(app, TEACHER, { candidateId, note: text, was });
  const keep = (fundamentalsMin: number) =>
    keepChanges(app, TEACHER, { auditionId, changes: { fundamentalsMin } });

  it.each(DEEDS)('%s', (_, first, second) => {
    const early = first();
    const late = second();
    expect(() => takeBack(app, TEACHER, { undoToken: early })).toThrow('It was changed again since then');
    takeBack(app, TEACHER, { undoToken: late });
    takeBack(app, TEACHER, { undoToken: early });
  });

  it('nor a wish that was answered meanwhile', () => {
    const undoToken = addWish(app, self(), { candidateId, says: 'the aria faster' });
    const wishId = readHome(app, self(), { candidateId }).wishes[0]!.id;
    const { token: answered } = answerWish(app, TEACHER, { wishId, answer: 'accepted' });
    expect(() => takeBack(app, self(), { undoToken })).toThrow('It was changed again since then');
    // nor is the answer the candidate's to take back
    expect(() => takeBack(app, self(), { undoToken: answered })).toThrow('somebody else');
  });
});

describe('a day later', () => {
  it('nothing can be taken back, and what stood there before is forgotten', () => {
    const minutes = (n: number, version: number) =>
      saveTime(app, self(), { candidateId, version, time: time(n) });
    const undoToken = minutes(60, 1);
    now += 24 * 3_600_000 + 1;
    expect(() => takeBack(app, self(), { undoToken })).toThrow('nothing here');
    minutes(90, 2);
    expect(app.db.prepare('SELECT count(*) AS n FROM change WHERE before_json IS NOT NULL').get()).toEqual({
      n: 1
    });
  });
});

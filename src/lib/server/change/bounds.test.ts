import { beforeEach, describe, expect, it } from 'vitest';
import { type App, type Who, makeApp } from '../app';
import { openDb } from '../db/open';
import { CodedError } from '../errors';
import { addAudition, readCall, saveCall } from '../usecase/call';
import { addItem, addItems, readItem, saveItem } from '../usecase/list';
import { readHome, setDayMinutes } from '../usecase/lesson';
import { addWish, answerWish } from '../usecase/wish';
import { logTouch } from '../usecase/log';
import { pinBlock } from '../usecase/pin';
import { addAway, archiveCandidate, readFacts, saveFacts, saveTime } from '../usecase/studio';
import { STUDY, TEACHER, addPlayer, timeOf, zone } from '../../../../tests/fixtures/small-studio';

let app: App;
let candidateId: string;
let auditionId: string;
let itemId: string;
const self = (isPutAway = false): Who => ({
  kind: 'candidate',
  accountId: 'a',
  candidateId,
  name: 'Ada',
  isPutAway
});
const TIME = timeOf(0, []);

beforeEach(() => {
  app = makeApp(openDb(':memory:'), () => Date.parse('2026-11-24T10:00:00Z'));
  candidateId = addPlayer(app, 'Ada');
  const rounds = [
    { id: 'r0', name: 'pre-screening', date: '2026-11-01', zone, isHistory: true },
    { id: 'r1', name: 'first round', date: '2027-01-09', zone, isHistory: false }
  ];
  auditionId = addAudition(app, TEACHER, { candidateId, name: 'Wind band', rounds, dates: [] });
  itemId = addItem(app, TEACHER, { auditionId, item: STUDY });
});

const codeOf = (run: () => unknown) => {
  try {
    run();
    return 'done';
  } catch (thrown) {
    return thrown instanceof CodedError ? thrown.code : 'another error';
  }
};

describe('a date out of reach is refused where it would be kept', () => {
  const call = () => readCall(app, TEACHER, { auditionId }).audition;
  const save = (more: object) => saveCall(app, TEACHER, { ...call().call, auditionId, ...more });
  const own = (more: object) => save({ own: { dates: [], version: call().ownVersion, slots: [], ...more } });
  const item = () => readItem(app, TEACHER, { itemId }).item;
  const facts = { name: 'Ada', instruments: 'oboe', zone, isMinor: true, guardian: '', privateNote: '' };

  const KEPT: [string, (date: string) => unknown][] = [
    ['a round', (date) => save({ rounds: [{ ...call().call.rounds[1]!, date }] })],
    [
      'a past round’s day',
      (date) => save({ rounds: [{ ...call().call.rounds[1]!, date, isHistory: true }] })
    ],
    ['an upload day', (date) => save({ rounds: [{ ...call().call.rounds[1]!, uploadBy: date }] })],
    ['a date of the call', (date) => save({ dates: [{ date, name: 'closes', kind: 'deadline' }] })],
    ['a mock', (date) => own({ dates: [{ date, name: 'mock', kind: 'mock', minutes: 20 }] })],
    [
      'minutes of a day',
      (date) =>
        saveTime(app, self(), {
          candidateId,
          version: 1,
          time: { ...TIME, exceptions: [{ date, minutes: 0 }] }
        })
    ],
    ['days away', (date) => addAway(app, self(), { candidateId, from: date, to: date, why: '' })],
    ['minutes agreed', (date) => setDayMinutes(app, TEACHER, { candidateId, days: [{ date, minutes: 30 }] })],
    [
      'a section’s day',
      (date) =>
        saveItem(app, TEACHER, {
          itemId,
          version: item().version,
          item: { ...item(), sections: item().sections.map((s) => ({ ...s, dueOn: date })) }
        })
    ],
    [
      'a consent',
      (date) => saveFacts(app, TEACHER, { candidateId, version: 1, facts: { ...facts, consentOn: date } })
    ],
    ['a pin', (date) => pinBlock(app, TEACHER, { itemId, date, minutes: 20 })],
    ['a touch', (date) => logTouch(app, self(), { itemId, date, minutes: 5 })]
  ];

  it.each(KEPT)('%s', (_, keep) => {
    expect(codeOf(() => keep('2199-12-31'))).toBe('date-unsound');
    expect(['date-unsound', 'pin-in-the-past']).toContain(codeOf(() => keep('1900-01-01')));
  });

  it('a slot, also of a round that has taken place', () => {
    for (const roundId of ['r0', 'r1'])
      expect(codeOf(() => own({ slots: [{ roundId, date: '2199-12-31' }] }))).toBe('slot-unsound');
    expect(call().slots).toEqual([]);
  });
});

describe('a count beyond what a studio has is refused where it would be kept', () => {
  it('of dated exceptions, by whichever door they come', () => {
    const exceptions = Array.from({ length: 400 }, (_, i) => ({
      date: new Date(Date.UTC(2025, 0, 1 + 2 * i)).toISOString().slice(0, 10),
      minutes: i + 1
    }));
    saveTime(app, self(), { candidateId, version: 1, time: { ...TIME, exceptions } });
    expect(
      codeOf(() => addAway(app, self(), { candidateId, from: '2027-06-01', to: '2027-06-02', why: '' }))
    ).toBe('too-many');
    expect(
      codeOf(() => setDayMinutes(app, TEACHER, { candidateId, days: [{ date: '2027-06-01', minutes: 7 }] }))
    ).toBe('too-many');
  });

  it('and 400 years away are 400 entries, not 146,000 days', () => {
    const exceptions = Array.from({ length: 400 }, (_, i) => ({
      date: '2026-01-01',
      until: '2026-12-31',
      minutes: i
    }));
    saveTime(app, self(), { candidateId, version: 1, time: { ...TIME, exceptions } });
    const { time_json } = app.db.prepare('SELECT time_json FROM candidate').get() as { time_json: string };
    expect(time_json.length).toBeLessThan(40_000);
    expect(
      codeOf(() => addAway(app, self(), { candidateId, from: '2026-01-01', to: '2027-06-01', why: '' }))
    ).toBe('date-unsound');
  });

  it('of items on a list, typed or pasted', () => {
    const items = Array.from({ length: 79 }, (_, i) => ({ ...STUDY, name: `Study ${i + 2}` }));
    expect(
      codeOf(() => addItems(app, TEACHER, { auditionId, items: [...items, { ...STUDY, name: 'one more' }] }))
    ).toBe('too-many');
    addItems(app, TEACHER, { auditionId, items: items.slice(0, 2) });
  });

  it('of wishes that wait; once answered there is room again', () => {
    for (let i = 0; i < 40; i += 1) addWish(app, self(), { candidateId, says: `wish ${i}` });
    expect(codeOf(() => addWish(app, self(), { candidateId, says: 'one more' }))).toBe('too-many');
    answerWish(app, TEACHER, {
      wishId: readHome(app, self(), { candidateId }).wishes[0]!.id,
      answer: 'accepted'
    });
    expect(codeOf(() => addWish(app, self(), { candidateId, says: 'one more' }))).toBe('done');
  });
});

describe('a round of a call', () => {
  const other = () =>
    addAudition(app, TEACHER, {
      candidateId,
      name: 'Other band',
      dates: [],
      rounds: [{ id: 'r9', name: 'final', date: '2027-02-09', zone, isHistory: false }]
    });

  it('is never another call’s, nor one there twice: nothing is dropped in silence', () => {
    const mine = other();
    const { call } = readCall(app, TEACHER, { auditionId: mine }).audition;
    for (const rounds of [[{ ...call.rounds[0]!, id: 'r1' }], [call.rounds[0]!, call.rounds[0]!]])
      expect(codeOf(() => saveCall(app, TEACHER, { ...call, rounds, auditionId: mine }))).toBe(
        'changed-elsewhere'
      );
    expect(readCall(app, TEACHER, { auditionId: mine }).audition.rounds).toHaveLength(1);
    expect(readCall(app, TEACHER, { auditionId }).audition.rounds).toHaveLength(2);
  });
});

describe('who was put away', () => {
  it('reads on, and changes nothing', () => {
    archiveCandidate(app, TEACHER, { candidateId, isBack: false });
    expect(readCall(app, self(true), { auditionId }).audition.name).toBe('Wind band');
    expect(codeOf(() => logTouch(app, self(true), { itemId, date: '2026-11-24', minutes: 5 }))).toBe(
      'put-away'
    );
    expect(codeOf(() => addWish(app, self(true), { candidateId, says: 'x' }))).toBe('put-away');
    expect(
      codeOf(() => addAway(app, self(true), { candidateId, from: '2026-12-01', to: '2026-12-01', why: '' }))
    ).toBe('put-away');
    expect(readFacts(app, TEACHER, { candidateId }).candidate.time.exceptions).toEqual([]);
  });
});

import { beforeEach, describe, expect, it } from 'vitest';
import { asAda, openStudio, timeOf, STUDY, TEACHER } from '../../../../tests/fixtures/small-studio';
import { readAfterForm, readRoundDayForm } from '../../schema/round-day';
import { type App, type Who, makeApp } from '../app';
import { findStep, takeBackChange } from '../change/apply';
import { openDb } from '../db/open';
import { exportCandidate, importArchive } from './archive';
import { addAudition, readCall, saveCall } from './call';
import { readHead } from './countback';
import { readToday } from './desk';
import { addItem } from './list';
import { logTouch } from './log';
import { readRoundDay, setRoundDay, tellRound } from './round-day';

let nowMs: number;
let app: App;
let candidateId: string;
let auditionId: string;
let itemId: string;
let ada: Who;
beforeEach(() => {
  nowMs = Date.parse('2026-11-24T16:00:00Z');
  ({ app, candidateId, auditionId, itemId } = openStudio(() => nowMs, timeOf(60, [1, 2, 3, 4, 5])));
  ada = asAda(candidateId);
});

const day = (on = app, who: Who = ada) => readRoundDay(on, who, { auditionId });
/** Puts the round at an hour, in a zone. */
function slot(time: string, zone = 'Europe/Brussels') {
  const { call } = readCall(app, TEACHER, { auditionId }).audition;
  const { name, dates, webAddress, version } = call;
  const rounds = call.rounds.map((round) => ({ ...round, time, zone }));
  saveCall(app, TEACHER, { auditionId, name, dates, webAddress, version, rounds });
}
const set = (fields: Record<string, string>, who = ada) => {
  const read = readRoundDayForm('r1', fields);
  if ('faults' in read) throw new Error(JSON.stringify(read.faults));
  return setRoundDay(app, who, { auditionId, ...read });
};

describe('the day of a round', () => {
  it('has no clock before the slot is known, and is counted back from it then', () => {
    expect(day()).toMatchObject({ slotMs: null, steps: [], round: { id: 'r1', time: null } });
    slot('10:40');
    set({ travelMin: '48', 'note-eat': 'bread, tea', place: 'hall 1' });
    expect(day().steps[0]).toMatchObject({ step: 'rise', there: { time: '06:50', date: null }, home: null });
    expect(day()).toMatchObject({ homeZone: null, day: { place: 'hall 1', notes: { eat: 'bread, tea' } } });
  });

  it('is in the zone of the venue, with the clock at home beside it where that goes otherwise', () => {
    slot('10:40', 'America/New_York');
    set({ travelMin: '48' });
    // six hours apart in January
    expect(day()).toMatchObject({ homeZone: 'Europe/Brussels' });
    expect(day().steps.at(-1)).toMatchObject({
      there: { time: '10:20' },
      home: { time: '16:20', date: null }
    });
  });

  it('says of each item what it begins at: what holds, the target at most', () => {
    expect(day().items).toMatchObject([{ id: itemId, tempo: { bpm: 96 }, thought: '' }]);
    logTouch(app, TEACHER, {
      itemId,
      date: '2026-11-24',
      minutes: 9,
      tempoBpm: 80,
      unit: 'quarter',
      attempts: 'ccc'
    });
    expect(day().items[0]!.tempo).toEqual({ bpm: 80, unit: 'quarter' });
    logTouch(app, TEACHER, {
      itemId,
      date: '2026-11-24',
      minutes: 9,
      tempoBpm: 104,
      unit: 'quarter',
      attempts: 'ccc'
    });
    expect(day().items[0]!.tempo!.bpm).toBe(96);
  });

  it('has thoughts, which stand at the desk as well; all of it is taken back at once', () => {
    slot('10:40');
    const token = set({ travelMin: '48', [`thought-${itemId}`]: 'air to the end' });
    expect(day().items[0]!.thought).toBe('air to the end');
    expect(readToday(app, ada, { auditionId }).items[0]!.thought).toBe('air to the end');
    takeBackChange(app, findStep(app, token)!);
    expect(day()).toMatchObject({ day: { travelMin: null }, items: [{ thought: '' }] });
  });

  it('goes along in an archive', async () => {
    slot('10:40');
    set({ travelMin: '48', 'min-silent': '18', [`thought-${itemId}`]: 'air to the end' });
    const other = makeApp(openDb(':memory:'), () => nowMs);
    await importArchive(other, TEACHER, { archive: exportCandidate(app, TEACHER, { candidateId }) });
    const { homeZone, day: set1, items } = day(other, TEACHER);
    expect({ homeZone, day: set1, thoughts: items.map(({ thought }) => thought) }).toEqual({
      homeZone: null,
      day: { roundId: 'r1', travelMin: 48, minutes: { silent: 18 }, notes: {}, place: '' },
      thoughts: ['air to the end']
    });
  });

  it('is set for a round of that audition only, and by whose it is', () => {
    const read = { roundId: 'elsewhere', travelMin: 10, minutes: {}, notes: {}, place: '' };
    expect(() => setRoundDay(app, ada, { auditionId, day: read, thoughts: new Map() })).toThrow();
    const other: Who = { ...ada, candidateId: 'other' } as Who;
    expect(() => day(app, other)).toThrow();
    addItem(app, TEACHER, { auditionId, item: { ...STUDY, name: 'Tern' } });
    set({ [`thought-nobody`]: 'x' });
    expect(day().items.map(({ thought }) => thought)).toEqual(['', '']);
  });
});

describe('afterwards', () => {
  it('is told what was asked and how it went, and the day stays as it was set; each is taken back by itself', () => {
    slot('10:40');
    set({ travelMin: '48' });
    expect(day().isOver).toBe(false);
    nowMs = Date.parse('2027-01-09T09:41:00Z');
    expect(day().isOver).toBe(true);
    const read = readAfterForm({
      [`heard-${itemId}`]: 'uneven',
      'heard-x': '',
      result: 'Heard again in May.',
      keep: ''
    });
    if ('faults' in read) throw new Error('faults');
    const token = tellRound(app, ada, { auditionId, roundId: 'r1', ...read });
    const after = { result: 'Heard again in May.', keep: '', heard: [{ itemId, word: 'uneven' }] };
    expect(day().day).toMatchObject({ travelMin: 48, after });
    set({ travelMin: '30' });
    expect(day().day).toMatchObject({ travelMin: 30, after });
    expect(() => takeBackChange(app, findStep(app, token)!)).toThrow('changed again');
    nowMs += 86_400_000;
    expect(day()).toMatchObject({ round: { id: 'r1' }, day: { after } });
    // the head leads there by then; where there is no round at all it does not
    const isOver = (id: string) => readHead(app, ada, { auditionId: id }).isOver;
    const none = addAudition(app, TEACHER, { candidateId, name: 'No round yet', rounds: [], dates: [] });
    expect([isOver(auditionId), isOver(none)]).toEqual([true, false]);
  });

  it('is not told of a round of another audition; a text that is too long is said at its field', () => {
    const after = { result: '', keep: '', heard: [] };
    expect(() => tellRound(app, ada, { auditionId, roundId: 'elsewhere', after })).toThrow();
    expect(readAfterForm({ result: 'x'.repeat(4001) })).toEqual({
      faults: { result: 'At most 4,000 characters, please.' }
    });
  });
});

describe('its form', () => {
  it('says at each field what is wrong, and takes an empty one as usual', () => {
    expect(
      readRoundDayForm('r', { travelMin: 'long', 'min-eat': '-5', 'note-eat': 'x'.repeat(201) })
    ).toEqual({
      faults: {
        travelMin: expect.stringContaining('number') as string,
        'min-eat': expect.any(String) as string,
        'note-eat': expect.stringContaining('200') as string
      }
    });
    expect(readRoundDayForm('r', { travelMin: '', 'min-eat': ' ', 'note-eat': '' })).toEqual({
      day: { roundId: 'r', travelMin: null, minutes: {}, notes: {}, place: '' },
      thoughts: new Map()
    });
  });
});

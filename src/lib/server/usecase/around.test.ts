import { beforeEach, describe, expect, it } from 'vitest';
import {
  addPlayer,
  addRound,
  asAda,
  codeOf,
  openStudio,
  timeOf,
  STUDY,
  TEACHER
} from '../../../../tests/fixtures/small-studio';
import type { App, Who } from '../app';
import { findStep, takeBackChange } from '../change/apply';
import { findAudition } from '../store/audition';
import { addUsualTasks, dropTask, putTask, readTasks, tickTask } from './around';
import { readLastTimes } from './before';
import { readCountback } from './countback';
import { readToday } from './desk';
import { addItem, prepareHolds } from './list';
import { logTouch } from './log';
import { tellRound } from './round-day';

let nowMs: number;
let app: App;
let candidateId: string;
let auditionId: string;
let itemId: string;
let ada: Who;
beforeEach(() => {
  nowMs = Date.parse('2026-11-24T16:00:00Z');
  ({ app, candidateId, auditionId, itemId } = openStudio(() => nowMs, timeOf(60, [1, 2, 3, 4, 5, 6])));
  ada = asAda(candidateId);
});
const tasks = () => readTasks(app, ada, { auditionId }).tasks;
const takeBack = (token: string) => takeBackChange(app, findStep(app, token)!);

describe('tasks around an audition', () => {
  it('come with it, counted back from its round where no deadline is known', () => {
    // the round is on 9 January: 28, 14 and 5 days before it; travel 21, the slot 10, reeds 3
    expect(tasks().map(({ dueOn }) => dueOn)).toEqual([
      '2026-12-12',
      '2026-12-19',
      '2026-12-26',
      '2026-12-30',
      '2027-01-04',
      '2027-01-04',
      '2027-01-06'
    ]);
    expect(tasks().every(({ doneOn, who }) => doneOn === null && who === '')).toBe(true);
  });

  it('stand among the dates of the season until they are done', () => {
    const named = () => readCountback(app, ada, { auditionId }).audition.dates.map(({ name }) => name);
    expect(named()).toContain('travel');
    const { id } = tasks().find(({ name }) => name === 'travel')!;
    const undo = tickTask(app, ada, { auditionId, id, isDone: true });
    expect(named()).not.toContain('travel');
    expect(tasks().find((one) => one.id === id)!.doneOn).toBe('2026-11-24');
    takeBack(undo);
    expect(named()).toContain('travel');
  });

  it('are entered, changed, taken out, and taken back', () => {
    putTask(app, ada, { auditionId, task: { id: '', name: 'photograph', dueOn: '2026-12-01', who: 'Bo' } });
    const mine = () => tasks().find(({ who }) => who === 'Bo');
    putTask(app, TEACHER, { auditionId, task: { ...mine()!, name: 'a photograph', dueOn: null } });
    expect(mine()).toMatchObject({ name: 'a photograph', dueOn: null });
    const undo = dropTask(app, ada, { auditionId, id: mine()!.id });
    expect(mine()).toBeUndefined();
    takeBack(undo);
    expect(mine()).toBeDefined();
    const put = (task: object) => () =>
      putTask(app, ada, { auditionId, task: { id: '', name: 'x', dueOn: null, who: '', ...task } });
    expect(codeOf(put({ dueOn: '2199-01-01' }))).toBe('date-unsound');
    expect(codeOf(put({ id: 'none' }))).toBe('not-found');
    // what is old by now, further back than a day that is entered may be, is ticked all the same
    nowMs = Date.parse('2058-01-01T16:00:00Z');
    tickTask(app, ada, { auditionId, id: tasks()[0]!.id, isDone: true });
    nowMs = Date.parse('2026-11-24T16:00:00Z');
    for (let n = tasks().length; n < 100; n += 1) put({ name: `task ${n}` })();
    expect(codeOf(put({}))).toBe('too-many');
  });

  it('of an audition without dates get theirs when there are some; what was changed stays', () => {
    const fresh = addRound(app, addPlayer(app, 'Bo'), { id: 'r2', name: 'Bo’s', date: '2027-02-10' });
    const seen = () => readTasks(app, TEACHER, { auditionId: fresh }).tasks;
    const [first, second, third] = seen();
    putTask(app, TEACHER, { auditionId: fresh, task: { ...first!, dueOn: null } });
    putTask(app, TEACHER, { auditionId: fresh, task: { ...second!, dueOn: '2026-12-24' } });
    dropTask(app, TEACHER, { auditionId: fresh, id: third!.id });
    addUsualTasks(app, TEACHER, { auditionId: fresh });
    expect(seen().find(({ id }) => id === first!.id)!.dueOn).toBe(first!.dueOn);
    expect(seen().find(({ id }) => id === second!.id)!.dueOn).toBe('2026-12-24');
    // the one that was taken out is there again, once, and nothing else came twice
    expect(seen().filter(({ name }) => name === third!.name)).toHaveLength(1);
    expect(seen()).toHaveLength(7);
  });

  it('due within a week, or before, are said on the day’s page; the two light days say what they are for', () => {
    const due = () => readToday(app, ada, { auditionId }).due.map(({ name }) => name.split(/[ ,]/)[0]);
    expect(due()).toEqual([]);
    nowMs = Date.parse('2026-12-13T16:00:00Z');
    // the 12th is over, travel's 19th is six days away, the résumé's 26th is not within a week
    expect(due()).toEqual(['decide', 'travel']);
    expect(readToday(app, ada, { auditionId }).light).toBeNull();
    nowMs = Date.parse('2027-01-08T10:00:00Z');
    expect(readToday(app, ada, { auditionId }).light).toMatch(/^A light day: sound/);
  });
});

describe('the next audition', () => {
  it('begins with what was told of the last one, and with what held then', () => {
    logTouch(app, ada, {
      itemId,
      date: '2026-11-23',
      minutes: 20,
      tempoBpm: 84,
      attempts: 'cccc',
      fromBar: 1,
      toBar: 16
    });
    const { rounds } = findAudition(app.db, auditionId)!;
    nowMs = Date.parse('2027-01-10T16:00:00Z');
    const after = {
      result: 'second oboe',
      keep: 'the march first',
      heard: [{ itemId, word: 'uneven' as const }]
    };
    const next = addRound(app, candidateId, { id: 'r9', name: 'Next year’s', date: '2027-12-01' });
    const times = () => readLastTimes(app, TEACHER, { auditionId: next });
    expect(times()).toEqual([]);
    tellRound(app, ada, { auditionId, roundId: rounds[0]!.id, after });
    expect(times()).toEqual([
      {
        auditionId,
        name: 'Wind band',
        on: '2027-01-09',
        result: 'second oboe',
        keep: 'the march first',
        heard: [{ name: STUDY.name, word: 'uneven' }]
      }
    ]);
    // on its own last day an audition is not behind
    nowMs = Date.parse('2027-01-09T16:00:00Z');
    expect(times()).toEqual([]);
    // nothing comes before the one that is behind
    expect(readLastTimes(app, TEACHER, { auditionId })).toEqual([]);
    nowMs = Date.parse('2027-10-01T16:00:00Z');
    addItem(app, TEACHER, { auditionId: next, item: { ...STUDY, name: STUDY.name.toUpperCase() } });
    addItem(app, TEACHER, { auditionId: next, item: { ...STUDY, name: 'Tern' } });
    const asked = prepareHolds(app, TEACHER, { auditionId: next });
    expect(asked.map(({ itemName, before }) => [itemName, before?.bpm ?? null])).toEqual([
      [STUDY.name.toUpperCase(), 84],
      ['Tern', null]
    ]);
    expect(asked[0]!.before).toMatchObject({ unit: 'quarter', on: '2026-11-23', audition: 'Wind band' });
  });
});

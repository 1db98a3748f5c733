import { beforeEach, describe, expect, it } from 'vitest';
import type { DeskEvent } from '../../core/record';
import { archiveCandidate } from '../../schema/archive';
import { type App, type Who, makeApp } from '../app';
import { openDb } from '../db/open';
import {
  addPlayer,
  asAda,
  openStudio,
  timeOf,
  TEACHER,
  codeOf
} from '../../../../tests/fixtures/small-studio';
import { exportCandidate, importArchive } from './archive';
import { readCountback } from './countback';
import { keepDeskEvents, readToday } from './desk';
import { logTouch, readLog } from './log';
import { readCandidate, readStudio, saveTime } from './studio';
import { addSpot, readSpot, readSpotPage, setSpot } from './spots';
import { addWay, readWaysPage, setWayOffered } from './ways';

const DAY_MS = 86_400_000;
const NOW = Date.parse('2026-11-24T16:00:00Z');

let app: App;
let now = NOW;
let candidateId: string;
let auditionId: string;
let itemId: string;
let ada: Who;

beforeEach(() => {
  now = NOW;
  ({ app, candidateId, auditionId, itemId } = openStudio(() => now, timeOf(60, [1, 2, 3, 4, 5, 6, 7])));
  ada = asAda(candidateId);
});

const found = (more: object = {}) =>
  addSpot(app, ada, {
    id: 'leap',
    itemId,
    fromBar: 5,
    toBar: 6,
    issue: 'flat after the leap',
    notHeld: [],
    ...more
  });
const spots = () => readSpotPage(app, ada, { auditionId }).spots;

/** A day on which the first spot laid into the road map is answered so, at the section's tempo. */
function workSpot(marks: string): DeskEvent[] {
  const { roadMap, today } = readToday(app, ada, { auditionId });
  const block = roadMap.find((one) => one.spots?.length)!;
  const { id: spot, methods } = block.spots![0]!;
  const [method] = methods;
  const made = (seq: number) => ({
    id: `${today}-${seq}`,
    device: 'tablet',
    seq,
    atMs: now + seq * 20_000,
    date: today
  });
  const answers = [...marks].map((mark, i) => ({
    ...made(2 + i),
    kind: 'move' as const,
    block: block.id,
    move: { kind: mark === 'c' ? ('clean' as const) : ('not-yet' as const) },
    part: 0,
    spot,
    method,
    bpm: Math.max(...block.work!.way)
  }));
  return [
    { ...made(0), kind: 'day', blocks: [...roadMap] },
    { ...made(1), kind: 'begin', block: block.id },
    ...answers,
    { ...made(2 + marks.length), kind: 'end', block: block.id, seconds: 300, how: 'next' }
  ];
}
const keep = (events: readonly DeskEvent[]) => keepDeskEvents(app, ada, { candidateId, events });

describe('a spot', () => {
  it('is laid into the next road map before the rung, with a way to practise it, and rests after three clean days', () => {
    expect(readToday(app, ada, { auditionId }).roadMap.some((block) => block.spots)).toBe(false);
    found();
    const methods: string[] = [];
    for (let day = 0; day < 3; day += 1) {
      const events = workSpot('nccc');
      keep(events);
      methods.push(String(events.flatMap((event) => ('method' in event ? [event.method] : [])).at(-1)));
      now += DAY_MS;
    }
    // never the same way twice running
    expect(new Set(methods).size).toBe(3);
    expect(spots()).toMatchObject([{ id: 'leap', state: 'resting', days: 3, dueOn: '2026-12-03' }]);
    expect(readToday(app, ada, { auditionId }).roadMap.some((block) => block.spots)).toBe(false);
    now += 6 * DAY_MS;
    const asked = readToday(app, ada, { auditionId }).roadMap.flatMap((block) => block.spots ?? []);
    expect(asked).toMatchObject([{ id: 'leap', isAsked: true, methods: [] }]);
    expect(readSpot(app, ada, { auditionId, spotId: 'leap' }).spot.tries).toHaveLength(3);
  });

  it('found at the desk and on a page is the same thing, once, and the teacher’s is marked', () => {
    found();
    found();
    // what was typed over a line whose answer was lost is another spot
    found({ issue: 'late' });
    addSpot(app, TEACHER, { id: 'heard', itemId, fromBar: 9, toBar: 9, issue: 'late', notHeld: ['rhythm'] });
    const made = { device: 'tablet', seq: 1, atMs: now, date: '2026-11-24' };
    const spot = { id: 'desk', itemId, fromBar: 1, toBar: 1, issue: 'rushes', notHeld: [], elsewhere: [] };
    const event = { ...made, id: 'e', kind: 'spot' as const, spot: { ...spot, foundBy: 'self' as const } };
    keep([event]);
    keep([event]);
    expect(
      spots()
        .map(({ foundBy, issue }) => [issue, foundBy])
        .sort()
    ).toEqual([
      ['flat after the leap', 'self'],
      ['late', 'self'],
      ['late', 'teacher'],
      ['rushes', 'self']
    ]);
  });

  it('that the teacher lays first comes first until it was worked', () => {
    found();
    addSpot(app, TEACHER, { id: 'heard', itemId, fromBar: 9, toBar: 9, issue: 'late', notHeld: [] });
    setSpot(app, TEACHER, { candidateId, spotId: 'heard', set: { isFirst: true } });
    expect(spots()[0]).toMatchObject({ id: 'heard', isFirst: true });
    now += 60_000;
    keep(workSpot('ccc'));
    expect(spots().find(({ id }) => id === 'heard')).toMatchObject({ isFirst: false, days: 1 });
    expect(spots()[0]!.id).toBe('leap');
  });

  it('can be set by hand: its issue, its way, to rest, out, and back', () => {
    found();
    const set = (to: Parameters<typeof setSpot>[2]['set']) =>
      setSpot(app, ada, { candidateId, spotId: 'leap', set: to });
    set({ issue: 'sharp' });
    set({ method: 'drone' });
    expect(spots()).toMatchObject([{ issue: 'sharp', method: 'drone' }]);
    const [todo] = readToday(app, ada, { auditionId }).roadMap.flatMap((block) => block.spots ?? []);
    expect(todo!.methods[0]).toBe('drone');
    set({ isOpen: false });
    expect(spots()).toMatchObject([{ state: 'at-rest' }]);
    set({ isGone: true });
    expect(spots()).toEqual([]);
    expect(codeOf(() => readSpot(app, ada, { auditionId, spotId: 'leap' }))).toBe('not-found');
    set({ isGone: false });
    expect(spots()).toMatchObject([{ issue: 'sharp', state: 'at-rest' }]);
  });

  it('is kept from other candidates, and goes along in an archive', async () => {
    found();
    const other: Who = { ...ada, candidateId: 'other' } as Who;
    expect(codeOf(() => readSpotPage(app, other, { auditionId }))).toBe('not-allowed');
    expect(codeOf(() => setSpot(app, other, { candidateId, spotId: 'leap', set: { isGone: true } }))).toBe(
      'not-allowed'
    );
    const taken = exportCandidate(app, TEACHER, { candidateId });
    expect(archiveCandidate.parse(taken.candidates[0]).desk).toHaveLength(1);
    const elsewhere = makeApp(openDb(':memory:'), () => now);
    await importArchive(elsewhere, TEACHER, { archive: taken });
    expect(readSpotPage(elsewhere, TEACHER, { auditionId }).spots).toEqual(spots());
  });

  it('counts a day by what held that morning, also after the log was changed', () => {
    found();
    logTouch(app, TEACHER, {
      itemId,
      date: '2026-11-23',
      minutes: 10,
      tempoBpm: 60,
      unit: 'quarter',
      attempts: 'ccc',
      fromBar: 1,
      toBar: 16
    });
    keep(workSpot('ccc'));
    expect(spots()).toMatchObject([{ days: 1 }]);
    // what was heard later to have held faster before makes the day too slow
    logTouch(app, TEACHER, {
      itemId,
      date: '2026-11-23',
      minutes: 10,
      tempoBpm: 96,
      unit: 'quarter',
      attempts: 'ccc',
      fromBar: 1,
      toBar: 16
    });
    expect(spots()).toMatchObject([{ days: 0 }]);
  });
});

describe('what hurts', () => {
  const made = { device: 'tablet', date: '2026-11-24' };
  it('stands until it is said to be well, and offers nothing that tires', () => {
    found({ issue: 'fingers rush' });
    keep([{ ...made, id: 'h', seq: 1, atMs: now, kind: 'hurt', isTold: true }]);
    now += DAY_MS;
    const today = readToday(app, ada, { auditionId });
    expect(today.hurt).toEqual({ since: '2026-11-24', isTold: true });
    expect(today.spots[0]!.offers).not.toContain('sprint');
    keep([{ ...made, id: 'w', seq: 2, atMs: now, kind: 'well' }]);
    expect(readToday(app, ada, { auditionId }).hurt).toBeNull();
  });

  it('is told to the teacher only where the candidate says so', () => {
    const seen = () => readStudio(app, TEACHER, {}).rows[0]!.hurtSince;
    keep([{ ...made, id: 'h', seq: 1, atMs: now, kind: 'hurt', isTold: false }]);
    expect(seen()).toBeNull();
    const today = readToday(app, TEACHER, { auditionId });
    expect([today.hurt, today.events]).toEqual([null, []]);
    expect(readToday(app, ada, { auditionId }).hurt).not.toBeNull();
    keep([{ ...made, id: 'h2', seq: 2, atMs: now + 1, kind: 'hurt', isTold: true }]);
    expect(seen()).toBe('2026-11-24');
  });
});

describe('a fundamental that was done at the desk', () => {
  it('gives its turn to the next, from the day after', () => {
    const names = () =>
      readToday(app, ada, { auditionId })
        .roadMap.filter(({ kind }) => kind === 'fundamentals')
        .map(({ name }) => name);
    const { candidate } = readCandidate(app, ada, { candidateId });
    const often = { kind: 'every' as const, days: 1 };
    const rotation = ['Long tones', 'Slurs'].map((name) => ({ id: name, name, minutes: 4, often }));
    const time = { ...candidate.time, fundamentalsMin: 5, rotation };
    saveTime(app, ada, { candidateId, time, version: candidate.timeVersion });
    expect(names()).toEqual(['Long tones']);
    expect(readToday(app, ada, { auditionId }).waiting).toEqual(['Slurs']);
    const { roadMap } = readToday(app, ada, { auditionId });
    const { id: block, fundamental } = roadMap.find(({ kind }) => kind === 'fundamentals')!;
    const made = { device: 'tablet', atMs: now, date: '2026-11-24' };
    keep([
      { ...made, id: 'f0', seq: 0, kind: 'day', blocks: [...roadMap] },
      { ...made, id: 'f1', seq: 1, kind: 'begin', block },
      { ...made, id: 'f2', seq: 2, kind: 'end', block, seconds: 200, how: 'next', fundamental }
    ]);
    expect(names()).toEqual(['Long tones']);
    expect(readToday(app, ada, { auditionId }).tomorrow.roadMap.map(({ name }) => name)).toContain('Slurs');
    now += DAY_MS;
    expect(names()).toEqual(['Slurs']);
  });
});

describe('the teacher’s own ways to practise', () => {
  const mine = { id: 'mine', name: 'On one note', says: 'The rhythm on one note.', goodFor: [] };
  const offers = () => spots()[0]!.offers;

  it('are offered to the one, or to all; hidden ones to nobody they are hidden from', () => {
    found();
    const otherId = addPlayer(app, 'Bo', timeOf(60, [1]));
    addWay(app, TEACHER, { candidateId, method: mine, isForAll: false });
    expect(offers()[0]).toBe('mine');
    const usual = offers()[1]!;
    setWayOffered(app, TEACHER, { candidateId, methodId: usual, isOffered: false });
    expect(offers()).not.toContain(usual);
    setWayOffered(app, TEACHER, { candidateId, methodId: 'mine', isOffered: false });
    expect(offers()).not.toContain('mine');
    addWay(app, TEACHER, { candidateId: otherId, method: { ...mine, id: 'all' }, isForAll: true });
    expect(offers()[0]).toBe('all');
    expect(readWaysPage(app, ada, { auditionId }).ways.own.map(({ id, isGone }) => [id, isGone])).toEqual([
      ['mine', true],
      ['all', false]
    ]);
  });

  it('are the teacher’s to set, under no usual way’s name, and of ways that there are', () => {
    expect(codeOf(() => addWay(app, ada, { candidateId, method: mine, isForAll: false }))).toBe(
      'not-allowed'
    );
    const usual = { ...mine, id: 'drone' };
    expect(codeOf(() => addWay(app, TEACHER, { candidateId, method: usual, isForAll: false }))).toBe(
      'not-allowed'
    );
    const nothing = { candidateId, methodId: 'nothing', isOffered: false };
    expect(codeOf(() => setWayOffered(app, TEACHER, nothing))).toBe('not-found');
  });
});

describe('scales, tones and marks of the instrument', () => {
  const of = (seq: number, date = '2026-11-24') => ({
    id: `t${seq}`,
    device: 'tablet',
    seq,
    atMs: now,
    date
  });

  it('go on the next day where they were left, without what was taken back', () => {
    const { candidate } = readCandidate(app, ada, { candidateId });
    const often = { kind: 'every' as const, days: 1 };
    const scales = {
      keys: ['C', 'G'],
      octaves: 2,
      unit: 'quarter' as const,
      fromBpm: 60,
      toBpm: 66,
      stage: 'subdivisions' as const
    };
    const rotation = [{ id: 'sc', name: 'Scales', minutes: 4, often, scales }];
    const time = { ...candidate.time, fundamentalsMin: 5, rotation };
    saveTime(app, ada, { candidateId, time, version: candidate.timeVersion });
    const block = () => readToday(app, ada, { auditionId }).roadMap.find((one) => one.scales)!;
    const { roadMap } = readToday(app, ada, { auditionId });
    expect(block().scales!.way).toEqual([60, 63, 66]);
    const key = (seq: number, mark: 'c' | 'n') => ({
      ...of(seq),
      ...{ kind: 'key', block: block().id, fundamental: 'sc', key: 'C', bpm: 60, stage: 'subdivisions', mark }
    });
    keep([
      { ...of(0), kind: 'day', blocks: [...roadMap] },
      { ...of(1), kind: 'begin', block: block().id },
      key(2, 'c'),
      key(3, 'n'),
      { ...of(4), kind: 'undo', block: block().id, event: 't3' },
      key(5, 'c')
    ] as DeskEvent[]);
    now += DAY_MS;
    expect(block().scales!.keys.map(({ key: name, bpm }) => [name, bpm])).toEqual([
      ['C', 63],
      ['G', 60]
    ]);
    // C has come: G is next
    expect(block().scales!.keys[block().scales!.draw[0]!]!.key).toBe('G');
  });

  it('are remembered by the tuner, and marked on countback and log until they are taken out', () => {
    const tone = { note: 66, median: 9, low: 8, high: 10, count: 4 };
    keep([
      { ...of(0), kind: 'tones', tones: [tone] },
      { ...of(1), kind: 'equipment', mark: 'm', says: 'reed 3' },
      { ...of(2), kind: 'equipment', mark: 'n', says: 'other strings' },
      { ...of(3), kind: 'equipment', mark: 'n', says: '' }
    ]);
    expect(readToday(app, ada, { auditionId }).tones).toEqual([tone]);
    const marks = [{ id: 'm', date: '2026-11-24', says: 'reed 3' }];
    expect(readCountback(app, ada, { auditionId }).equipment).toEqual(marks);
    expect(readLog(app, ada, { auditionId }).equipment).toEqual(marks);
  });
});

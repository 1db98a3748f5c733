import { mkdirSync, mkdtempSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import {
  addPlayer,
  asAda,
  codeOf,
  openStudio,
  timeOf,
  TEACHER
} from '../../../../tests/fixtures/small-studio';
import type { Take } from '../../core/record';
import { archiveCandidate } from '../../schema/archive';
import { type App, type Who, makeApp } from '../app';
import { openDb } from '../db/open';
import { keepSound, sendingOf, sweepTakes } from '../takes/keep';
import { exportCandidate, importArchive } from './archive';
import { readToday } from './desk';
import { readLesson } from './lesson';
import { readSpotPage } from './spots';
import { eraseCandidate } from './studio';
import {
  addTake,
  findSound,
  makeSpots,
  maySend,
  putMarks,
  putPeaks,
  readTake,
  readTakes,
  setTake
} from './takes';

const NOW = Date.parse('2026-11-24T16:00:00Z');
const DAY_MS = 86_400_000;
const NAME = 'a'.repeat(64);
const SOUND = { name: NAME, kind: 'audio/webm', bytes: 1000, lengthMs: 40_000 } as const;
const ids = ['1', '2', '3'].map((n) => `6f1c0f7e-9a51-4a0b-8b1e-0d1f3c9a7e1${n}`);

let nowMs: number;
let app: App;
let candidateId: string;
let auditionId: string;
let itemId: string;
let ada: Who;
let folder: string;
let files: string;

beforeEach(() => {
  nowMs = NOW;
  folder = mkdtempSync(join(tmpdir(), 'irvot-sounds-'));
  files = join(folder, 'files');
  mkdirSync(files);
  const studio = openStudio(() => nowMs, timeOf(60, [1, 2, 3, 4, 5]));
  ({ candidateId, auditionId, itemId } = studio);
  app = { ...studio.app, files };
  ada = asAda(candidateId);
});
afterEach(() => rmSync(folder, { recursive: true }));

/** Quarter 120: a bar of two seconds. */
const take = (more: Partial<Take> = {}): Take => ({
  id: ids[0]!,
  itemId,
  fromBar: 1,
  toBar: 16,
  date: '2026-11-24',
  madeAtMs: NOW,
  source: 'run',
  tempo: { bpm: 120, unit: 'quarter' },
  musicAtMs: 0,
  ...more
});
const add = (more: Partial<Take> = {}, who: Who = ada) => addTake(app, who, { itemId, take: take(more) });
const hear = (id = ids[0]!, name = NAME) => {
  writeFileSync(join(files, name), 'sound');
  keepSound(app, id, { ...SOUND, name });
};
const mark = (n: number, bar: number, element = 'intonation') => ({
  id: `m${n}`,
  element,
  says: '',
  atMs: (bar - 1) * 2000 + 100
});

describe('a take', () => {
  it('is noted once however often it is sent, and says whether its sound is there', () => {
    expect([add(), add()]).toEqual([{ hasSound: false }, { hasSound: false }]);
    hear();
    expect(add()).toEqual({ hasSound: true });
    expect(codeOf(() => maySend(app, ada, { takeId: ids[0]!, bytes: 10 }))).toBe('changed-since');
    const [item] = readTakes(app, ada, { auditionId }).items;
    expect(item!.takes).toMatchObject([{ id: ids[0], lengthMs: 40_000, isKept: false }]);
  });

  it('is nobody else’s, whoever asks by its id', () => {
    add();
    hear();
    const boId = addPlayer(app, 'Bo');
    const bo: Who = { kind: 'candidate', accountId: 'b', candidateId: boId, name: 'Bo', isPutAway: false };
    const takeId = ids[0]!;
    for (const run of [
      () => findSound(app, bo, { takeId }),
      () => readTake(app, bo, { takeId }),
      () => setTake(app, bo, { takeId, set: { isGone: true } }),
      () => putMarks(app, bo, { takeId, put: [], drop: [] }),
      () => makeSpots(app, bo, { takeId }),
      () => putPeaks(app, bo, { takeId, peaks: [1] }),
      () => add({}, bo)
    ])
      expect(codeOf(run)).toBe('not-allowed');
  });

  it('of bars that the item does not have, or of a date out of reach, is refused', () => {
    expect(codeOf(() => add({ toBar: 17 }))).toBe('changes-unsound');
    expect(codeOf(() => add({ date: '2199-01-01' }))).toBe('date-unsound');
  });

  it('of a minor is made only after a guardian has said yes', () => {
    const facts = { candidateId, name: 'Ada', instruments: 'oboe', zone: 'Europe/Brussels', guardian: 'Mo' };
    const save = (consentOn: string | null) =>
      app.db
        .prepare('UPDATE candidate SET is_minor = 1, guardian = ?, consent_on = ? WHERE id = ?')
        .run(facts.guardian, consentOn, candidateId);
    save(null);
    expect(codeOf(() => add())).toBe('no-consent');
    expect(readToday(app, ada, { auditionId }).isAskedFirst).toBe(true);
    save('2026-11-20');
    expect(codeOf(() => add())).toBeNull();
    expect(readToday(app, ada, { auditionId }).isAskedFirst).toBe(false);
  });

  it('waits for its sound with fifty others at most', () => {
    const noted = (n: number) => add({ id: `6f1c0f7e-9a51-4a0b-8b1e-0d1f3c9a7${100 + n}` });
    for (let n = 0; n < 50; n += 1) noted(n);
    expect(codeOf(() => noted(50))).toBe('too-many');
  });

  it('is not sent where the studio has as many as it may', () => {
    add();
    expect(codeOf(() => maySend(app, ada, { takeId: ids[0]!, bytes: 19e9 }))).toBeNull();
    expect(codeOf(() => maySend(app, ada, { takeId: ids[0]!, bytes: 21e9 }))).toBe('sounds-full');
  });
});

it('a lesson hears first what was recorded since the last, and nothing that has no sound yet', () => {
  add({ date: '2026-11-23' });
  add({ id: ids[1]!, date: '2026-11-10' });
  add({ id: ids[2]! });
  [ids[0]!, ids[1]!].forEach((id) => hear(id));
  expect(readLesson(app, TEACHER, { auditionId }).takes).toEqual([
    { id: ids[0], name: 'Study in reeds', date: '2026-11-23', fromBar: 1, toBar: 16, lengthMs: 40_000 }
  ]);
});

describe('what is marked in a take', () => {
  it('becomes spots of bars and element, once, and they come on tomorrow’s road map', () => {
    add();
    hear();
    const takeId = ids[0]!;
    putMarks(app, ada, { takeId, put: [mark(1, 3), mark(2, 7), mark(3, 8), mark(4, 3, 'rhythm')], drop: [] });
    putMarks(app, ada, { takeId, put: [], drop: ['m4'] });
    expect(makeSpots(app, ada, { takeId })).toBe(2);
    expect(makeSpots(app, ada, { takeId })).toBe(0);
    const { spots } = readSpotPage(app, ada, { auditionId });
    expect(
      spots.map(({ fromBar, toBar, notHeld, foundBy }) => [fromBar, toBar, notHeld.join(), foundBy])
    ).toEqual([
      [3, 3, 'intonation', 'take'],
      [7, 8, 'intonation', 'take']
    ]);
    const tomorrow = readToday(app, ada, { auditionId }).tomorrow.roadMap;
    // as many as the block's minutes are for
    expect(tomorrow.flatMap((block) => block.spots ?? []).map(({ fromBar }) => fromBar)).toEqual([3]);
  });

  it('is each listener’s own: the teacher’s are not the candidate’s to move', () => {
    add();
    hear();
    const takeId = ids[0]!;
    putMarks(app, TEACHER, { takeId, put: [mark(1, 3)], drop: [] });
    putMarks(app, ada, { takeId, put: [{ ...mark(1, 9) }], drop: ['m1'] });
    expect(readTake(app, ada, { takeId }).marks).toMatchObject([
      { ...mark(1, 3), spotId: null, isOwn: false }
    ]);
    expect(makeSpots(app, ada, { takeId })).toBe(0);
    expect(makeSpots(app, TEACHER, { takeId })).toBe(1);
    expect(readSpotPage(app, ada, { auditionId }).spots[0]!.foundBy).toBe('teacher');
  });
});

describe('how long a sound stays', () => {
  it('is said, and so it is: over simulated months', () => {
    add();
    add({ id: ids[1]!, madeAtMs: NOW + 1 });
    add({ id: ids[2]!, madeAtMs: NOW + 2 });
    ids.forEach((id, i) => hear(id, String(i).repeat(64)));
    setTake(app, ada, { takeId: ids[2]!, set: { isKept: true } });
    const there = () => readTakes(app, ada, { auditionId }).items[0]!.takes.map(({ id }) => ids.indexOf(id));
    const said = readTakes(app, ada, { auditionId }).items[0]!.takes.map(({ goesOn }) => goesOn);
    // the first stays while its season lasts; sixty days from 24 November are 23 January; the newest is kept
    expect(said).toEqual([null, '2027-01-23', null]);
    for (const [days, left] of [
      [45, [2, 1, 0]],
      // the audition was on 9 January: the first goes with the other
      [59, [2, 1, 0]],
      [60, [2]],
      [400, [2]]
    ] as const) {
      nowMs = NOW + days * DAY_MS;
      sweepTakes(app);
      expect([days, there()]).toEqual([days, left]);
    }
    expect(readdirSync(files)).toContain('2'.repeat(64));
  });

  it('ends a day after it was taken out; until then it can be put back', () => {
    add();
    hear();
    const takeId = ids[0]!;
    setTake(app, ada, { takeId, set: { isGone: true } });
    expect(codeOf(() => findSound(app, ada, { takeId }))).toBe('not-found');
    setTake(app, ada, { takeId, set: { isGone: false } });
    expect(findSound(app, ada, { takeId })).toEqual(SOUND);
    setTake(app, ada, { takeId, set: { isGone: true } });
    nowMs += 2 * DAY_MS;
    sweepTakes(app);
    expect(app.db.prepare('SELECT count(*) AS n FROM take').get()).toEqual({ n: 0 });
  });

  it('ends with the candidate, unless another has the same', () => {
    add();
    hear();
    const boId = addPlayer(app, 'Bo');
    expect(readdirSync(files)).toEqual([NAME]);
    eraseCandidate(app, TEACHER, { candidateId, typed: 'Ada' });
    expect(readdirSync(files)).toEqual([]);
    expect(boId).not.toBe(candidateId);
  });

  it('ends with the candidate also where it was half sent', () => {
    add();
    const sending = sendingOf(files);
    mkdirSync(sending, { recursive: true });
    for (const name of [ids[0]!, `${ids[0]!}.json`, ids[1]!]) writeFileSync(join(sending, name), 'half');
    eraseCandidate(app, TEACHER, { candidateId, typed: 'Ada' });
    expect(readdirSync(sending)).toEqual([ids[1]]);
  });
});

it('takes go along in an archive with all that was heard in them', async () => {
  add();
  hear();
  const takeId = ids[0]!;
  putMarks(app, ada, { takeId, put: [mark(1, 3), mark(2, 9, 'tone')], drop: [] });
  setTake(app, ada, { takeId, set: { anchors: [{ bar: 3, atMs: 4100 }] } });
  setTake(app, ada, { takeId, set: { isKept: true } });
  makeSpots(app, ada, { takeId });
  const archive = exportCandidate(app, TEACHER, { candidateId });
  expect(archive.files).toEqual([NAME]);
  const read = archiveCandidate.parse(JSON.parse(JSON.stringify(archive.candidates[0])));
  const other = makeApp(openDb(':memory:'), () => NOW);
  await importArchive(other, TEACHER, { archive: { ...archive, candidates: [read] } });
  const again = exportCandidate(other, TEACHER, { candidateId });
  expect(again.candidates[0]!.takes).toEqual(read.takes);
  expect(again.candidates[0]!.takes[0]!.marks).toHaveLength(2);
  expect(readTake(other, TEACHER, { takeId }).take.anchors).toEqual([{ bar: 3, atMs: 4100 }]);
});

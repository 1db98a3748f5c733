import { beforeEach, describe, expect, it } from 'vitest';
import { asAda, codeOf, openStudio, timeOf, TEACHER } from '../../../../tests/fixtures/small-studio';
import type { DeskEvent, RoadBlock, Take } from '../../core/record';
import type { App, Who } from '../app';
import { findStep, takeBackChange } from '../change/apply';
import { putSound } from '../store/take';
import { keepDeskEvents } from './desk';
import { addRecording, hearRun, hearSpotAgain } from './heard';
import { readList } from './list';
import { readLog } from './log';
import { readSpot, readSpotPage } from './spots';
import { addTake, makeSpots, putMarks, readTake } from './takes';

const TODAY = '2026-11-24';
const NOW = Date.parse('2026-11-24T16:00:00Z');
const [FIRST, SECOND, THIRD] = ['1', '2', '3'].map((n) => `6f1c0f7e-9a51-4a0b-8b1e-0d1f3c9a7e1${n}`) as [
  string,
  string,
  string
];

let app: App;
let candidateId: string;
let auditionId: string;
let itemId: string;
let ada: Who;
beforeEach(() => {
  ({ app, candidateId, auditionId, itemId } = openStudio(() => NOW, timeOf(60, [1, 2, 3, 4, 5])));
  ada = asAda(candidateId);
});

/** Quarter 120: a bar of two seconds. */
function record(id: string, more: Partial<Take> = {}): void {
  const tempo = { bpm: 120, unit: 'quarter' } as const;
  const bars = { fromBar: 1, toBar: 16 };
  const take = {
    id,
    itemId,
    ...bars,
    date: TODAY,
    madeAtMs: NOW,
    source: 'run' as const,
    tempo,
    musicAtMs: 0
  };
  addTake(app, ada, { itemId, take: { ...take, ...more } });
  putSound(app.db, id, { name: 'a'.repeat(64), kind: 'audio/webm', bytes: 1000, lengthMs: 40_000 });
}
const mark = (id: string, bar: number, says = '') => ({
  id,
  element: 'rhythm',
  says,
  atMs: (bar - 1) * 2000 + 100
});
const takeBack = (token: string) => takeBackChange(app, findStep(app, token)!);

describe('a run that the teacher has heard', () => {
  const touch = () => readLog(app, ada, { auditionId }).touches[0]!;
  const hear = (isClean: boolean) => hearRun(app, TEACHER, { takeId: FIRST, isClean });
  const attempts = () => touch().series!.map((one) => one.attempts);

  /** Run in two sections at a quarter of 60, clean as the player heard it. */
  beforeEach(() => {
    const section = (fromBar: number, toBar: number) => ({
      fromBar,
      toBar,
      bpm: 60,
      unit: 'quarter' as const
    });
    const run: RoadBlock = {
      id: 'run',
      kind: 'run',
      itemId,
      sectionId: null,
      name: 'Study in reeds',
      bars: { fromBar: 1, toBar: 16 },
      parts: [],
      isJoined: false,
      minutes: 5,
      why: '',
      dueOn: null,
      work: null,
      sections: [section(1, 8), section(9, 16)]
    };
    const made = (seq: number) => ({ id: `e${seq}`, device: 'd', seq, atMs: NOW + seq * 1000, date: TODAY });
    const events: DeskEvent[] = [
      { ...made(0), kind: 'day', blocks: [run] },
      { ...made(1), kind: 'begin', block: 'run' },
      { ...made(2), kind: 'ran', block: 'run', isStraight: true, isClean: true, broke: [], take: FIRST },
      { ...made(3), kind: 'end', block: 'run', seconds: 120, how: 'next' }
    ];
    keepDeskEvents(app, ada, { candidateId, events });
    record(FIRST);
  });

  it('is evidence of the teacher’s, and can be taken back', () => {
    expect(touch().evidence).toBe('self');
    const token = hear(true);
    expect([touch().evidence, attempts()]).toEqual(['teacher', ['c', 'c']]);
    expect(readTake(app, ada, { takeId: FIRST }).run).toEqual({ isHeard: true, isClean: true });
    takeBack(token);
    expect([touch().evidence, attempts()]).toEqual(['self', ['c', 'c']]);
  });

  it('was not clean where the teacher marked it, and nowhere else', () => {
    putMarks(app, TEACHER, { takeId: FIRST, put: [mark('m', 11)], drop: [] });
    hear(false);
    expect([touch().evidence, attempts()]).toEqual(['teacher', ['c', 'n']]);
  });

  it('is not said to be unclean where nothing is marked, or the player alone has marked', () => {
    putMarks(app, ada, { takeId: FIRST, put: [mark('m', 11)], drop: [] });
    expect(codeOf(() => hear(false))).toBe('nothing-marked');
    expect(touch().evidence).toBe('self');
  });

  it('is the run of its own take alone', () => {
    record(SECOND);
    expect(readTake(app, TEACHER, { takeId: SECOND }).run).toBeNull();
    expect(codeOf(() => hearRun(app, TEACHER, { takeId: SECOND, isClean: true }))).toBe('not-found');
  });
});

describe('a spot heard again in a later take', () => {
  const spotId = () => readSpotPage(app, ada, { auditionId }).spots[0]!.id;
  const spot = () => readSpot(app, ada, { auditionId, spotId: spotId() });
  const hear = (takeId: string, isSolved: boolean, idea = '') =>
    hearSpotAgain(app, ada, { takeId, spotId: spotId(), isSolved, idea });

  beforeEach(() => {
    record(FIRST, { date: '2026-11-20', madeAtMs: NOW - 4 * 86_400_000 });
    putMarks(app, ada, { takeId: FIRST, put: [mark('m', 3, 'late into the turn')], drop: [] });
    makeSpots(app, ada, { takeId: FIRST });
  });

  it('is called by what was said at its mark, and led to from there', () => {
    expect(spot().spot.issue).toBe('late into the turn');
    expect(spot().then).toMatchObject({ takeId: FIRST, fromMs: 4000, toMs: 6000 });
    expect(spot().again).toEqual([]);
  });

  it('stands beside the same bars of what was recorded since, newest first, and of nobody else’s', () => {
    record(SECOND, { madeAtMs: NOW - 1000, musicAtMs: 2000 });
    record(THIRD, { tempo: { bpm: 60, unit: 'quarter' } });
    record('6f1c0f7e-9a51-4a0b-8b1e-0d1f3c9a7e14', { source: 'other', tempo: null });
    expect(spot().again.map(({ takeId, fromMs, toMs }) => [takeId, fromMs, toMs])).toEqual([
      [THIRD, 8000, 12_000],
      [SECOND, 6000, 8000]
    ]);
  });

  it('is one try on the day of the take, however often it is answered; the latest answer counts', () => {
    record(SECOND, { date: '2026-11-23', madeAtMs: NOW - 86_400_000 });
    hear(SECOND, false, 'sing it first');
    expect(spot().spot.tries).toMatchObject([
      { date: '2026-11-23', marks: 'n', idea: 'sing it first', take: SECOND, tempoBpm: 120 }
    ]);
    hear(SECOND, true, 'is left out');
    expect(spot().spot.tries).toMatchObject([{ marks: 'c', idea: '', take: SECOND }]);
    expect(spot().spot.tries).toHaveLength(1);
  });

  it('is in bars that the take has', () => {
    record(SECOND, { fromBar: 5 });
    expect(codeOf(() => hear(SECOND, true))).toBe('changes-unsound');
  });
});

describe('what was measured in a take', () => {
  const section = () => readList(app, TEACHER, { auditionId }).items[0]!.sections[0]!;
  const add = (bpm: number) => addRecording(app, TEACHER, { takeId: FIRST, sectionId: section().id, bpm });

  it('is one of the recordings a target is taken from, and taken back again', () => {
    record(FIRST, { source: 'other', tempo: null });
    const token = add(88.4);
    expect(section().tempo).toMatchObject({ kind: 'recordings', recordingsBpm: [88.4], unit: 'quarter' });
    add(92);
    expect(section().tempo).toMatchObject({ kind: 'recordings', recordingsBpm: [88.4, 92], use: 'median' });
    expect(readTake(app, TEACHER, { takeId: FIRST }).targets).toMatchObject([{ measured: 2, bpm: 90 }]);
    expect(readTake(app, ada, { takeId: FIRST }).targets).toEqual([]);
    expect(codeOf(() => takeBack(token))).toBe('changed-since');
  });

  it('is at most one of twenty', () => {
    record(FIRST, { source: 'other', tempo: null });
    for (let n = 0; n < 20; n += 1) add(80 + n);
    expect(codeOf(() => add(90))).toBe('too-many');
  });
});

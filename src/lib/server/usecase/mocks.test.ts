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
import type { BallotItem, MockBooked } from '../../core/record';
import type { App, Who } from '../app';
import { findStep, takeBackChange } from '../change/apply';
import { readHolder } from '../grant/grant';
import { putBallot, readBallots, settleNote, takeBallotHere } from './ballot';
import { readCountback } from './countback';
import { readReadiness } from './readiness';
import { readSeason } from '../laying/facts';
import { putMock } from '../store/mock';
import { addItem } from './list';
import { logTouch } from './log';
import { endJuror, inviteJuror, openBallots } from './jurors';
import { makeMock } from './mock-rules';
import { bookMock, drawAgain, dropMock, moveMock, readMock, readMocks, stepMock } from './mocks';
import { readSpotPage } from './spots';
import { readStudio } from './studio';

const HOUR_MS = 3_600_000;
let nowMs: number;
let app: App;
let candidateId: string;
let auditionId: string;
let itemId: string;
let ada: Who;
beforeEach(() => {
  nowMs = Date.parse('2026-11-24T16:00:00Z');
  ({ app, candidateId, auditionId, itemId } = openStudio(() => nowMs, timeOf(60, [1, 2, 3, 4, 5, 6])));
  addItem(app, TEACHER, { auditionId, item: { ...STUDY, name: 'Tern' } });
  ada = asAda(candidateId);
  nowMs = Date.parse('2026-12-20T16:00:00Z');
});

const PANEL: MockBooked = { stage: 3, date: '2026-12-28', place: 'room 2', minutes: 30 };
const book = (more: Partial<MockBooked> = {}, count = 2, id = 'm') =>
  bookMock(app, TEACHER, {
    auditionId,
    id,
    booked: { ...PANEL, ...more },
    drawing: { count, isInOrder: true }
  });
const mock = () => readMock(app, TEACHER, { mockId: 'm' }).mock;
const step = (to: number, isBroken = false) =>
  stepMock(app, TEACHER, { mockId: 'm', to, until: { isBroken } });
const invite = (name: string) => inviteJuror(app, TEACHER, { mockId: 'm', name, jurorId: null });
const holder = (token: string) => readHolder(app, 'juror', token);
const ballotOf = (token: string) => readBallots(app, holder(token), {}).ballots[0]!;
const write = (token: string, more: Partial<BallotItem> = {}, device = 'phone') =>
  putBallot(app, holder(token), {
    jurorId: ballotOf(token).id,
    ballot: { item: 0, words: {}, notes: [], ...more },
    device
  });
const takeBack = (token: string) => takeBackChange(app, findStep(app, token)!);

describe('the studio', () => {
  it('sees who plays to whom in the next seven days, those of one place on one day by the clock', () => {
    const bo = addPlayer(app, 'Bo', timeOf(60, [1, 2, 3, 4, 5, 6]));
    const bos = addRound(app, bo, { id: 'r2', name: 'Bo’s' });
    addItem(app, TEACHER, { auditionId: bos, item: { ...STUDY, name: 'Heron' } });
    const evening = { date: '2026-12-26', place: 'room 2' };
    book({ ...evening, time: '17:30' });
    const booked = { ...PANEL, ...evening, time: '17:00' };
    bookMock(app, TEACHER, { auditionId: bos, id: 'b', booked, drawing: { count: 1, isInOrder: true } });
    invite('Marit');
    const seen = () =>
      readStudio(app, TEACHER, {}).mocks.map(({ candidate, time, hears }) => [candidate, time, hears]);
    expect(seen()).toEqual([
      ['Bo', '17:00', []],
      ['Ada', '17:30', ['Marit']]
    ]);
    // the 26th is the last of seven days from the 20th; from the day before it is not seen
    nowMs -= 24 * HOUR_MS;
    expect(seen()).toEqual([]);
    // the day itself is still one of them, the day after is not
    nowMs = Date.parse('2026-12-26T20:00:00Z');
    expect(seen()).toHaveLength(2);
    nowMs += 24 * HOUR_MS;
    expect(seen()).toEqual([]);
  });
});

describe('a stage', () => {
  it('is proposed at its place before the round, and stands once it is booked', () => {
    // 20 days are left of 21: each place times 20/21, 20, 15.2, 11.4, 7.6 and 3.8 days before 9 January; the 20th is a Sunday, and off
    const before = readMocks(app, TEACHER, { auditionId }).stages;
    expect(before.map(({ date }) => date)).toEqual([
      '2026-12-21',
      '2026-12-25',
      '2026-12-29',
      '2027-01-01',
      '2027-01-05'
    ]);
    book({ date: '2026-12-30' });
    const after = readMocks(app, TEACHER, { auditionId }).stages;
    expect(after[2]).toMatchObject({ date: '2026-12-30', mockId: 'm' });
    expect(after.map(({ date }) => date)).not.toContain('2026-12-29');
  });

  it('takes its minutes from its day and stands among the dates of the season; taken back, it gives them back', () => {
    const minutesOn = () =>
      readCountback(app, TEACHER, { auditionId }).plan!.days.find(({ date }) => date === '2026-12-28')!
        .capacityMin;
    const dates = () => readCountback(app, TEACHER, { auditionId }).audition.dates.map(({ name }) => name);
    const free = minutesOn();
    const token = book();
    expect(minutesOn()).toBe(free - 30);
    expect(dates()).toContain('mock 3, teacher as panel');
    takeBack(token);
    expect(minutesOn()).toBe(free);
    expect(dates()).not.toContain('mock 3, teacher as panel');
  });

  it('is booked once, however often it is sent, and for no day that is over', () => {
    book();
    book();
    expect(readMocks(app, TEACHER, { auditionId }).next!.id).toBe('m');
    expect(codeOf(() => book({ date: '2026-12-19' }, 2, 'other'))).toBe('mock-past');
    expect(codeOf(() => book({ date: '2099-01-01' }, 2, 'other'))).toBe('date-unsound');
  });

  it('is moved, drawn again and given up until it begins; each can be taken back', () => {
    book();
    const drawn = mock().draw;
    takeBack(
      moveMock(app, TEACHER, { mockId: 'm', booked: { date: '2026-12-29', place: 'hall', minutes: 45 } })
    );
    expect(mock()).toMatchObject({ date: '2026-12-28', place: 'room 2' });
    const token = drawAgain(app, TEACHER, { mockId: 'm', drawing: { count: 1, isInOrder: false } });
    expect(mock().draw).toHaveLength(1);
    takeBack(token);
    expect(mock().draw).toEqual(drawn);
    takeBack(dropMock(app, TEACHER, { mockId: 'm' }));
    expect(mock().draw).toEqual(drawn);
    step(0);
    expect(codeOf(() => dropMock(app, TEACHER, { mockId: 'm' }))).toBe('mock-begun');
  });

  it('that comes before one that was played is behind, and not proposed', () => {
    book();
    [0, 1, 2].forEach((to) => step(to));
    expect(
      readMocks(app, TEACHER, { auditionId }).stages.map(({ date, isOver, isPassed }) => [
        date !== null,
        isOver,
        isPassed
      ])
    ).toEqual([
      [false, false, true],
      [false, false, true],
      [true, true, false],
      [true, false, false],
      [true, false, false]
    ]);
  });

  it('with nothing on the list has nothing to draw', () => {
    const bo = addPlayer(app, 'Bo');
    const empty = addRound(app, bo, { id: 'r2', name: 'Empty' });
    const drawing = { count: 2, isInOrder: true };
    const run = () => bookMock(app, TEACHER, { auditionId: empty, id: 'x', booked: PANEL, drawing });
    expect(codeOf(run)).toBe('nothing-to-draw');
  });
});

describe('a run', () => {
  it('goes one further at a time, and the same step again changes nothing', () => {
    book();
    step(1);
    expect(mock().at).toBeNull();
    step(0);
    step(0);
    expect(mock().at).toBe(0);
    step(1, true);
    step(1, true);
    step(2);
    step(3);
    expect(mock()).toMatchObject({ at: 2, isOver: true, broken: [0] });
  });

  it('before a panel is led by the teacher, and alone by the player', () => {
    book();
    expect(codeOf(() => stepMock(app, ada, { mockId: 'm', to: 0 }))).toBe('not-allowed');
    expect(mock().at).toBeNull();
  });

  it('tells the player what is asked as it comes before a panel, and before one listener all of it', () => {
    book();
    const seen = () => readMock(app, ada, { mockId: 'm' }).mock.draw.length;
    const known = [seen()];
    for (const to of [0, 1, 2]) {
      step(to);
      known.push(seen());
    }
    expect(known).toEqual([0, 1, 2, 2]);
    bookMock(app, ada, {
      auditionId,
      id: 'alone',
      booked: { ...PANEL, stage: 1 },
      drawing: { count: 2, isInOrder: true }
    });
    expect(readMock(app, ada, { mockId: 'alone' }).mock.draw).toHaveLength(2);
  });
});

describe('a ballot', () => {
  beforeEach(() => void book());

  it('says the number and the bars, and nothing of the person', () => {
    const view = ballotOf(invite('Marit'));
    expect(view).toMatchObject({ number: mock().number, at: null });
    expect(view.items).toHaveLength(2);
    expect(JSON.stringify(view)).not.toMatch(/Ada|oboe|Wind band/);
    expect(JSON.stringify(view)).not.toContain(candidateId);
  });

  it('is written again instead of before, each juror their own, and of the bars that are heard alone', () => {
    const [one, two] = [invite('Marit'), invite('Jan')];
    write(one, { words: { rhythm: 'uneven' } });
    write(one, { words: { rhythm: 'not yet' }, notes: [{ fromBar: 3, toBar: 4, says: 'rushes' }] });
    write(two, { words: { rhythm: 'carries' } });
    expect(ballotOf(one).ballot).toEqual([
      { item: 0, words: { rhythm: 'not yet' }, notes: [{ fromBar: 3, toBar: 4, says: 'rushes' }] }
    ]);
    expect(codeOf(() => write(one, { notes: [{ fromBar: 3, toBar: 90, says: 'x' }] }))).toBe(
      'changes-unsound'
    );
    expect(codeOf(() => write(one, { words: { voicing: 'carries' } }))).toBe('changes-unsound');
    expect(codeOf(() => write(one, { item: 2 }))).toBe('not-found');
  });

  it('is written on one device at a time: on another it goes on once it is opened there', () => {
    const one = invite('Marit');
    const isElsewhere = (device?: string) => readBallots(app, holder(one), { device }).isElsewhere;
    const open = (device: string) => takeBallotHere(app, holder(one), { device }).wasElsewhere;
    expect(open('phone')).toBe(false);
    write(one, { words: { rhythm: 'uneven' } });
    expect([isElsewhere('phone'), isElsewhere('tablet'), isElsewhere()]).toEqual([false, true, false]);
    expect(codeOf(() => write(one, {}, 'tablet'))).toBe('ballot-moved');
    expect(open('tablet')).toBe(true);
    expect(ballotOf(one).ballot).toMatchObject([{ words: { rhythm: 'uneven' } }]);
    // what the first still had to send overwrites nothing
    expect(codeOf(() => write(one, { words: { rhythm: 'carries' } }))).toBe('ballot-moved');
    write(one, { words: { rhythm: 'not yet' } }, 'tablet');
    expect(ballotOf(one).ballot).toMatchObject([{ words: { rhythm: 'not yet' } }]);
    expect([open('tablet'), open('phone')]).toEqual([false, true]);
    // another link for the same juror begins anew
    const again = inviteJuror(app, TEACHER, { mockId: 'm', name: '', jurorId: mock().jurors[0]!.id });
    expect(takeBallotHere(app, holder(again), { device: 'third' })).toEqual({ wasElsewhere: false });
  });

  it('goes along with its mock to another day, and what was written of another draw is gone', () => {
    const one = invite('Marit');
    moveMock(app, TEACHER, { mockId: 'm', booked: { date: '2027-01-04', place: 'hall', minutes: 45 } });
    nowMs = Date.parse('2027-01-05T12:00:00Z');
    expect(codeOf(() => write(one, { words: { rhythm: 'uneven' } }))).toBeNull();
    drawAgain(app, TEACHER, { mockId: 'm', drawing: { count: 2, isInOrder: true } });
    expect(ballotOf(one).ballot).toEqual([]);
  });

  it('ends two days after its mock, or when it is ended, or when all are read', () => {
    const one = invite('Marit');
    const two = invite('Jan');
    endJuror(app, TEACHER, { mockId: 'm', jurorId: mock().jurors[1]!.id });
    expect(codeOf(() => write(two))).toBe('link-spent');
    nowMs = Date.parse('2026-12-31T00:00:00Z') - HOUR_MS;
    expect(codeOf(() => write(one))).toBeNull();
    [0, 1, 2].forEach((to) => step(to));
    openBallots(app, TEACHER, { mockId: 'm' });
    expect(codeOf(() => write(one))).toBe('ballots-open');
    nowMs += 2 * HOUR_MS;
    expect(codeOf(() => write(one))).toBe('link-spent');
  });

  it('is read by nobody until all has been played and the teacher opens them', () => {
    write(invite('Marit'), { words: { rhythm: 'uneven' } });
    expect(mock().jurors[0]!.ballot).toEqual([]);
    expect(codeOf(() => openBallots(app, TEACHER, { mockId: 'm' }))).toBe('mock-goes-on');
    [0, 1, 2].forEach((to) => step(to));
    expect(codeOf(() => openBallots(app, ada, { mockId: 'm' }))).toBe('not-allowed');
    openBallots(app, TEACHER, { mockId: 'm' });
    expect(mock().jurors[0]!.ballot).toEqual([{ item: 0, words: { rhythm: 'uneven' }, notes: [] }]);
  });

  it('has remarks that become spots, or are let go of, each once', () => {
    const notes = [
      { fromBar: 3, toBar: 4, says: 'rushes' },
      { fromBar: 6, toBar: 6, says: 'low' }
    ];
    write(invite('Marit'), { notes });
    [0, 1, 2].forEach((to) => step(to));
    openBallots(app, TEACHER, { mockId: 'm' });
    const about = { mockId: 'm', jurorId: mock().jurors[0]!.id, item: 0 };
    const settle = (note: number, isTaken: boolean) => settleNote(app, ada, { ...about, note, isTaken });
    settle(0, true);
    settle(0, true);
    settle(1, false);
    expect(
      readSpotPage(app, ada, { auditionId }).spots.map(({ fromBar, toBar, issue, foundBy }) => [
        fromBar,
        toBar,
        issue,
        foundBy
      ])
    ).toEqual([[3, 4, 'rushes', 'juror']]);
  });
});

describe('what comes of it', () => {
  /** Six clean attempts of the whole study at its target, two days before. */
  const practise = (attempts: string) =>
    logTouch(app, TEACHER, {
      itemId,
      date: '2026-12-26',
      minutes: 10,
      tempoBpm: 96,
      unit: 'quarter',
      attempts
    });
  const heard = (word: 'carries' | 'uneven' | 'not yet', more: Partial<BallotItem> = {}) => {
    const tokens = ['Marit', 'Jan'].map(invite);
    tokens.forEach((token) => write(token, { words: { rhythm: word, tempo: 'carries' }, ...more }));
    [0, 1, 2].forEach((to) => step(to));
    openBallots(app, TEACHER, { mockId: 'm' });
  };
  const gapNow = () => readMocks(app, TEACHER, { auditionId }).items.find(({ id }) => id === itemId)!;
  const check = () =>
    readReadiness(app, TEACHER, { auditionId })
      .readings.find(({ id }) => id === itemId)!
      .checks.find(({ kind }) => kind === 'mock')!;

  it('is the gap between practice and the mock, and readiness follows from it', () => {
    nowMs = Date.parse('2026-12-28T16:00:00Z');
    book();
    practise('cccccc');
    heard('not yet');
    expect(gapNow()).toMatchObject({ gap: 2, words: [{ stage: 3, element: 'rhythm', word: 'not yet' }] });
    expect(check()).toMatchObject({ state: 'not yet' });
  });

  it('holds where the mock said no less than practice', () => {
    nowMs = Date.parse('2026-12-28T16:00:00Z');
    book();
    practise('cccnnn');
    heard('uneven');
    // practice is uneven too; that the tempo carries is more than practice says
    expect(gapNow()).toMatchObject({ gap: 0 });
    expect(check()).toMatchObject({ state: 'holds' });
  });

  const spotsNow = () =>
    readSpotPage(app, TEACHER, { auditionId }).spots.map(({ issue, notHeld, foundBy }) => ({
      issue,
      notHeld,
      foundBy
    }));

  it('is a spot where it fell below practice, once, and the next mock hears it', () => {
    nowMs = Date.parse('2026-12-28T16:00:00Z');
    book();
    practise('cccccc');
    heard('not yet');
    openBallots(app, TEACHER, { mockId: 'm' });
    const spot = { issue: 'rhythm below practice', notHeld: ['rhythm'], foundBy: 'juror' };
    expect(spotsNow()).toEqual([spot]);
    const about = readSeason(app, auditionId);
    const booked = { stage: 4, date: '2027-01-04', place: '', minutes: 30 };
    const drawn = Array.from(
      { length: 60 },
      (_, i) => makeMock(app, about, { id: `d${i}`, booked, drawing: { count: 1, isInOrder: false } }).draw[0]
    );
    expect(drawn.every((one) => one!.itemId === itemId)).toBe(true);
  });

  it('is no spot where it went as in practice', () => {
    nowMs = Date.parse('2026-12-28T16:00:00Z');
    book();
    practise('cccnnn');
    heard('uneven');
    expect(spotsNow()).toEqual([]);
  });

  it('is no spot before a look where somebody remarks on it', () => {
    nowMs = Date.parse('2026-12-28T16:00:00Z');
    book();
    practise('cccccc');
    heard('not yet', { notes: [{ fromBar: 3, toBar: 4, says: 'rushes' }] });
    expect(spotsNow()).toEqual([]);
  });

  it('compares with practice at the mock’s tempo alone', () => {
    nowMs = Date.parse('2026-12-28T16:00:00Z');
    book();
    logTouch(app, TEACHER, {
      ...{ itemId, date: '2026-12-26', minutes: 10 },
      ...{ tempoBpm: 60, unit: 'quarter', attempts: 'cccccc' }
    });
    heard('not yet');
    expect(gapNow()).toMatchObject({ gap: null });
  });

  it('moves readiness from the third stage on: a friendly listener is no panel', () => {
    nowMs = Date.parse('2026-12-28T16:00:00Z');
    book({ stage: 2 });
    practise('cccnnn');
    heard('uneven');
    expect(gapNow()).toMatchObject({ gap: 0 });
    expect(check()).toMatchObject({ state: 'not yet' });
  });

  it('a draw looks back on the last three mocks: what was heard before them is fresh again', () => {
    // four mocks hear the first eight bars, as if the cuts had been so; the fifth draw weighs them by the last three
    const shareOfFirst = (heardIn: readonly number[]) => {
      const { app: one, auditionId: season } = openStudio(() => nowMs, timeOf(60, [1, 2, 3, 4, 5, 6]));
      const lined = { ...STUDY, name: 'Lines', barsPerLine: '4 4 4 4' };
      const lines = addItem(one, TEACHER, { auditionId: season, item: lined });
      const start = {
        place: '',
        minutes: 20,
        number: 1,
        seed: 1,
        sinceMs: null,
        broken: [],
        played: [],
        isOpened: true
      };
      heardIn.forEach((half, i) =>
        putMock(one.db, season, {
          ...{ ...start, id: `h${i}`, stage: 1, date: `2026-12-0${i + 1}`, at: 1, jurors: [] },
          draw: [{ itemId: lines, fromBar: 1 + 8 * half, toBar: 8 + 8 * half, isOdd: false }]
        })
      );
      const booked = { stage: 4, date: '2026-12-28', place: '', minutes: 30 };
      const about = readSeason(one, season);
      const firsts = Array.from({ length: 400 }, (_, i) => {
        const { draw } = makeMock(one, about, {
          id: `d${i}`,
          booked,
          drawing: { count: 2, isInOrder: true }
        });
        return draw.find(({ itemId: of }) => of === lines)!.fromBar <= 4;
      });
      return firsts.filter(Boolean).length / firsts.length;
    };
    // heard in the first of four alone it is as good as unheard; heard in the last it is not
    expect(shareOfFirst([0, 1, 1, 1])).toBeGreaterThan(shareOfFirst([1, 0, 0, 0]) + 0.2);
  });

  it('says nothing where practice says too little', () => {
    nowMs = Date.parse('2026-12-28T16:00:00Z');
    book();
    practise('ccccc');
    heard('uneven');
    expect(gapNow()).toMatchObject({ gap: null });
    expect(check()).toMatchObject({ state: 'not yet' });
  });
});

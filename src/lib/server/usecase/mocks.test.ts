import { beforeEach, describe, expect, it } from 'vitest';
import {
  PANEL,
  book,
  invite,
  mockNow,
  openMockStudio,
  playAll,
  step,
  takeBack
} from '../../../../tests/fixtures/mock-studio';
import { addPlayer, addRound, codeOf, timeOf, STUDY, TEACHER } from '../../../../tests/fixtures/small-studio';
import type { App, Who } from '../app';
import { readCountback } from './countback';
import { addItem } from './list';
import { bookMock, drawAgain, dropMock, moveMock, readMock, readMocks, stepMock } from './mocks';
import { readStudio } from './studio';

const HOUR_MS = 3_600_000;
let nowMs: number;
let app: App;
let auditionId: string;
let ada: Who;
beforeEach(() => {
  nowMs = Date.parse('2026-11-24T16:00:00Z');
  ({ app, auditionId, ada } = openMockStudio(() => nowMs));
  nowMs = Date.parse('2026-12-20T16:00:00Z');
});

describe('the studio', () => {
  it('sees who plays to whom in the next seven days, those of one place on one day by the clock', () => {
    const bo = addPlayer(app, 'Bo', timeOf(60, [1, 2, 3, 4, 5, 6]));
    const bos = addRound(app, bo, { id: 'r2', name: 'Bo’s' });
    addItem(app, TEACHER, { auditionId: bos, item: { ...STUDY, name: 'Heron' } });
    const evening = { date: '2026-12-26', place: 'room 2' };
    book(app, auditionId, { ...evening, time: '17:30' });
    const booked = { ...PANEL, ...evening, time: '17:00' };
    bookMock(app, TEACHER, { auditionId: bos, id: 'b', booked, drawing: { count: 1, isInOrder: true } });
    invite(app, 'Marit');
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
    book(app, auditionId, { date: '2026-12-30' });
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
    const token = book(app, auditionId);
    expect(minutesOn()).toBe(free - 30);
    expect(dates()).toContain('mock 3, teacher as panel');
    takeBack(app, token);
    expect(minutesOn()).toBe(free);
    expect(dates()).not.toContain('mock 3, teacher as panel');
  });

  it('is booked once, however often it is sent, and for no day that is over', () => {
    book(app, auditionId);
    book(app, auditionId);
    expect(readMocks(app, TEACHER, { auditionId }).next!.id).toBe('m');
    expect(codeOf(() => book(app, auditionId, { date: '2026-12-19' }, 2, 'other'))).toBe('mock-past');
    expect(codeOf(() => book(app, auditionId, { date: '2099-01-01' }, 2, 'other'))).toBe('date-unsound');
  });

  it('is moved, drawn again and given up until it begins; each can be taken back', () => {
    book(app, auditionId);
    const drawn = mockNow(app).draw;
    takeBack(
      app,
      moveMock(app, TEACHER, { mockId: 'm', booked: { date: '2026-12-29', place: 'hall', minutes: 45 } })
    );
    expect(mockNow(app)).toMatchObject({ date: '2026-12-28', place: 'room 2' });
    const token = drawAgain(app, TEACHER, { mockId: 'm', drawing: { count: 1, isInOrder: false } });
    expect(mockNow(app).draw).toHaveLength(1);
    takeBack(app, token);
    expect(mockNow(app).draw).toEqual(drawn);
    takeBack(app, dropMock(app, TEACHER, { mockId: 'm' }));
    expect(mockNow(app).draw).toEqual(drawn);
    step(app, 0);
    expect(codeOf(() => dropMock(app, TEACHER, { mockId: 'm' }))).toBe('mock-begun');
  });

  it('that comes before one that was played is behind, and not proposed', () => {
    book(app, auditionId);
    playAll(app);
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
    book(app, auditionId);
    step(app, 1);
    expect(mockNow(app).at).toBeNull();
    step(app, 0);
    step(app, 0);
    expect(mockNow(app).at).toBe(0);
    step(app, 1, true);
    step(app, 1, true);
    step(app, 2);
    step(app, 3);
    expect(mockNow(app)).toMatchObject({ at: 2, isOver: true, broken: [0] });
  });

  it('before a panel is led by the teacher, and alone by the player', () => {
    book(app, auditionId);
    expect(codeOf(() => stepMock(app, ada, { mockId: 'm', to: 0 }))).toBe('not-allowed');
    expect(mockNow(app).at).toBeNull();
  });

  it('tells the player what is asked as it comes before a panel, and before one listener all of it', () => {
    book(app, auditionId);
    const seen = () => readMock(app, ada, { mockId: 'm' }).mock.draw.length;
    const known = [seen()];
    for (const to of [0, 1, 2]) {
      step(app, to);
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

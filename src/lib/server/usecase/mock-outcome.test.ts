import { beforeEach, describe, expect, it } from 'vitest';
import { book, invite, openMockStudio, playAll, write } from '../../../../tests/fixtures/mock-studio';
import { openStudio, timeOf, STUDY, TEACHER } from '../../../../tests/fixtures/small-studio';
import type { BallotItem } from '../../core/record';
import type { App } from '../app';
import { readSeason } from '../laying/facts';
import { putMock } from '../store/mock';
import { openBallots } from './jurors';
import { addItem } from './list';
import { logTouch } from './log';
import { makeMock } from './mock-rules';
import { readMocks } from './mocks';
import { readReadiness } from './readiness';
import { readSpotPage } from './spots';

let nowMs: number;
let app: App;
let auditionId: string;
let itemId: string;
beforeEach(() => {
  nowMs = Date.parse('2026-11-24T16:00:00Z');
  ({ app, auditionId, itemId } = openMockStudio(() => nowMs));
  nowMs = Date.parse('2026-12-20T16:00:00Z');
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
    const tokens = ['Marit', 'Jan'].map((name) => invite(app, name));
    tokens.forEach((token) => write(app, token, { words: { rhythm: word, tempo: 'carries' }, ...more }));
    playAll(app);
    openBallots(app, TEACHER, { mockId: 'm' });
  };
  const gapNow = () => readMocks(app, TEACHER, { auditionId }).items.find(({ id }) => id === itemId)!;
  const check = () =>
    readReadiness(app, TEACHER, { auditionId })
      .readings.find(({ id }) => id === itemId)!
      .checks.find(({ kind }) => kind === 'mock')!;

  it('is the gap between practice and the mock, and readiness follows from it', () => {
    nowMs = Date.parse('2026-12-28T16:00:00Z');
    book(app, auditionId);
    practise('cccccc');
    heard('not yet');
    expect(gapNow()).toMatchObject({ gap: 2, words: [{ stage: 3, element: 'rhythm', word: 'not yet' }] });
    expect(check()).toMatchObject({ state: 'not yet' });
  });

  it('holds where the mock said no less than practice', () => {
    nowMs = Date.parse('2026-12-28T16:00:00Z');
    book(app, auditionId);
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
    book(app, auditionId);
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
    book(app, auditionId);
    practise('cccnnn');
    heard('uneven');
    expect(spotsNow()).toEqual([]);
  });

  it('is no spot before a look where somebody remarks on it', () => {
    nowMs = Date.parse('2026-12-28T16:00:00Z');
    book(app, auditionId);
    practise('cccccc');
    heard('not yet', { notes: [{ fromBar: 3, toBar: 4, says: 'rushes' }] });
    expect(spotsNow()).toEqual([]);
  });

  it('compares with practice at the mock’s tempo alone', () => {
    nowMs = Date.parse('2026-12-28T16:00:00Z');
    book(app, auditionId);
    logTouch(app, TEACHER, {
      ...{ itemId, date: '2026-12-26', minutes: 10 },
      ...{ tempoBpm: 60, unit: 'quarter', attempts: 'cccccc' }
    });
    heard('not yet');
    expect(gapNow()).toMatchObject({ gap: null });
  });

  it('moves readiness from the third stage on: a friendly listener is no panel', () => {
    nowMs = Date.parse('2026-12-28T16:00:00Z');
    book(app, auditionId, { stage: 2 });
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
    book(app, auditionId);
    practise('ccccc');
    heard('uneven');
    expect(gapNow()).toMatchObject({ gap: null });
    expect(check()).toMatchObject({ state: 'not yet' });
  });
});

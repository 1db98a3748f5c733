import { beforeEach, describe, expect, it } from 'vitest';
import { type App, type Who } from '../app';
import { findAudition } from '../store/audition';
import { takeCall } from './call';
import { readCountback } from './countback';
import { readHome, readLesson, saveLessonNote, setDayMinutes, setStep, setTarget } from './lesson';
import { addWish, answerWish, proposedByWish } from './wish';
import { addItem, readList, removeItem } from './list';
import { logTouch } from './log';
import { addCandidate, readFacts } from './studio';
import { takeBack } from './undo';
import { asAda, openStudio, timeOf, zone, STUDY, TEACHER } from '../../../../tests/fixtures/small-studio';

const DAY_MS = 86_400_000;
let now: number;
let app: App;
let candidateId: string;
let auditionId: string;
let itemId: string;

beforeEach(() => {
  now = Date.parse('2026-11-24T10:00:00Z'); // a Tuesday
  const lessons = [{ weekday: 2, start: '16:00', minutes: 45, isInside: true }];
  const time = { ...timeOf(60, [1, 2, 3, 4, 5], '17:00'), lessons };
  ({ app, candidateId, auditionId, itemId } = openStudio(() => now, time));
});

const lesson = () => readLesson(app, TEACHER, { auditionId });
const sectionId = () => lesson().items[0]!.sections[0]!.id;
const targetNow = (of = auditionId) =>
  readCountback(app, TEACHER, { auditionId: of }).plan!.items[0]!.sections[0]!.targetBpm;

describe('the lesson', () => {
  it('looks back to the last lesson day, or to the last note where that is later', () => {
    expect(lesson().since).toBe('2026-11-17');
    now += 2 * DAY_MS; // a Thursday: the lesson was on Tuesday
    expect(lesson().since).toBe('2026-11-24');
    saveLessonNote(app, TEACHER, { candidateId, note: 'an extra lesson', was: '' });
    now += DAY_MS;
    expect(lesson().since).toBe('2026-11-26');
  });

  it('counts days and minutes since then', () => {
    logTouch(app, TEACHER, { itemId, date: '2026-11-16', minutes: 9 });
    logTouch(app, TEACHER, { itemId, date: '2026-11-18', minutes: 12 });
    logTouch(app, TEACHER, { itemId, date: '2026-11-18', minutes: 10 });
    expect(lesson()).toMatchObject({ daysPractised: 1, days: 7, minutes: 22 });
  });

  it('keeps today’s note as one, and gives it to the candidate', () => {
    saveLessonNote(app, TEACHER, { candidateId, note: 'slow', was: '' });
    saveLessonNote(app, TEACHER, { candidateId, note: 'slower', was: 'slow' });
    expect(lesson().note).toBe('slower');
    const self: Who = asAda(candidateId);
    expect(readHome(app, self, { candidateId }).notes).toEqual([{ date: '2026-11-24', note: 'slower' }]);
    saveLessonNote(app, TEACHER, { candidateId, note: '', was: 'slower' });
    expect(readHome(app, self, { candidateId }).notes).toEqual([]);
  });

  it('refuses a note written over one that another window has replaced since', () => {
    saveLessonNote(app, TEACHER, { candidateId, note: 'slow', was: '' });
    expect(() => saveLessonNote(app, TEACHER, { candidateId, note: 'loud', was: '' })).toThrow(
      'another window'
    );
    expect(lesson().note).toBe('slow');
  });
});

describe('a decision in the lesson', () => {
  it('changes a target for this candidate alone where others take the list', () => {
    const other = addCandidate(app, TEACHER, { name: 'Bo', instruments: 'oboe', zone });
    const { callId } = findAudition(app.db, auditionId)!;
    const others = takeCall(app, TEACHER, { candidateId: other, callId });
    const undoToken = setTarget(app, TEACHER, { itemId, sectionId: sectionId(), bpm: 88 });
    expect([targetNow(), targetNow(others)]).toEqual([88, 96]);
    takeBack(app, TEACHER, { undoToken });
    expect(targetNow()).toBe(96);
  });

  it('changes the list’s target where nobody else takes it', () => {
    setTarget(app, TEACHER, { itemId, sectionId: sectionId(), bpm: 88 });
    expect(readList(app, TEACHER, { auditionId }).items[0]).toMatchObject({
      hasOwnSections: false,
      sections: [{ tempo: { targetBpm: 88 } }]
    });
  });

  it('stays inside the published range and on the scale, and says so', () => {
    const range = { kind: 'range' as const, unit: 'quarter' as const, lowBpm: 80, highBpm: 92 };
    const ranged = addItem(app, TEACHER, {
      auditionId,
      item: { ...STUDY, name: 'Ranged', sections: [{ id: 'new-1', fromBar: 1, toBar: 16, tempo: range }] }
    });
    const section = () => readList(app, TEACHER, { auditionId }).items[1]!.sections[0]!;
    const aim = (bpm: number) => setTarget(app, TEACHER, { itemId: ranged, sectionId: section().id, bpm });
    expect(() => aim(96)).toThrow('96 lies outside the published range, 80 to 92');
    const undoToken = aim(88);
    expect(section().tempo).toEqual({ ...range, stretchBpm: 88 });
    takeBack(app, TEACHER, { undoToken });
    expect(section().tempo).toEqual(range);
    expect(() => setTarget(app, TEACHER, { itemId, sectionId: sectionId(), bpm: 900 })).toThrow(
      'No click says'
    );
  });

  it('changes the step, and the ladder with it', () => {
    const rungs = () => readCountback(app, TEACHER, { auditionId }).plan!.items[0]!.rungs.map((r) => r.bpm);
    const undoToken = setStep(app, TEACHER, { itemId, step: { kind: 'plus', bpm: 10 } });
    // 48 is half of 96
    expect(rungs()).toEqual([48, 58, 68, 78, 88, 96]);
    takeBack(app, TEACHER, { undoToken });
    expect(rungs()).toHaveLength(17);
  });

  it('changes minutes of single days, leaves those alone that are as ever, and can be taken back', () => {
    const exceptions = () => readFacts(app, TEACHER, { candidateId }).candidate.time.exceptions;
    const days = [
      { date: '2026-11-25', minutes: 60 },
      { date: '2026-11-26', minutes: 30 },
      { date: '2026-11-28', minutes: 45 } // a Saturday: none as ever
    ];
    const undoToken = setDayMinutes(app, TEACHER, { candidateId, days });
    expect(exceptions().map((e) => [e.date, e.minutes])).toEqual([
      ['2026-11-26', 30],
      ['2026-11-28', 45]
    ]);
    expect(lesson().week.slice(0, 4)).toMatchObject([
      { minutes: 60, isOwn: false },
      { minutes: 30, isOwn: true },
      { minutes: 60, isOwn: false },
      { minutes: 45, isOwn: true }
    ]);
    const again = setDayMinutes(app, TEACHER, {
      candidateId,
      days: [{ date: '2026-11-26', minutes: 60 }]
    });
    expect(exceptions().map((e) => e.date)).toEqual(['2026-11-28']);
    takeBack(app, TEACHER, { undoToken: again });
    takeBack(app, TEACHER, { undoToken });
    expect(exceptions()).toEqual([]);
  });
});

describe('a wish', () => {
  const self = (): Who => asAda(candidateId);

  it('waits for the teacher, who accepts it or not', () => {
    addWish(app, self(), { candidateId, says: 'the aria faster' });
    const wishId = lesson().wishes[0]!.id;
    expect(lesson().wishes).toMatchObject([{ says: 'the aria faster', madeOn: '2026-11-24' }]);
    expect(() => answerWish(app, self(), { wishId, answer: 'accepted' })).toThrow('somebody else');
    const { token: undoToken } = answerWish(app, TEACHER, {
      wishId,
      answer: 'not now',
      reply: 'After the concert.'
    });
    expect(lesson().wishes).toEqual([]);
    expect(readHome(app, self(), { candidateId }).wishes).toMatchObject([
      { answer: 'not now', reply: 'After the concert.' }
    ]);
    takeBack(app, TEACHER, { undoToken });
    expect(lesson().wishes).toHaveLength(1);
  });

  it.each([
    [
      'minutes of a weekday',
      () => ({ kind: 'minutes', weekday: 2, minutes: 45 }) as const,
      'Tuesday: 45 minutes instead of 60: a bus earlier',
      () =>
        readFacts(app, TEACHER, { candidateId }).candidate.time.week.find((s) => s.weekday === 2)!.minutes,
      [60, 45]
    ],
    [
      'another target',
      () => ({ kind: 'target', itemId, sectionId: sectionId(), bpm: 88 }) as const,
      'Study in reeds, bars 1–16: target 88 instead of 96: a bus earlier',
      () => targetNow(),
      [96, 88]
    ],
    [
      'an item less',
      () => ({ kind: 'left-out', itemId }) as const,
      'Leave out Study in reeds: a bus earlier',
      () => readList(app, TEACHER, { auditionId }).items[0]!.isLeftOut === true,
      [false, true]
    ],
    [
      'lighter days',
      () => ({ kind: 'lighter', days: 2 }) as const,
      'Half the minutes on my next 2 practice days: a bus earlier',
      () =>
        readFacts(app, TEACHER, { candidateId }).candidate.time.exceptions.map(({ date, until }) => [
          date,
          until
        ]),
      // today and tomorrow, as one
      [[], [['2026-11-24', '2026-11-25']]]
    ]
  ])(
    'for %s is carried out as it is accepted, and both are taken back as one',
    (_, asks, says, now, [before, after]) => {
      addWish(app, self(), { candidateId, says: 'a bus earlier', asks: asks() });
      const [wish] = lesson().wishes;
      expect(wish).toMatchObject({ says, canBeDone: true });
      expect([now(), proposedByWish(app, TEACHER, { wishId: wish!.id })]).toEqual([
        before,
        expect.objectContaining({ auditionId })
      ]);
      const { token, isDone } = answerWish(app, TEACHER, { wishId: wish!.id, answer: 'accepted' });
      expect([isDone, now(), lesson().wishes]).toEqual([true, after, []]);
      takeBack(app, TEACHER, { undoToken: token });
      expect([now(), lesson().wishes.length]).toEqual([before, 1]);
      // refused, it changes nothing
      expect(answerWish(app, TEACHER, { wishId: wish!.id, answer: 'not now' }).isDone).toBe(false);
      expect(now()).toEqual(before);
    }
  );

  it('is about what is there, when it is made and when it is accepted', () => {
    const asks = { kind: 'left-out', itemId } as const;
    expect(() => addWish(app, self(), { candidateId, says: '', asks: { ...asks, itemId: 'none' } })).toThrow(
      'no more'
    );
    addWish(app, self(), { candidateId, says: '', asks });
    removeItem(app, TEACHER, { itemId, isBack: false });
    const [wish] = lesson().wishes;
    expect(wish!.canBeDone).toBe(false);
    expect(proposedByWish(app, TEACHER, { wishId: wish!.id })).toBeNull();
    expect(() => answerWish(app, TEACHER, { wishId: wish!.id, answer: 'accepted' })).toThrow('no more');
    expect(lesson().wishes).toHaveLength(1);
  });

  it('can be taken back by the one who made it', () => {
    const undoToken = addWish(app, self(), { candidateId, says: 'x' });
    takeBack(app, self(), { undoToken });
    expect(lesson().wishes).toEqual([]);
  });
});

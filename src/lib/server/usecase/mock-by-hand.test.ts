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
import { readHolder } from '../grant/grant';
import { findMock } from '../store/mock';
import { putSound } from '../store/take';
import {
  findBallotSound,
  putBallot,
  putBallotByHand,
  readBallotByHand,
  readBallots,
  readPaperBallots
} from './ballot';
import { inviteJuror, openBallots } from './jurors';
import { addItem } from './list';
import { writeInMock } from './mock-by-hand';
import { bookMock, hearBars, readAlone, readMock, readMocks, stepMock } from './mocks';
import { logTouch } from './log';
import { readFacts, saveFacts } from './studio';
import { addTake, setTake } from './takes';

let nowMs: number;
let app: App;
let candidateId: string;
let auditionId: string;
let itemId: string;
let ada: Who;
beforeEach(() => {
  nowMs = Date.parse('2026-12-20T16:00:00Z');
  ({ app, candidateId, auditionId, itemId } = openStudio(() => nowMs, timeOf(60, [1, 2, 3, 4, 5, 6])));
  ada = asAda(candidateId);
});
const takeBack = (token: string) => takeBackChange(app, findStep(app, token)!);
const book = (stage: number, who: Who = TEACHER, count = 1) =>
  bookMock(app, who, {
    auditionId,
    id: 'm',
    booked: { stage, date: '2026-12-21', place: '', minutes: 20 },
    drawing: { count, isInOrder: true }
  });
const mock = () => readMock(app, TEACHER, { mockId: 'm' }).mock;
const TAKE = '6f1c0f7e-9a51-4a0b-8b1e-0d1f3c9a7e11';
const SOUND = { name: 'a'.repeat(64), kind: 'audio/mpeg', bytes: 1000, lengthMs: 20_000 } as const;
function record() {
  const { fromBar, toBar } = findMock(app.db, 'm')!.draw[0]!;
  const take = { id: TAKE, itemId, fromBar, toBar, date: '2026-12-20', madeAtMs: nowMs } as const;
  addTake(app, ada, { itemId, take: { ...take, source: 'run', tempo: null, musicAtMs: 0 } });
  putSound(app.db, TAKE, SOUND);
}

describe('a mock from paper', () => {
  const writeIn = (bars: string, more: object = {}) =>
    writeInMock(app, TEACHER, {
      auditionId,
      id: 'p',
      booked: { stage: 3, date: '2026-12-18', place: 'room 2', minutes: 30 },
      heard: [{ itemId, bars }],
      jurors: ['Marit'],
      ...more
    });

  it('is over, with what was heard of what; taken back, it is not there', () => {
    const undo = writeIn('5-12');
    expect(writeIn('1-2')).toBe(undo);
    expect(readMocks(app, TEACHER, { auditionId }).mocks).toMatchObject([
      {
        date: '2026-12-18',
        draw: [{ itemId, fromBar: 5, toBar: 12 }],
        isOver: true,
        jurors: [{ name: 'Marit' }]
      }
    ]);
    takeBack(undo);
    expect(readMocks(app, TEACHER, { auditionId }).mocks).toEqual([]);
  });

  it('takes “all” and one bar, and says what it cannot read', () => {
    writeIn('ALL');
    expect(findMock(app.db, 'p')!.draw).toMatchObject([{ fromBar: STUDY.fromBar, toBar: STUDY.toBar }]);
    for (const bars of ['', '12-5', 'the middle', '0-900'])
      expect(codeOf(() => writeIn(bars, { id: `p ${bars}` }))).toBe('changes-unsound');
    const booked = { stage: 3, date: '2026-12-21', place: '', minutes: 30 };
    expect(codeOf(() => writeIn('5', { id: 'q', booked }))).toBe('mock-ahead');
  });

  it('has its words written in by who may lead it, until they are read', () => {
    writeIn('5-12');
    const jurorId = findMock(app.db, 'p')!.jurors[0]!.id;
    const about = { mockId: 'p', jurorId };
    const ballot = {
      item: 0,
      words: { rhythm: 'uneven' as const },
      notes: [{ fromBar: 6, toBar: 7, says: 'late' }]
    };
    putBallotByHand(app, TEACHER, { ...about, ballot });
    expect(readBallotByHand(app, TEACHER, about).view.ballots[0]!.ballot).toEqual([ballot]);
    // of a panel the player reads nothing beforehand, and writes nothing
    expect(codeOf(() => readBallotByHand(app, ada, about))).toBe('not-allowed');
    expect(codeOf(() => putBallotByHand(app, ada, { ...about, ballot }))).toBe('not-allowed');
    expect(codeOf(() => readPaperBallots(app, ada, { mockId: 'p' }))).toBe('not-allowed');
    openBallots(app, TEACHER, { mockId: 'p' });
    expect(codeOf(() => putBallotByHand(app, TEACHER, { ...about, ballot }))).toBe('ballots-open');
  });
});

describe('alone with the recorder', () => {
  it('who plays has a ballot of their own, and hears what was recorded with it', () => {
    book(1, ada);
    expect(readAlone(app, ada, { mockId: 'm' })).toMatchObject({ mayRecord: true, mock: { count: 1 } });
    record();
    stepMock(app, ada, { mockId: 'm', to: 0 });
    stepMock(app, ada, { mockId: 'm', to: 1, until: { takeId: TAKE } });
    stepMock(app, ada, { mockId: 'm', to: 1, until: { takeId: 'again' } });
    expect(mock()).toMatchObject({
      isOver: true,
      played: [{ item: 0, takeId: TAKE }],
      jurors: [{ name: 'Ada' }]
    });
    const jurorId = mock().jurors[0]!.id;
    expect(readBallotByHand(app, ada, { mockId: 'm', jurorId }).takes).toEqual([TAKE]);
  });

  it('is not led by who plays where a panel does', () => {
    book(3);
    expect(codeOf(() => readAlone(app, ada, { mockId: 'm' }))).toBe('not-allowed');
  });

  it('a juror elsewhere hears it once it is over; of a minor only after a guardian’s yes', () => {
    addItem(app, TEACHER, { auditionId, item: { ...STUDY, name: 'Tern' } });
    book(1, ada, 2);
    const holder = readHolder(
      app,
      'juror',
      inviteJuror(app, ada, { mockId: 'm', name: 'Jan', jurorId: null })
    );
    const ballot = () => readBallots(app, holder, {}).ballots[0]!;
    const sound = (item = 0) => findBallotSound(app, holder, { jurorId: ballot().id, item });
    record();
    stepMock(app, ada, { mockId: 'm', to: 0, until: { takeId: 'nothing is played yet' } });
    stepMock(app, ada, { mockId: 'm', to: 1, until: { takeId: TAKE } });
    // the second item is being played
    expect(codeOf(sound)).toBe('not-found');
    expect(ballot().items[0]!.isRecorded).toBe(false);
    stepMock(app, ada, { mockId: 'm', to: 2 });
    expect(ballot().items[0]!.isRecorded).toBe(true);
    expect(sound()).toEqual(SOUND);
    expect(codeOf(() => sound(1))).toBe('not-found');
    const { candidate } = readFacts(app, TEACHER, { candidateId });
    const version = candidate.factsVersion;
    const { name, instruments, zone, guardian } = candidate;
    const facts = {
      name,
      instruments,
      zone,
      guardian,
      privateNote: '',
      isMinor: true,
      consentOn: '2026-12-01'
    };
    saveFacts(app, TEACHER, { candidateId, version, facts: { ...facts, sharingOn: null } });
    expect(ballot().items[0]!.isRecorded).toBe(false);
    expect(codeOf(sound)).toBe('not-found');
    saveFacts(app, TEACHER, {
      candidateId,
      version: version + 1,
      facts: { ...facts, sharingOn: '2026-12-02' }
    });
    expect(sound()).toEqual(SOUND);
    // the words are written as any juror's
    putBallot(app, holder, {
      jurorId: ballot().id,
      ballot: { item: 0, words: { sound: 'carries' }, notes: [] },
      device: 'phone'
    });
  });

  it('a take of somebody else’s is none of it', () => {
    book(1, ada);
    const bo = addPlayer(app, 'Bo');
    const theirs = addItem(app, TEACHER, {
      auditionId: addRound(app, bo, { id: 'r2', name: 'Bo’s' }),
      item: STUDY
    });
    const take = {
      id: TAKE,
      itemId: theirs,
      fromBar: 1,
      toBar: 4,
      date: '2026-12-20',
      madeAtMs: nowMs
    } as const;
    addTake(app, TEACHER, { itemId: theirs, take: { ...take, source: 'run', tempo: null, musicAtMs: 0 } });
    putSound(app.db, TAKE, SOUND);
    for (const to of [0, 1]) stepMock(app, ada, { mockId: 'm', to, until: { takeId: TAKE } });
    expect(mock().played).toMatchObject([{ takeId: null }]);
  });
});

describe('the tempo of a mock', () => {
  const play = (until: object) => {
    book(3);
    stepMock(app, TEACHER, { mockId: 'm', to: 0 });
    stepMock(app, TEACHER, { mockId: 'm', to: 1, until });
    return mock().played[0]?.tempo;
  };

  it('that was tapped is told against the target, in its unit', () => {
    const section = STUDY.sections[0]!.tempo as { targetBpm: number; unit: string };
    expect(play({ bpm: section.targetBpm * 2 })).toMatchObject({
      bpm: section.targetBpm * 2,
      unit: section.unit,
      lies: null
    });
  });

  it('is taken from bars that were set in the take where nothing was tapped', () => {
    book(3);
    record();
    const { fromBar } = findMock(app.db, 'm')!.draw[0]!;
    // two bars of 4/4 in four seconds are 120 quarters a minute
    const anchors = [
      { bar: fromBar, atMs: 1000 },
      { bar: fromBar + 2, atMs: 5000 }
    ];
    setTake(app, TEACHER, { takeId: TAKE, set: { anchors } });
    stepMock(app, TEACHER, { mockId: 'm', to: 0 });
    stepMock(app, TEACHER, { mockId: 'm', to: 1, until: { takeId: TAKE } });
    expect(STUDY.metre).toBe('4/4');
    expect(mock().played[0]!.tempo).toMatchObject({ bpm: 120, unit: 'quarter' });
  });

  it('is not known where nothing was', () => {
    expect(play({})).toBeUndefined();
  });
});

describe('hard bars that no mock hears', () => {
  it('are said to who knows what is drawn, and put into the next by one step that can be taken back', () => {
    addItem(app, TEACHER, { auditionId, item: { ...STUDY, name: 'Tern' } });
    // the last stage: none is left to be booked
    book(5);
    const drawn = findMock(app.db, 'm')!.draw[0]!;
    const other = readMocks(app, TEACHER, { auditionId }).items.find(({ id }) => id !== drawn.itemId)!;
    const log = { itemId: other.id, date: '2026-12-19', minutes: 10, fromBar: 3, toBar: 4 };
    logTouch(app, TEACHER, { ...log, tempoBpm: 60, attempts: 'nnnn' });
    logTouch(app, TEACHER, {
      ...log,
      fromBar: other.fromBar,
      toBar: other.toBar,
      tempoBpm: 60,
      attempts: 'c'
    });
    const unheard = (who: Who) => readMocks(app, who, { auditionId }).unheard;
    expect(unheard(TEACHER)).toMatchObject([{ itemId: other.id, fromBar: 3, toBar: 4 }]);
    expect(unheard(ada)).toEqual([]);
    const bars = { mockId: 'm', itemId: other.id, fromBar: 3, toBar: 4 };
    expect(codeOf(() => hearBars(app, ada, bars))).toBe('not-allowed');
    const undo = hearBars(app, TEACHER, bars);
    expect(findMock(app.db, 'm')!.draw).toHaveLength(2);
    expect(unheard(TEACHER)).toEqual([]);
    expect(codeOf(() => hearBars(app, TEACHER, bars))).toBe('changes-unsound');
    takeBack(undo);
    expect(unheard(TEACHER)).toHaveLength(1);
  });
});

import { readFileSync } from 'node:fs';
import { beforeEach, describe, expect, it } from 'vitest';
import { type App, type Who, NOBODY } from '../app';
import { CodedError, ERRORS } from '../errors';
import { makeGrant, readHolder } from '../grant/grant';
import { STATUS } from '../status';
import { USE_CASES } from './index';
import { addWish } from './wish';
import { logTouch } from './log';
import { saveTime } from './studio';
import { bookMock } from './mocks';
import { addTake } from './takes';
import {
  addPlayer,
  asAda,
  openStudio,
  timeOf,
  zone,
  STUDY,
  TEACHER
} from '../../../../tests/fixtures/small-studio';

const EMPTY = timeOf(0, []);
const NOW = Date.parse('2026-11-24T10:00:00Z');

let app: App;
let input: Record<string, unknown>;
let owner: Who;
let other: Who;

beforeEach(() => {
  const { candidateId, auditionId, itemId, ...studio } = openStudio(() => NOW);
  app = studio.app;
  const otherId = addPlayer(app, 'Bo');
  owner = asAda(candidateId);
  other = { kind: 'candidate', accountId: 'b', candidateId: otherId, name: 'Bo', isPutAway: false };
  const touchId = logTouch(app, owner, {
    itemId,
    date: '2026-11-24',
    minutes: 12,
    tempoBpm: 60,
    attempts: 'ccc'
  }).id;
  const takeId = '6f1c0f7e-9a51-4a0b-8b1e-0d1f3c9a7e11';
  const take = { itemId, fromBar: 1, toBar: 4, date: '2026-11-24', madeAtMs: NOW, source: 'run' } as const;
  addTake(app, owner, { itemId, take: { ...take, id: takeId, tempo: null, musicAtMs: 0 } });
  const mockId = '6f1c0f7e-9a51-4a0b-8b1e-0d1f3c9a7e12';
  const booked = { stage: 1, date: '2026-11-25', place: '', minutes: 20 };
  bookMock(app, owner, { auditionId, id: mockId, booked, drawing: { count: 1, isInOrder: true } });
  input = {
    mockId,
    takeId,
    candidateId,
    auditionId,
    itemId,
    touchId,
    undoToken: saveTime(app, owner, { candidateId, version: 1, time: EMPTY }),
    wishId: addWish(app, owner, { candidateId, says: 'the sonata again' }),
    ids: [],
    events: [],
    item: STUDY,
    version: 1,
    rounds: [{ id: '', name: 'first round', date: '2027-01-09', zone, isHistory: false }],
    dates: [],
    name: 'x',
    time: {},
    token: 'x',
    login: 'x',
    password: 'x',
    address: 'x'
  };
});

function codeOf(run: () => unknown): string {
  try {
    run();
    return 'done';
  } catch (thrown) {
    return thrown instanceof CodedError ? thrown.code : 'another error';
  }
}

describe('every use case', () => {
  it('that is not for anyone refuses who is not signed in', () => {
    const closed = Object.entries(USE_CASES).filter(
      ([, useCase]) => !['anyone', 'holder'].includes(useCase.rule)
    );
    expect(closed.length).toBeGreaterThan(18);
    for (const [name, useCase] of closed)
      expect([name, codeOf(() => useCase(app, NOBODY, input as never))]).toEqual([name, 'not-signed-in']);
  });

  it('of the teacher refuses every candidate, the one it is about too', () => {
    for (const [name, useCase] of Object.entries(USE_CASES).filter(([, u]) => u.rule === 'teacher')) {
      for (const who of [owner, other])
        expect([name, codeOf(() => useCase(app, who, input as never))]).toEqual([name, 'not-allowed']);
    }
  });

  it('about a candidate’s own things refuses another candidate', () => {
    for (const [name, useCase] of Object.entries(USE_CASES).filter(([, u]) => u.rule === 'own')) {
      expect([name, codeOf(() => useCase(app, other, input as never))]).toEqual([name, 'not-allowed']);
    }
  });

  it('about something that does not exist says so to a candidate', () => {
    const nothing = {
      ...input,
      candidateId: owner.kind === 'candidate' ? 'nobody' : '',
      auditionId: 'none',
      itemId: 'none',
      touchId: 'none',
      takeId: 'none',
      mockId: 'none',
      wishId: 'none',
      undoToken: 'none'
    };
    for (const [name, useCase] of Object.entries(USE_CASES).filter(([, u]) => u.rule === 'own')) {
      expect(['not-found', 'not-allowed'], name).toContain(
        codeOf(() => useCase(app, owner, nothing as never))
      );
    }
  });

  it('of who holds a link refuses everybody without one, the teacher too, and every link of another kind', () => {
    const held = Object.entries(USE_CASES).filter(([, u]) => u.rule === 'holder');
    expect(held.map(([name]) => name).sort()).toEqual([
      ...[
        'acceptJoinLink',
        'addRemark',
        'findBallotSound',
        'findListenedSound',
        'putBallot',
        'readBallots',
        'readFeed'
      ],
      ...['readGuardianWeek', 'readJoinLink', 'readListening', 'readSubstitute', 'takeBallotHere']
    ]);
    const holders: Who[] = (['join', 'feed', 'guardian', 'substitute', 'listener', 'juror'] as const).map(
      (grant) => {
        const opensId = grant === 'feed' ? String(input.auditionId) : String(input.candidateId);
        const token = makeGrant(app, grant, { candidateId: String(input.candidateId), opensId });
        return readHolder(app, grant, token);
      }
    );
    for (const [name, useCase] of held) {
      const codes = [NOBODY, TEACHER, owner, ...holders].map((who) =>
        codeOf(() => useCase.may(app, who, {} as never))
      );
      expect([name, codes.filter((code) => code === 'done')]).toEqual([name, ['done']]);
      expect(new Set(codes)).toEqual(new Set(['done', 'link-spent']));
    }
    // and a link opens nothing else
    for (const [name, useCase] of Object.entries(USE_CASES).filter(
      ([, u]) => !['anyone', 'holder'].includes(u.rule)
    ))
      for (const who of holders)
        expect([name, codeOf(() => useCase(app, who, input as never))]).toEqual([name, 'not-signed-in']);
  });

  it('open to anyone is one of the doors, and no other', () => {
    const open = Object.entries(USE_CASES)
      .filter(([, u]) => u.rule === 'anyone')
      .map(([name]) => name);
    expect(open.sort()).toEqual(
      [
        ...['createTeacher', 'enterDemo', 'isNewStudio', 'isPreparedAlone', 'noteSession', 'readDemoDoor'],
        ...['readSession', 'signIn', 'signOut']
      ].sort()
    );
  });
});

describe('the register of errors', () => {
  const docs = readFileSync('docs/errors.md', 'utf8');

  it('gives each code a status, a sentence, and a row in the docs', () => {
    for (const [code, sentence] of Object.entries(ERRORS)) {
      expect(STATUS[code as keyof typeof STATUS]).toBeGreaterThanOrEqual(400);
      expect(sentence).toMatch(/[.!?]$/);
      expect(docs).toContain(`| \`${code}\` | ${STATUS[code as keyof typeof STATUS]} | ${sentence} |`);
    }
    expect(docs.match(/^\| `/gm)).toHaveLength(Object.keys(ERRORS).length);
  });
});

/** Plans are laid when facts change and when the day does, each once; reading lays nothing. */
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { layForEach } from '../../core/season';
import { type App, makeApp } from '../app';
import { openDb, writesOf } from '../db/open';
import { serverLog } from '../log';
import { latestVersion, versionHeads } from '../store/plan-version';
import { addAudition, readCall, readCalls, saveCall, takeCall } from '../usecase/call';
import { readCountback, readHead, readPaper, readVersions } from '../usecase/countback';
import { readReadiness } from '../usecase/readiness';
import { readLesson, setDayMinutes, setStep, setTarget } from '../usecase/lesson';
import { addItem, orderItems, readItem, readList, removeItem, saveItem } from '../usecase/list';
import { logTouch, readLog, removeTouch } from '../usecase/log';
import { pinBlock, pinRung, unpinBlock, unpinRung } from '../usecase/pin';
import { addAway, archiveCandidate, readCandidate, readFacts, readStudio } from '../usecase/studio';
import { saveFacts, saveTime } from '../usecase/studio';
import { takeBack } from '../usecase/undo';
import { keepChanges, readScratch } from '../usecase/what-if';
import { EVENINGS, STUDY, TEACHER, addPlayer, addRound, zone } from '../../../../tests/fixtures/small-studio';
import { readSeason } from './facts';
import { digestOf } from './lay';
import { findWaiting, isWaiting } from './new-day';
import { type Layer, LayingQueue } from './queue';

const DAY_MS = 86_400_000;
let now: number;
let app: App;
let candidateId: string;
let otherId: string;
let first: string;
let second: string;
let itemId: string;

beforeEach(() => {
  now = Date.parse('2026-11-24T10:00:00Z');
  app = makeApp(openDb(':memory:'), () => now);
  [candidateId, otherId] = ['Ada', 'Bo'].map((name) => addPlayer(app, name, EVENINGS)) as [string, string];
  first = addRound(app, candidateId, { name: 'Saltmarsh' });
  second = addRound(app, candidateId, { id: 'r2', name: 'Fenland', date: '2027-02-20' });
  itemId = addItem(app, TEACHER, { auditionId: first, item: STUDY });
  addItem(app, TEACHER, { auditionId: second, item: { ...STUDY, name: 'Tern', composer: 'Quill' } });
});

const sectionId = () => readSeason(app, first).items[0]!.sections[0]!.id;
const version = () => readItem(app, TEACHER, { itemId }).item.version;

describe('a change of the facts', () => {
  /** In this order, each on what the one before it left. */
  const changes: [string, () => unknown][] = [
    [
      'log',
      () =>
        logTouch(app, TEACHER, { itemId, date: '2026-11-24', minutes: 12, tempoBpm: 60, attempts: 'nccc' })
    ],
    [
      'a touch out',
      () => {
        const { touches } = readLog(app, TEACHER, { auditionId: first });
        removeTouch(app, TEACHER, { touchId: touches[0]!.id, isBack: false });
      }
    ],
    [
      'minutes',
      () => saveTime(app, TEACHER, { candidateId, version: 2, time: { ...EVENINGS, warmUpMin: 5 } })
    ],
    [
      'away',
      () => addAway(app, TEACHER, { candidateId, from: '2026-12-20', to: '2027-01-02', why: 'travel' })
    ],
    [
      'single days',
      () => setDayMinutes(app, TEACHER, { candidateId, days: [{ date: '2026-11-27', minutes: 30 }] })
    ],
    [
      'the call',
      () => {
        const { audition } = readCall(app, TEACHER, { auditionId: second });
        const rounds = audition.call.rounds.map((round) => ({ ...round, date: '2027-02-27' }));
        const { name, dates, version } = audition.call;
        saveCall(app, TEACHER, { auditionId: second, name, dates, rounds, version });
      }
    ],
    [
      'an item',
      () => saveItem(app, TEACHER, { itemId, item: { ...STUDY, name: 'Terns' }, version: version() })
    ],
    [
      'one more item',
      () => addItem(app, TEACHER, { auditionId: first, item: { ...STUDY, name: 'Tern', composer: 'Quill' } })
    ],
    [
      'the order',
      () => {
        const ids = readList(app, TEACHER, { auditionId: first }).items.map((item) => item.id);
        orderItems(app, TEACHER, { auditionId: first, ids: ids.reverse() });
      }
    ],
    ['a step', () => setStep(app, TEACHER, { itemId, step: { kind: 'percent', percent: 4 } })],
    [
      'a pinned rung',
      () => {
        const { plan } = readCountback(app, TEACHER, { auditionId: first });
        const rung = plan!.items.flatMap((item) => item.rungs).find((r) => r.date !== null)!;
        pinRung(app, TEACHER, { itemId, sectionId: rung.sectionId, bpm: rung.bpm, date: rung.date! });
        unpinRung(app, TEACHER, { itemId, sectionId: rung.sectionId, bpm: rung.bpm });
      }
    ],
    ['a pinned block', () => pinBlock(app, TEACHER, { itemId, date: '2026-11-26', minutes: 20 })],
    ['a block set free', () => unpinBlock(app, TEACHER, { itemId, date: '2026-11-26' })],
    [
      'what was tried',
      () =>
        keepChanges(app, TEACHER, {
          auditionId: first,
          changes: { week: [{ weekday: 1, addMin: 15 }], items: [{ itemId, isLeftOut: true }] }
        })
    ],
    [
      'taking back',
      () => {
        const changes = { fundamentalsMin: 25, daysIntoMock: 3 };
        const undoToken = keepChanges(app, TEACHER, { auditionId: first, changes });
        takeBack(app, TEACHER, { undoToken });
      }
    ],
    [
      'the home zone',
      () => {
        const { candidate, privateNote } = readFacts(app, TEACHER, { candidateId });
        const facts = { ...candidate, privateNote, zone: 'Pacific/Kiritimati' };
        saveFacts(app, TEACHER, { candidateId, facts, version: candidate.factsVersion });
      }
    ],
    [
      'a list taken by another',
      () => {
        const { audition } = readCall(app, TEACHER, { auditionId: first });
        takeCall(app, TEACHER, { candidateId: otherId, callId: audition.callId });
      }
    ],
    [
      'the last item of a list',
      () => {
        for (const { id } of readList(app, TEACHER, { auditionId: second }).items)
          removeItem(app, TEACHER, { itemId: id, isBack: false });
      }
    ]
  ];

  it('lays every plan it touches: none is ever of other facts than there are', () => {
    for (const [name, change] of changes) {
      change();
      const auditions = [candidateId, otherId].flatMap(
        (id) => readCandidate(app, TEACHER, { candidateId: id }).auditions
      );
      for (const { id, items } of auditions.filter((audition) => audition.items > 0))
        expect([name, id, items, latestVersion(app.db, id)?.factsDigest]).toEqual([
          name,
          id,
          items,
          digestOf(readSeason(app, id))
        ]);
    }
  });
});

describe('reading', () => {
  it('writes nothing, on the day the plan is of and on the days after', () => {
    logTouch(app, TEACHER, { itemId, date: '2026-11-24', minutes: 12, tempoBpm: 60, attempts: 'nccc' });
    setTarget(app, TEACHER, { itemId, sectionId: sectionId(), bpm: 80 });
    const reads = [readCall, readCountback, readHead, readLesson, readList, readLog, readPaper];
    for (const days of [0, 1, 30, 90]) {
      now += days * DAY_MS;
      const before = writesOf(app.db);
      for (const read of [...reads, readReadiness, readScratch, readVersions])
        read(app, TEACHER, { auditionId: first });
      readItem(app, TEACHER, { itemId });
      readStudio(app, TEACHER, {});
      readCalls(app, TEACHER, {});
      readCandidate(app, TEACHER, { candidateId });
      expect([days, writesOf(app.db)]).toEqual([days, before]);
    }
  });
});

describe('a new day', () => {
  const asked: number[] = [];
  const here: Layer = {
    rest: () => {},
    layForEach: (request, rounds) => {
      asked.push(rounds.length);
      return Promise.resolve(layForEach(request, rounds));
    }
  };
  const queueOf = (lay: Layer['layForEach']) => new LayingQueue(app, { ...here, layForEach: lay });
  beforeEach(() => {
    asked.length = 0;
    now += DAY_MS;
  });

  it('is laid once for all of a candidate’s auditions, however many ask at once', async () => {
    expect([first, second].map((id) => isWaiting(app, id))).toEqual([true, true]);
    const queue = new LayingQueue(app, here);
    await Promise.all([first, second, first, second, first].map((id) => queue.ready(id)));
    expect(asked).toEqual([2]);
    expect(findWaiting(app)).toBeNull();
    for (const id of [first, second]) {
      expect(readCountback(app, TEACHER, { auditionId: id }).plan!.today).toBe('2026-11-25');
    }
    expect(readHead(app, TEACHER, { auditionId: second }).next!.date).toBe('2027-02-20');
  });

  it('keeps nothing that was laid from facts that have changed meanwhile', async () => {
    const queue = queueOf(async (request, rounds) => {
      const plans = await here.layForEach(request, rounds);
      logTouch(app, TEACHER, { itemId, date: '2026-11-25', minutes: 12, tempoBpm: 60, attempts: 'nccc' });
      return plans;
    });
    await queue.ready(first);
    const [latest, before] = versionHeads(app.db, first);
    expect([latest!.cause, before!.cause]).toEqual([`log: ${STUDY.name}`, 'Tern added']);
    expect(latestVersion(app.db, first)!.factsDigest).toBe(digestOf(readSeason(app, first)));
  });

  it('that cannot be laid leaves the plan of before, and is laid when it can be', async () => {
    let isBroken = true;
    const queue = queueOf((request, rounds) =>
      isBroken ? Promise.reject(new Error('thread ended')) : here.layForEach(request, rounds)
    );
    await queue.ready(first);
    expect(readCountback(app, TEACHER, { auditionId: first }).plan!.today).toBe('2026-11-24');
    isBroken = false;
    await queue.ready(first);
    expect(readCountback(app, TEACHER, { auditionId: first }).plan!.today).toBe('2026-11-25');
  });

  it('that cannot be laid keeps no other candidate’s waiting', async () => {
    const rounds = [{ id: '', name: 'round', date: '2027-01-30', zone, isHistory: false }];
    const other = addAudition(app, TEACHER, { candidateId: otherId, name: 'Quay', rounds, dates: [] });
    addItem(app, TEACHER, { auditionId: other, item: STUDY });
    now += DAY_MS;
    const queue = queueOf((request, heads) =>
      heads.length === 2 ? Promise.reject(new Error('thread ended')) : here.layForEach(request, heads)
    );
    queue.look();
    await vi.waitFor(() => expect(isWaiting(app, other)).toBe(false), 5000);
    expect(isWaiting(app, first)).toBe(true);
  });

  it('of who is put away is laid for nobody', () => {
    archiveCandidate(app, TEACHER, { candidateId, isBack: false });
    expect(findWaiting(app)).toBeNull();
  });

  it('that takes long keeps nobody waiting: the plan of before is read after some seconds', async () => {
    vi.useFakeTimers();
    try {
      const ready = queueOf(() => new Promise(() => {})).ready(first);
      await vi.advanceTimersByTimeAsync(8000);
      await ready;
    } finally {
      vi.useRealTimers();
    }
    expect(readCountback(app, TEACHER, { auditionId: first }).plan!.today).toBe('2026-11-24');
  });

  it('laid when the studio has just been closed is let go without a word', async () => {
    const said = vi.spyOn(serverLog, 'error');
    const queue = queueOf(async (request, rounds) => {
      const plans = await here.layForEach(request, rounds);
      app.db.close();
      return plans;
    });
    await queue.ready(first);
    expect(said).not.toHaveBeenCalled();
    said.mockRestore();
  });

  it('after the last round is laid once more, and then no more', async () => {
    now = Date.parse('2027-02-22T10:00:00Z');
    const queue = new LayingQueue(app, here);
    await queue.ready(second);
    now += 10 * DAY_MS;
    expect(isWaiting(app, second)).toBe(false);
    expect(isWaiting(app, 'none')).toBe(false);
  });
});

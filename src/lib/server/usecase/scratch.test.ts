/** What is drawn on a scratch copy is what is laid when it is kept: random changes to each season of the demo studio. */
import { beforeAll, describe, expect, it } from 'vitest';
import { openDemo } from '../../../../tests/fixtures/demo-studio';
import { chance } from '../../../../tests/fixtures/random-studio';
import {
  type Changes,
  STRATEGIES,
  laySeason,
  setTarget,
  targetFault,
  trySeason,
  viewOf
} from '../../core/season';
import { targetOf } from '../../core/tempo';
import { dayOf, formatDate } from '../../core/units';
import type { App, Who } from '../app';
import { auditionsOf } from '../store/audition';
import { listCandidates } from '../store/candidate';
import { readCountback } from './countback';
import { readList } from './list';
import { takeBack } from './undo';
import { keepChanges, readScratch } from './what-if';

const TEACHER: Who = { kind: 'teacher', accountId: 't', name: 'Marthe' };
let app: App;
beforeAll(() => {
  app = openDemo();
});

/** Some of: minutes, fundamentals, days into the mocks, a moved round, an item's target, way of working, and leaving out. */
function randomChanges(auditionId: string, seed: number): Changes {
  const { whole, share } = chance(seed);
  const { request } = readScratch(app, TEACHER, { auditionId });
  const own = readList(app, TEACHER, { auditionId }).items;
  const one = request.items[whole(0, request.items.length - 1)]!;
  const other = own[whole(0, own.length - 1)]!;
  const [section] = other.sections;
  const bpm = section && targetOf(section.tempo) ? targetOf(section.tempo)!.bpm - whole(0, 6) : null;
  const isClickable = bpm !== null && targetFault(setTarget(section!.tempo, bpm), bpm) === null;
  const round = request.rounds.find((r) => request.countsDownTo?.includes(r.id) ?? true);
  return {
    ...(share() < 0.5 ? { week: [{ weekday: whole(1, 5), addMin: whole(-10, 20) }] } : {}),
    ...(share() < 0.3 ? { fundamentalsMin: whole(0, 10) } : {}),
    ...(share() < 0.3 ? { daysIntoMock: whole(0, 7) } : {}),
    ...(round && share() < 0.5
      ? { rounds: [{ roundId: round.id, date: formatDate(dayOf(request.today) + whole(3, 90)) }] }
      : {}),
    items: [
      { itemId: one.id, schools: { strategy: STRATEGIES[whole(0, STRATEGIES.length - 1)]! } },
      ...(other.id !== one.id && isClickable
        ? [{ itemId: other.id, targets: [{ sectionId: section!.id, bpm: bpm }] }]
        : []),
      ...(share() < 0.4
        ? [{ itemId: own.find((i) => i.id !== one.id && i.id !== other.id)!.id, isLeftOut: true }]
        : [])
    ]
  };
}

describe('a scratch copy', () => {
  it('draws what is laid when it is kept', () => {
    const seasons = listCandidates(app.db).flatMap((candidate) => auditionsOf(app.db, candidate.id));
    expect(seasons.length).toBeGreaterThan(5);
    for (const { id: auditionId, name } of seasons)
      for (let seed = 1; seed <= 12; seed += 1) {
        const { parts, plan } = readScratch(app, TEACHER, { auditionId });
        const changes = randomChanges(auditionId, seed);
        const { request, names } = trySeason(parts, auditionId, plan!.agreed).with(changes);
        const laid = laySeason(request);
        const undoToken = keepChanges(app, TEACHER, { auditionId, changes });
        const { plan: kept } = readCountback(app, TEACHER, { auditionId });
        expect(kept, `${name}, seed ${seed}`).toEqual(names ? viewOf(laid, names) : laid);
        takeBack(app, TEACHER, { undoToken });
        const after = readCountback(app, TEACHER, { auditionId }).plan!;
        expect(after.short?.minutes, `${name}, seed ${seed}, taken back`).toBe(plan!.short?.minutes);
      }
  });
});

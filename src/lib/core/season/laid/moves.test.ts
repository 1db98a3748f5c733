import { describe, expect, it } from 'vitest';
import { compareLayings } from './moves';
import type { PlannedItem, PlannedRung, SeasonPlan } from './plan';

const rung = (bpm: number, date: string | null): PlannedRung => ({
  sectionId: 's',
  bpm,
  bars: null,
  share: bpm / 100,
  click: { bpm, unit: 'quarter' },
  asksMin: 10,
  minutes: 10,
  minutesDone: 0,
  seconds: 60,
  attempts: 6.38,
  date,
  pinnedTo: null
});

function plan(today: string, rungs: PlannedRung[], heldBpm: number | null = null, id = 'a'): SeasonPlan {
  const held =
    heldBpm === null ? null : { bpm: heldBpm, on: today, isAged: false, evidence: 'self' as const };
  const item: PlannedItem = {
    id,
    name: 'Study',
    kind: 'etude',
    state: 'climbing',
    dayZero: '2027-01-09',
    sections: [
      { id: 's', fromBar: 1, toBar: 8, unit: 'quarter', targetBpm: 96, held, startBpm: 48, says: '' }
    ],
    slowestSectionId: 's',
    heldShare: null,
    clicksToGo: 4,
    cleanShare: 0.7,
    rungs,
    askedMin: 10,
    shortMin: 0,
    leftOutMin: 0,
    nextTouch: null
  };
  return {
    today,
    began: today,
    nextRoundId: 'r',
    daysToGo: 46,
    stages: null,
    items: [item],
    days: [],
    weeks: [],
    short: null,
    agreed: { rungs: [], allotments: [], carried: [] }
  };
}

const moves = (before: SeasonPlan, after: SeasonPlan) =>
  compareLayings(before, after).map((m) => [m.bpm, m.from, m.to, m.why]);

describe('what moved between two layings', () => {
  const first = plan('2026-11-24', [rung(60, '2026-11-24'), rung(63, '2026-11-28')]);

  it('is nothing where every rung kept its date', () => {
    expect(moves(first, plan('2026-11-24', [rung(60, '2026-11-24'), rung(63, '2026-11-28')]))).toEqual([]);
  });

  it('says what holds now', () => {
    expect(moves(first, plan('2026-11-24', [rung(63, '2026-11-28')], 60))).toEqual([
      [60, '2026-11-24', null, 'holds']
    ]);
  });

  it('says a rung was not reached when its date has passed', () => {
    expect(moves(first, plan('2026-11-25', [rung(60, '2026-11-26'), rung(63, '2026-11-28')]))).toEqual([
      [60, '2026-11-24', '2026-11-26', 'not-reached']
    ]);
  });

  it('tells later, earlier, without minutes and with minutes again apart', () => {
    const at = (date: string | null) => plan('2026-11-24', [rung(60, '2026-11-24'), rung(63, date)]);
    expect(moves(first, at('2026-12-01'))[0]!.at(-1)).toBe('later');
    expect(moves(first, at('2026-11-26'))[0]!.at(-1)).toBe('earlier');
    expect(moves(first, at(null))[0]!.at(-1)).toBe('no-minutes');
    expect(moves(at(null), first)[0]!.at(-1)).toBe('minutes-again');
  });

  it('names rungs that are new or gone with a changed ladder', () => {
    const other = plan('2026-11-24', [rung(60, '2026-11-24'), rung(66, '2026-11-28')]);
    expect(moves(first, other)).toEqual([
      [63, '2026-11-28', null, 'dropped'],
      [66, null, '2026-11-28', 'new']
    ]);
  });

  it('tells of an item that came or went by its last rung', () => {
    const swapped = plan('2026-11-24', [rung(80, '2026-12-05')], null, 'b');
    expect(moves(first, swapped)).toEqual([
      [80, null, '2026-12-05', 'new'],
      [63, '2026-11-28', null, 'dropped']
    ]);
  });
});

import { describe, expect, it } from 'vitest';
import type { Touch } from '../../practice';
import { laySeason } from '../lay/lay';
import type { SeasonItem } from '../facts/request';
import { deepest, heldStairs, plannedStairs } from './stairs';
import { freeTime, request as seasonOf, roundOn } from '../../../../../tests/fixtures/etude-season';

const ITEM: SeasonItem = {
  id: 'a',
  name: 'Two weathers',
  kind: 'solo',
  metre: '4/4',
  fromBar: 1,
  toBar: 16,
  sections: [
    { id: 'slow', fromBar: 1, toBar: 8, tempo: { kind: 'pulse', unit: 'quarter', targetBpm: 60 } },
    { id: 'fast', fromBar: 9, toBar: 16, tempo: { kind: 'pulse', unit: 'quarter', targetBpm: 120 } }
  ]
};

const touch = (date: string, tempoBpm: number, fromBar: number, toBar: number, attempts = 'ccc'): Touch => ({
  id: date + fromBar,
  itemId: 'a',
  date,
  fromBar,
  toBar,
  minutes: 10,
  tempoBpm,
  attempts
});

const request = (log: Touch[], date = '2027-01-23') =>
  seasonOf([ITEM], {
    rounds: [roundOn(date)],
    time: { ...freeTime(60), warmUpMin: 10, fundamentalsMin: 5 },
    log
  });

describe('the stairs of what held', () => {
  it('begin when every section has held once, and follow the slowest', () => {
    const log = [
      touch('2026-11-10', 40, 1, 8),
      touch('2026-11-12', 60, 9, 16),
      touch('2026-11-14', 50, 1, 8),
      touch('2026-11-16', 100, 9, 16)
    ];
    // 12 Nov: 40 of 60 is 0.667, 60 of 120 is 0.5: fast, 16 clicks below. 16 Nov: 50/60 = 0.833 = 100/120, the first of equals
    expect(heldStairs(ITEM, log, undefined).steps).toEqual([
      { date: '2026-11-12', sectionId: 'fast', bpm: 60, clicksBelow: 16 },
      { date: '2026-11-16', sectionId: 'slow', bpm: 50, clicksBelow: 5 }
    ]);
    // each section from its own first touch: 40 to 60 is ten clicks, 50 five; 60 to 120 sixteen, 100 five
    const of = (sectionId: string) =>
      heldStairs(ITEM, log, undefined)
        .sections.find((one) => one.sectionId === sectionId)!
        .steps.map(({ date, bpm, clicksBelow }) => [date.slice(-2), bpm, clicksBelow]);
    expect(of('slow')).toEqual([
      ['10', 40, 10],
      ['14', 50, 5]
    ]);
    expect(of('fast')).toEqual([
      ['12', 60, 16],
      ['16', 100, 5]
    ]);
  });

  it('stand at the end of the scale where something was played off every click', () => {
    const at = (bpm: number) =>
      heldStairs({ ...ITEM, sections: [ITEM.sections[0]!] }, [touch('2026-11-10', bpm, 1, 16)], undefined)
        .steps;
    expect(at(900)).toMatchObject([{ bpm: 900, clicksBelow: 0 }]);
    expect(at(2)[0]!.clicksBelow).toBeGreaterThan(20);
  });

  it('go down again when what held is lost at its own tempo', () => {
    const log = [touch('2026-11-10', 50, 1, 16), { ...touch('2026-11-12', 50, 1, 8), attempts: 'nn' }];
    const { steps } = heldStairs({ ...ITEM, sections: [ITEM.sections[0]!] }, log, undefined);
    expect(steps.map((s) => s.bpm)).toEqual([50, 48]);
  });
});

describe('the stairs of the plan', () => {
  it('start at today and rise to the target on the date of the last rung', () => {
    const [planned] = laySeason(request([])).items;
    const steps = plannedStairs(planned!, '2026-11-24');
    expect(steps[0]).toMatchObject({ date: '2026-11-24', clicksBelow: 16 });
    expect(steps.at(-1)).toMatchObject({ clicksBelow: 0, date: planned!.rungs.at(-1)!.date });
    steps.slice(1).forEach((s, i) => expect(s.clicksBelow).toBeLessThan(steps[i]!.clicksBelow));
    expect(deepest(steps, 0)).toBe(16);
  });

  it('are one level where everything holds, and none without a tempo', () => {
    const [planned] = laySeason(
      request([touch('2026-11-20', 60, 1, 8), touch('2026-11-20', 120, 9, 16)])
    ).items;
    expect(plannedStairs(planned!, '2026-11-24').map((s) => s.clicksBelow)).toEqual([0]);
    expect(plannedStairs({ ...planned!, sections: [] }, '2026-11-24')).toEqual([]);
  });
});

describe('the last days', () => {
  it.each(['2026-11-24', '2026-11-25', '2026-11-26'])(
    'still account for every minute: round on %s',
    (date) => {
      const plan = laySeason(request([touch('2026-11-20', 40, 1, 16)], date));
      const placed = plan.agreed.allotments.reduce((sum, a) => sum + a.minutes, 0);
      expect(plan.daysToGo).toBe(Number(date.slice(-2)) - 24);
      expect(placed + plan.short!.minutes).toBe(plan.items[0]!.askedMin);
      expect(plan.days.map((d) => d.date)).toEqual(['2026-11-24', '2026-11-25'].filter((d) => d < date));
    }
  );
});

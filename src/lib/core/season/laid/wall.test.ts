import { describe, expect, it } from 'vitest';
import { laySeason } from '../lay/lay';
import type { SeasonRequest } from '../facts/request';
import { readWall } from './wall';
import { freeTime, roundOn } from '../../../../../tests/fixtures/etude-season';

const request: SeasonRequest = {
  today: '2026-11-24',
  rounds: [roundOn('2027-01-09')],
  items: [
    {
      id: 'a',
      name: 'Two weathers',
      kind: 'etude',
      metre: '4/4',
      fromBar: 1,
      toBar: 16,
      sections: [
        { id: 's1', fromBar: 1, toBar: 8, tempo: { kind: 'pulse', unit: 'quarter', targetBpm: 60 } },
        { id: 's2', fromBar: 9, toBar: 16, tempo: { kind: 'pulse', unit: 'quarter', targetBpm: 120 } }
      ]
    },
    {
      id: 'b',
      name: 'Sight-reading',
      kind: 'sight-reading',
      metre: '4/4',
      fromBar: 1,
      toBar: 1,
      sections: [],
      minutesPerWeek: 20
    }
  ],
  time: freeTime(60, [1, 2, 3, 4, 5]),
  log: []
};
const plan = laySeason(request);
const wall = readWall(plan);

describe('the wall chart', () => {
  it('says by when an item is due that only a later round hears', () => {
    const later = laySeason({
      ...request,
      rounds: [
        { ...request.rounds[0]!, itemIds: ['b'] },
        { id: 'f', name: 'final', date: '2027-01-23', zone: 'Europe/Brussels', itemIds: ['a', 'b'] }
      ]
    });
    const due = readWall(later).rows.map((row) => [row.itemId, row.dueLater]);
    expect(due).toEqual([
      ['a', '2027-01-23'],
      ['a', '2027-01-23'],
      ['b', null]
    ]);
  });

  it('has the weeks down to the round, and a row a section, bars named where there are several', () => {
    expect(wall.weeks.map((w) => w.weeksToGo)).toEqual([7, 6, 5, 4, 3, 2, 1]);
    expect(wall.rows.map((r) => [r.name, r.bars])).toEqual([
      ['Two weathers', '1–8'],
      ['Two weathers', '9–16'],
      ['Sight-reading', '']
    ]);
  });

  it('names the last tempo of each week, as the plan dates it, and ends on the target', () => {
    for (const [i, row] of wall.rows.slice(0, 2).entries()) {
      const dated = plan.items[0]!.rungs.filter((r) => r.sectionId === `s${i + 1}`);
      const lastOf = (n: number) =>
        dated.filter((r) => r.date! >= wall.weeks[n]!.from && r.date! <= wall.weeks[n]!.to).at(-1)?.bpm;
      expect(row.cells).toEqual(wall.weeks.map((_, n) => lastOf(n)?.toString() ?? null));
      expect(row.cells.filter((c) => c !== null).at(-1)).toBe(String(row.target));
    }
    expect(wall.rows[2]!.cells.every((c) => c === null)).toBe(true);
  });
});

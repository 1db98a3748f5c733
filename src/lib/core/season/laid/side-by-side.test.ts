import { describe, expect, it } from 'vitest';
import { laySeason } from '../lay/lay';
import type { SeasonRequest } from '../facts/request';
import { setSideBySide } from './side-by-side';
import { etude, freeTime, request as seasonOf, roundOn } from '../../../../../tests/fixtures/etude-season';

const study = (id: string) => etude(id, 60);
const request = (more: Partial<SeasonRequest> = {}) =>
  seasonOf([study('a'), study('b')], {
    began: '2026-11-24',
    rounds: [roundOn('2027-01-09')],
    time: { ...freeTime(60, [1, 3, 5]), warmUpMin: 10 },
    ...more
  });

describe('two layings side by side', () => {
  const first = laySeason(request());

  it('are the same where nothing changed', () => {
    const { items, weeks } = setSideBySide(first, laySeason(request()));
    expect(items.every((item) => item.isSame)).toBe(true);
    expect(weeks.every((week) => week.a === week.b)).toBe(true);
  });

  it('name what holds by then, what moved and by how many days, and what only one of them has', () => {
    const touch = { id: 't', itemId: 'a', date: '2026-12-01', minutes: 20, tempoBpm: 44, attempts: 'ccc' };
    const later = laySeason(
      request({ today: '2026-12-02', items: [study('a'), study('c')], log: [touch], previous: first.agreed })
    );
    const { items } = setSideBySide(first, later);
    expect(items.map((item) => item.itemId)).toEqual(['a', 'c', 'b']);
    const [a, c, b] = items;
    expect(a!.rungs.filter((r) => r.bpm <= 44).every((r) => r.b === 'holds')).toBe(true);
    const still = a!.rungs.filter((r) => r.bpm > 44);
    expect(still.length).toBeGreaterThan(3);
    for (const rung of still)
      if (rung.a && rung.b && rung.a !== 'holds')
        expect(rung.laterBy).toBe((Date.parse(rung.b) - Date.parse(rung.a)) / 86_400_000);
    expect(c!.rungs.every((r) => r.a === undefined && typeof r.b === 'string')).toBe(true);
    expect(b!.rungs.every((r) => r.b === undefined)).toBe(true);
  });

  it('have each week of either, with nothing where one of them has none', () => {
    const later = laySeason(request({ today: '2026-12-10' }));
    const { weeks } = setSideBySide(first, later);
    expect(weeks[0]).toMatchObject({ from: '2026-11-21', b: null });
    expect(weeks.map((w) => w.from)).toEqual([...weeks.map((w) => w.from)].sort());
  });
});

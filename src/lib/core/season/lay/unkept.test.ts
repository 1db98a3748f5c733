/** What a plan says of the points it could not keep, and how near an item comes round where it matters. */
import { describe, expect, it } from 'vitest';
import { TODAY, clean, etude, freeTime, request, roundOn } from '../../../../../tests/fixtures/etude-season';
import type { SeasonRequest } from '../facts/request';
import type { SeasonPlan } from '../laid/plan';
import { laySeason } from './lay';

const studies = (count: number, bars: number) =>
  Array.from({ length: count }, (_, i) => etude(`s${i}`, 100 + i, bars));
/** Practice days on end without a block of an item, before its last one. */
function longestRest(plan: SeasonPlan, itemId: string, from: string, until: string): number {
  const days = plan.days.filter((d) => d.capacityMin > 0 && d.date >= from && d.date < until);
  let [rest, longest] = [0, 0];
  for (const { blocks } of days) {
    rest = blocks.some((b) => b.itemId === itemId) ? 0 : rest + 1;
    longest = Math.max(longest, rest);
  }
  return longest;
}

describe('what could not be kept', () => {
  it.each([
    ['full', 28, 8, 40, 'the days between are full.'],
    ['full of blocks', 30, 6, 200, 'the days between are full or have 12 blocks.']
  ])(
    'is said of an item that rests longer than it should, with its days and what stands in the way: %s',
    (_, count, bars, minutes, why) => {
      const plan = laySeason(request(studies(count, bars), {}, minutes));
      const contact = plan.unkept!.filter(({ point }) => point === 'contact');
      expect(contact.length).toBeGreaterThan(0);
      for (const { itemId, says } of contact) {
        const [, days, reason] = /^It rests on (\d+) practice days, .+: (.+)$/.exec(says)!;
        expect(reason).toBe(why);
        expect(Number(days)).toBeGreaterThan(1);
        expect(longestRest(plan, itemId!, plan.today, '9999')).toBeGreaterThanOrEqual(Number(days));
      }
    }
  );

  it('is nothing where there is room for all of it', () => {
    expect(laySeason(request(studies(5, 16), {}, 90)).unkept).toEqual([]);
  });

  it('is said of a day with more than two rungs of an item, asked by a date set by hand', () => {
    const pins = [{ itemId: 'a', sectionId: 'a-1', bpm: 66, date: '2026-11-24' }];
    const said = { sectionId: 'a-1', bpm: 50, unit: 'quarter', evidence: 'self', on: TODAY } as const;
    const plan = laySeason(request([etude('a', 100, 4, { holdsNow: [said] })], { pins }));
    expect(plan.unkept!.find(({ point }) => point === 'steps')?.says).toMatch(
      /^\d+ rungs on Tue 24 Nov: a date set by hand asks it\.$/
    );
  });
});

it('a day with more than twelve blocks says so, and no other', () => {
  const plan = laySeason(request(studies(30, 6), {}, 200));
  const many = plan.days.filter(({ blocks }) => blocks.length > 12).map(({ date }) => date);
  expect(many.length).toBeGreaterThan(0);
  expect(plan.unkept!.flatMap(({ point, date }) => (point === 'blocks' ? [date] : []))).toEqual(many);
});

describe('how near an item comes round', () => {
  const season = (more: Partial<SeasonRequest> = {}) => request(studies(5, 16), more, 90);

  it('is every second practice day in the week before a mock', () => {
    const mocks = [{ date: '2026-12-22', minutes: 30, name: 'mock' }];
    const time = { ...freeTime(90), mocks };
    const rests = season({ time }).items.map(({ id }) =>
      longestRest(laySeason(season({ time })), id, '2026-12-15', '2026-12-22')
    );
    expect(Math.max(...rests)).toBeLessThanOrEqual(1);
  });

  it('is every second practice day once its next rung is a week overdue', () => {
    const first = laySeason(season());
    const rung = first.items[0]!.rungs[0]!;
    const due = first.agreed.rungs.map((r) => (r.sectionId === 's0-1' ? { ...r, due: '2026-11-10' } : r));
    const again = laySeason({ ...season(), previous: { ...first.agreed, rungs: due } });
    expect(longestRest(again, 's0', again.today, '2026-12-20')).toBeLessThanOrEqual(1);
    // while it does not hold, the first day on which it was due is kept; once it holds, the next has its own
    expect(again.agreed.rungs[0]!.due).toBe('2026-11-10');
    const log = [clean('s0', TODAY, rung.bpm, 10)];
    const held = laySeason({ ...season(), log, previous: again.agreed });
    expect(held.agreed.rungs.some((r) => r.bpm === rung.bpm && r.sectionId === 's0-1')).toBe(false);
  });

  it('is so from the first day for what a later round hears alone', () => {
    const rounds = [
      { ...roundOn('2027-01-09'), itemIds: ['s0', 's1'] },
      { ...roundOn('2027-03-06'), id: 'later', itemIds: ['s2', 's3'] }
    ];
    const plan = laySeason(request(studies(4, 24), { rounds }, 90));
    // touches first: the days are as even as what is heard sooner lets them be, and the plan says so
    expect(plan.unkept).toMatchObject([
      { itemId: 's2', point: 'shape' },
      { itemId: 's3', point: 'shape' }
    ]);
    expect(plan.unkept![0]!.says).toContain('sooner would make the days before heavier than they need be');
    for (const id of ['s2', 's3'])
      expect(longestRest(plan, id, plan.today, '2027-02-07')).toBeLessThanOrEqual(2);
  });
});

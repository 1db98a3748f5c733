/**
 * The least extra minutes, against a general-purpose solver of integer programs (HiGHS) on over a hundred random studios
 * that do not fit. The programs are written day by day and share no code with what they check.
 */
import loadHighs from 'highs';
import { beforeAll, describe, expect, it } from 'vitest';
import { type RandomStudio, randomStudio } from '../../../../tests/fixtures/random-studio';
import { type DayNumber, weekdayOf } from '../units';
import { leastCover } from './cover';
import type { Demand } from './demand';
import { type ExtraDays, doesFit, leastEvenExtra, leastExtra } from './extra';

let highs: Awaited<ReturnType<typeof loadHighs>>;
beforeAll(async () => {
  highs = await loadHighs();
});

const MOST = 300;
const SHORT = Array.from({ length: 420 }, (_, i) => randomStudio(i + 1, 0.25)).filter(
  ({ demands, room }) => !doesFit(demands, room)
);

/** Practice days by weekday; for `together` all weekdays are one group. */
function groupsOf({ room }: RandomStudio, together: boolean): ExtraDays[] {
  const days = [...room.keys()].filter((day) => room.get(day)! > 0);
  const groups = together ? [days] : [1, 2, 3, 4, 5, 6, 7].map((w) => days.filter((d) => weekdayOf(d) === w));
  return groups.filter((group) => group.length > 0).map((group) => ({ days: group, most: MOST }));
}

/** The same as an integer program; null where it has no solution. */
function solve({ demands, room }: RandomStudio, groups: readonly ExtraDays[]): number | null {
  const byDay = new Map<DayNumber, string[]>();
  const byItem = new Map<string, string[]>();
  const put = <K>(map: Map<K, string[]>, key: K, name: string) =>
    map.set(key, [...(map.get(key) ?? []), name]);
  const rows: string[] = [];
  demands.forEach((demand, d) =>
    demand.windows.forEach((window, w) => {
      const cells = [...room.keys()]
        .filter((day) => room.get(day)! > 0 && day >= window.from && day <= window.to)
        .map((day) => {
          const name = `x${d}_${w}_${day}`;
          put(byDay, day, name);
          put(byItem, `${d} ${day}`, name);
          return name;
        });
      if (window.minutes > 0) rows.push(`${cells.join(' + ')} = ${window.minutes}`);
    })
  );
  for (const [key, names] of byItem)
    rows.push(`${names.join(' + ')} <= ${demands[Number(key.split(' ')[0])]!.mostPerDay}`);
  for (const [day, names] of byDay) {
    const group = groups.findIndex((g) => g.days.includes(day));
    rows.push(`${names.join(' + ')} - e${group} <= ${room.get(day)}`);
  }
  const extra = groups.map((_, g) => `e${g}`);
  const { Status, ObjectiveValue } = highs.solve(
    `Minimize\n obj: ${extra.join(' + ')}\nSubject To\n${rows.map((row, i) => ` r${i}: ${row}`).join('\n')}
Bounds\n${extra.map((name) => ` 0 <= ${name} <= ${MOST}`).join('\n')}\nGenerals\n ${extra.join(' ')}\nEnd`
  );
  if (Status === 'Infeasible') return null;
  expect(Status).toBe('Optimal');
  return Math.round(ObjectiveValue);
}

const sum = (values: readonly number[] | null) => values && values.reduce((total, value) => total + value, 0);

describe('against a general-purpose solver, on random studios that do not fit', () => {
  it('there are more than a hundred of them', () => {
    expect(SHORT.length).toBeGreaterThan(100);
  });

  it('the least extra minutes the same on every day are the solver’s, and one less does not fit', () => {
    let cured = 0;
    for (const studio of SHORT) {
      const [group] = groupsOf(studio, true);
      const least = sum(leastExtra(studio.demands, studio.room, [group!]));
      expect(least).toBe(solve(studio, [group!]));
      if (least === null) continue;
      cured += 1;
      const withEach = (more: number) =>
        new Map([...studio.room].map(([day, room]) => [day, room > 0 ? room + more : 0]));
      expect(doesFit(studio.demands, withEach(least))).toBe(true);
      expect(doesFit(studio.demands, withEach(least - 1))).toBe(false);
    }
    expect(cured).toBeGreaterThan(50);
    expect(cured).toBeLessThan(SHORT.length);
  });

  it('the least sum over the weekdays is the solver’s', () => {
    let isLess = 0;
    for (const studio of SHORT) {
      const groups = groupsOf(studio, false);
      const least = sum(leastExtra(studio.demands, studio.room, groups));
      expect(least).toBe(solve(studio, groups));
      const uniform = sum(leastExtra(studio.demands, studio.room, groupsOf(studio, true)));
      if (least !== null && uniform !== null && least < uniform * groups.length) isLess += 1;
    }
    expect(isLess).toBeGreaterThan(30);
  });
});

describe('of all least extra minutes', () => {
  it('those are taken whose highest is least: no lower highest has the same sum', () => {
    const some = SHORT.slice(0, 40);
    let isLower = 0;
    for (const { demands, room } of some) {
      const groups = groupsOf({ demands, room }, false);
      const [any, even] = [leastExtra(demands, room, groups), leastEvenExtra(demands, room, groups)];
      expect(sum(even)).toBe(sum(any));
      if (!any || !even) continue;
      const highest = Math.max(...even);
      if (highest < Math.max(...any)) isLower += 1;
      const lower = leastExtra(
        demands,
        room,
        groups.map((group) => ({ ...group, most: highest - 1 }))
      );
      expect(lower === null || sum(lower)! > sum(even)!).toBe(true);
    }
    expect(isLower).toBeGreaterThan(3);
  });
});

describe('the least extra minutes', () => {
  const monday = 20_000 - ((weekdayOf(20_000) + 6) % 7);
  const one = (minutes: number, most = 50): Demand[] => [
    { id: 'a', mostPerDay: most, windows: [{ from: monday, to: monday + 1, minutes }] }
  ];
  const room = new Map([
    [monday, 20],
    [monday + 1, 20]
  ]);
  const each: ExtraDays[] = [{ days: [monday, monday + 1], most: 100 }];

  it('of 55 asked on two days of 20 are 8 on each: 15 short, halved and whole', () => {
    expect(leastExtra(one(55), room, each)).toEqual([8]);
  });
  it('are none where all fits', () => {
    expect(leastExtra(one(40), room, each)).toEqual([0]);
  });
  it('are nothing that helps where most-per-day is the limit: 60 asked, 25 a day on two days', () => {
    expect(leastExtra(one(60, 25), room, each)).toBeNull();
  });
  it('are nothing that helps where the day has no more hours', () => {
    expect(leastExtra(one(55), room, [{ days: [monday, monday + 1], most: 7 }])).toBeNull();
  });
});

describe('a least cover', () => {
  it('by hand: 3a + b at least 7 and a + 3b at least 7 is 4, in whole numbers', () => {
    // in parts a = b = 1.75, 3.5 in all
    const found = leastCover(
      [
        { times: [3, 1], least: 7 },
        { times: [1, 3], least: 7 }
      ],
      [9, 9]
    )!;
    expect(found[0]! + found[1]!).toBe(4);
    expect(3 * found[0]! + found[1]!).toBeGreaterThanOrEqual(7);
  });
  it('is nothing where the highest numbers do not suffice', () => {
    expect(leastCover([{ times: [2, 0], least: 7 }], [3, 9])).toBeNull();
  });
});

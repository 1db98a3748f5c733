/** Remedies of whole seasons: each makes the plan fit, and one unit less of it does not. plan/extra.test.ts checks minutes with a solver. */
import { describe, expect, it } from 'vitest';
import { randomSeason } from '../../../../../tests/fixtures/random-season';
import { addMinutes, halfDays } from './change';
import { applyChanges } from './edits';
import { laySeason } from '../lay/lay';
import { findRemedies, findRemedy } from './remedy';
import type { SeasonItem, SeasonRequest } from '../facts/request';
import { type RemedyKind, fitsWith, laysWhole } from './trial';
import { tryAlone } from './tried';
import { etude, freeTime, request, roundOn } from '../../../../../tests/fixtures/etude-season';

const study = (id: string, bars: number, more: Partial<SeasonItem> = {}) => etude(id, 72, bars, more);

const season = (items: SeasonItem[], minutesADay: number, more: Partial<SeasonRequest> = {}) =>
  request(items, { rounds: [roundOn('2027-01-09')], time: freeTime(minutesADay), ...more });

const range = (stretchBpm: number) =>
  ({ kind: 'range', unit: 'quarter', lowBpm: 72, highBpm: 120, stretchBpm }) as const;
const stretched = (id: string, bars: number, stretchBpm: number) =>
  study(id, bars, { sections: [{ id: `${id}-1`, fromBar: 1, toBar: bars, tempo: range(stretchBpm) }] });

const find = (request: SeasonRequest, kind: RemedyKind) => findRemedy(tryAlone(request), kind);

describe('lighter days', () => {
  it('are the next practice days at half, past days off; of longer exceptions the rest stays', () => {
    const away = { date: '2026-11-27', until: '2026-11-29', minutes: 0, why: 'away' };
    const time = { ...freeTime(60), week: [1, 2, 3, 4, 5].map((weekday) => ({ weekday, minutes: 61 })) };
    const exceptions = [away, { date: '2026-11-25', minutes: 20 }];
    // Tuesday; Wednesday has 20; Friday to Sunday away
    expect(halfDays({ ...time, exceptions }, '2026-11-24', 4)).toEqual([
      away,
      ...(
        [
          ['2026-11-24', 31],
          ['2026-11-25', 10],
          ['2026-11-26', 31],
          ['2026-11-30', 31]
        ] as const
      ).map(([date, minutes]) => ({ date, minutes, why: 'a lighter day' }))
    ]);
    const trip = { date: '2026-11-23', until: '2026-11-26', minutes: 30 };
    expect(halfDays({ ...time, exceptions: [trip] }, '2026-11-25', 1)).toEqual([
      { ...trip, until: '2026-11-24' },
      { ...trip, date: '2026-11-26', until: undefined },
      { date: '2026-11-25', minutes: 15, why: 'a lighter day' }
    ]);
    expect(halfDays({ ...time, week: [] }, '2026-11-24', 3)).toEqual([]);
  });
});

describe('remedies', () => {
  it('are none where the plan fits', () => {
    expect([...findRemedies(tryAlone(season([study('A', 12)], 60)))]).toEqual([]);
  });

  it('come sorted by what they cost: tempo within the range, mock days, minutes, fundamentals, an item', () => {
    const kinds = [...findRemedies(tryAlone(season([study('A', 90), study('B', 90)], 20)))].map(
      (r) => r.kind
    );
    expect(kinds).toEqual([
      'stretch',
      'strategy',
      'mock-days',
      'minutes-by-weekday',
      'minutes-alike',
      'fundamentals',
      'leave-out'
    ]);
  });

  it('give back as few clicks as need be, and those first in the list the least', () => {
    const log = ['A', 'B'].map((itemId, i) => ({
      id: `t${i}`,
      itemId,
      date: '2026-11-23',
      minutes: 10,
      tempoBpm: 66,
      attempts: 'ccc'
    }));
    const request = season([stretched('A', 40, 120), stretched('B', 40, 120)], 14, { log });
    expect(laySeason(request).short).not.toBeNull();
    const { changes, says } = find(request, 'stretch');
    expect(laySeason(applyChanges(request, changes!)).short).toBeNull();
    // 120 116 112 are settings: two clicks of B and one of A; less of either does not fit
    const back = (a: number, b: number) => ({
      items: [
        { itemId: 'A', targets: [{ sectionId: 'A-1', bpm: a }] },
        { itemId: 'B', targets: [{ sectionId: 'B-1', bpm: b }] }
      ]
    });
    expect(changes).toEqual(back(116, 112));
    for (const less of [back(116, 116), back(120, 112)])
      expect(fitsWith(tryAlone(request), less) && laysWhole(tryAlone(request), less)).toBe(false);
    expect(says).toMatch(/^Aim lower, at most \d clicks? each: /);
  });

  it('have no tempo to give back where no item stretches', () => {
    expect(find(season([study('A', 120)], 10), 'stretch').changes).toBeNull();
  });

  it('say that minutes do not cure what most-per-day limits', () => {
    // 8 minutes a day on 28 practice days before the mock window hold no 120 bars
    const request = season([study('A', 120, { mostPerDayMin: 8 })], 60);
    expect(laySeason(request).short?.reasons[0]?.limit).toBe('most-per-day');
    expect(find(request, 'minutes-by-weekday').changes).toBeNull();
    expect(find(request, 'minutes-alike').says).toMatch(/Minutes alone do not cure it/);
  });

  it('work in chunks as few items as need be, those first for which chunks are advised', () => {
    // slow items are advised to; of two alike the one that frees more, and not both where one suffices
    const request = season([study('A', 40), study('B', 60)], 26);
    expect(laySeason(request).short).not.toBeNull();
    const { changes, says } = find(request, 'strategy');
    expect(changes!.items).toEqual([{ itemId: 'B', schools: { strategy: 'chunks' } }]);
    const frees = Number(/frees (\d+) min/.exec(says)![1]);
    const asked = (of: SeasonRequest) => laySeason(of).items.find((i) => i.id === 'B')!.askedMin;
    expect(frees).toBe(asked(request) - asked(applyChanges(request, changes!)));
    expect(laySeason(applyChanges(request, changes!)).short).toBeNull();
  });

  it('add minutes on practice days only, and never on a day of rest', () => {
    const request = season([study('A', 60), study('B', 60)], 24);
    const { changes } = find(request, 'minutes-alike');
    expect(changes!.week!.map((w) => w.weekday)).toEqual([1, 2, 3, 4, 5, 6]);
    const by = find(request, 'minutes-by-weekday');
    expect(by.changes!.week!.every((w) => w.weekday !== 7)).toBe(true);
  });

  it('say so where another share of the weekdays needs no fewer minutes than the same on each', () => {
    const all = [...findRemedies(tryAlone(season([study('A', 60), study('B', 60)], 24)))];
    const by = all.find((r) => r.kind === 'minutes-by-weekday')!;
    const alike = all.find((r) => r.kind === 'minutes-alike')!;
    const sum = (of: typeof by) => of.changes?.week?.reduce((total, w) => total + w.addMin, 0) ?? null;
    expect(sum(alike)).toBeGreaterThan(0);
    if (by.changes) expect(sum(by)).toBeLessThan(sum(alike)!);
    else expect(by.says).toMatch(/^No other share of the weekdays/);
  });

  it('count the break that a full hour brings: 55 minutes and 10 more to play are 70 on the clock', () => {
    // one item of 60 bars for three weeks of one day: what it lacks is more than the minutes to the full hour
    const request = season([study('A', 30)], 50, {
      time: {
        week: [{ weekday: 6, minutes: 55 }],
        exceptions: [],
        lessons: [],
        mocks: [],
        warmUpMin: 0,
        fundamentalsMin: 0
      },
      items: [study('A', 30, { mostPerDayMin: 200 })]
    });
    const { changes } = find(request, 'minutes-alike');
    const addMin = changes!.week![0]!.addMin;
    const play = (minutes: number) => minutes - 5 * Math.floor(minutes / 60);
    expect(fitsWith(tryAlone(request), { week: [{ weekday: 6, addMin }] })).toBe(true);
    const less = play(55 + addMin) - 1;
    const clock = Array.from({ length: addMin }, (_, n) => n).filter((n) => play(55 + n) <= less);
    for (const n of clock.slice(-3))
      expect(fitsWith(tryAlone(request), { week: [{ weekday: 6, addMin: n }] })).toBe(false);
  });

  it('say what is missing where nobody has entered a week yet', () => {
    const request = season([study('A', 30)], 60);
    const all = [...findRemedies(tryAlone({ ...request, time: { ...request.time, week: [] } }))];
    expect(all.find((r) => r.kind === 'minutes-alike')!.says).toMatch(
      /^There are no practice days in the week/
    );
  });

  it('leave out the lowest of the order that suffices by itself', () => {
    const request = season([study('A', 30), study('B', 60), study('C', 8)], 20);
    const { changes } = find(request, 'leave-out');
    expect(changes!.items!.map((i) => i.itemId)).toEqual(['B']);
    const plan = laySeason(applyChanges(request, changes!));
    expect(plan.short).toBeNull();
    expect(plan.items.find((i) => i.id === 'B')).toMatchObject({ state: 'left-out', rungs: [], askedMin: 0 });
  });
});

describe('on random seasons that do not fit', () => {
  const short = Array.from({ length: 120 }, (_, i) => randomSeason(i + 1))
    .filter((request) => request.items.length <= 12)
    .filter((request) => laySeason(request).short?.reasons.some((r) => r.limit !== 'pieces'));

  it('every remedy makes it fit, and one unit less does not', () => {
    const cured = new Set<RemedyKind>();
    for (const request of short)
      for (const { kind, changes } of findRemedies(tryAlone(request))) {
        if (!changes) continue;
        cured.add(kind);
        expect(fitsWith(tryAlone(request), changes), kind).toBe(true);
        const { fundamentalsMin, daysIntoMock } = changes;
        const less = (more: object) =>
          fitsWith(tryAlone(request), more) && laysWhole(tryAlone(request), more);
        if (fundamentalsMin !== undefined) expect(less({ fundamentalsMin: fundamentalsMin + 1 })).toBe(false);
        if (daysIntoMock !== undefined && daysIntoMock > 1)
          expect(less({ daysIntoMock: daysIntoMock - 1 })).toBe(false);
      }
    expect([...cured].sort()).toEqual(
      expect.arrayContaining(['fundamentals', 'leave-out', 'minutes-alike', 'minutes-by-weekday'])
    );
  });
});

describe('changes', () => {
  it('leave the request they start from as it was', () => {
    const request = season([study('A', 12)], 60);
    const before = JSON.stringify(request);
    const after = applyChanges(request, {
      week: [{ weekday: 1, addMin: 15 }],
      rounds: [{ roundId: 'r', date: '2027-01-16' }],
      items: [{ itemId: 'A', isLeftOut: true, targets: [{ sectionId: 'A-1', bpm: 60 }] }]
    });
    expect(JSON.stringify(request)).toBe(before);
    expect(after.time.week[0]).toEqual({ weekday: 1, minutes: 75 });
    expect(after.rounds[0]!.date).toBe('2027-01-16');
    expect(after.items[0]).toMatchObject({ isLeftOut: true, sections: [{ tempo: { targetBpm: 60 } }] });
  });

  it('add to a weekday’s longest span and take off from its last', () => {
    const week = [
      { weekday: 1, start: '08:00', minutes: 20 },
      { weekday: 1, start: '17:00', minutes: 60 }
    ];
    expect(addMinutes(week, [{ weekday: 1, addMin: 10 }]).map((s) => s.minutes)).toEqual([20, 70]);
    expect(addMinutes(week, [{ weekday: 1, addMin: -70 }]).map((s) => s.minutes)).toEqual([10]);
  });
});

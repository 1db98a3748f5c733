import { describe, expect, it } from 'vitest';
import { laySeason } from './lay';
import type { SeasonItem, SeasonRequest } from '../facts/request';
import { etude, freeTime, request as seasonOf, roundOn } from '../../../../../tests/fixtures/etude-season';

const TODAY = '2026-11-24'; // a Tuesday

/** A study whose whole ladder asks some hundred minutes. */
const study = (name: string, bars: number, more: Partial<SeasonItem> = {}) =>
  etude(name, 72, bars, { name, ...more });

const request = (items: SeasonItem[], minutesADay: number, more: Partial<SeasonRequest> = {}) =>
  seasonOf(items, {
    rounds: [roundOn('2027-01-09')],
    time: freeTime(minutesADay, [1, 2, 3, 4, 5, 6, 7]),
    ...more
  });

const says = (asked: SeasonRequest) => laySeason(asked).short?.reasons.map((reason) => reason.says) ?? [];

describe('what is said of minutes short', () => {
  it('is nothing where all fits', () => {
    expect(says(request([study('Gate song', 12)], 60))).toEqual([]);
  });

  it('names two items, and counts more', () => {
    const [two] = says(request([study('Gate song', 120), study('Millrace', 120)], 20));
    expect(two).toMatch(
      /^From 24 November to 25 December Gate song and Millrace need \d+ minutes; there are \d+: \d+ short\.$/
    );
    const three = request([study('A', 90), study('B', 90), study('C', 90)], 20);
    expect(says(three)[0]).toMatch(/^From 24 November to 25 December these three need /);
  });

  it('takes off what could go to other days', () => {
    // the second round hears B two weeks later: what the most per day still lets it have there is no shortage
    const rounds = [
      { id: 'r1', name: 'first', date: '2026-12-20', zone: 'Europe/Brussels', itemIds: ['A'] },
      { id: 'r2', name: 'final', date: '2027-01-30', zone: 'Europe/Brussels', itemIds: ['B'] }
    ];
    const plan = laySeason(
      request([study('A', 120), study('B', 200, { mostPerDayMin: 10 })], 20, { rounds })
    );
    for (const reason of plan.short!.reasons)
      expect(reason.neededMin - reason.thereMin - reason.elsewhereMin).toBe(reason.shortMin);
    const days = plan.short!.reasons.find((reason) => reason.limit === 'days')!;
    expect(days.elsewhereMin).toBeGreaterThan(0);
    expect(days.elsewhereMin % 10).toBe(0); // ten on each of the days that only B has
    expect(days.says).toContain(
      `, and ${days.elsewhereMin} more could go to other days: ${days.shortMin} short.`
    );
  });

  it('says where an item’s own most per day is the limit, and how many days more it needs', () => {
    const plan = laySeason(request([study('Gate song', 150, { mostPerDayMin: 8 })], 60));
    const [reason] = plan.short!.reasons;
    expect(reason!.limit).toBe('most-per-day');
    expect(reason!.spans).toEqual([]);
    // 8 minutes on each of the 32 days up to the mock window
    expect(reason!.elsewhereMin).toBe(32 * 8);
    expect(reason!.says).toContain(
      `At most 8 minutes a day for Gate song: its 32 days allow 256 of the ${reason!.neededMin}`
    );
    expect(reason!.says).toContain(`it needs ${Math.ceil(reason!.shortMin / 8)} more days`);
  });

  it('speaks of one day as one', () => {
    const item = study('Gate song', 150, { mostPerDayMin: 8 });
    const [rung] = laySeason(request([item], 60)).items[0]!.rungs;
    const pins = [{ itemId: item.id, sectionId: rung!.sectionId, bpm: rung!.bpm, date: TODAY }];
    const [reason] = laySeason({ ...request([item], 60), pins }).short!.reasons;
    expect(reason!.says).toMatch(/: its day allows \d/);
  });

  it('says once where there are no minutes at all, no room for a block, or no day left', () => {
    const two = [study('Gate song', 12), study('Millrace', 12)];
    expect(says(request(two, 0))).toEqual([
      expect.stringMatching(
        /^There are no minutes for Gate song and Millrace up to 25 December: \d+ min short\.$/
      )
    ]);
    expect(says(request(two, 2))).toEqual([
      expect.stringMatching(
        /^No day up to 25 December has room for a block of 3 minutes for Gate song and Millrace/
      )
    ]);
    const rounds = [roundOn(TODAY)];
    expect(says(request(two, 60, { rounds }))).toEqual([
      expect.stringMatching(/^No practice day is left for Gate song and Millrace: \d+ min short\.$/)
    ]);
  });

  it('puts what is missing onto the weeks that have too little', () => {
    const plan = laySeason(request([study('Gate song', 150), study('Millrace', 150)], 20));
    const missing = plan.weeks.reduce((sum, w) => sum + w.askedMin - w.plannedMin, 0);
    expect(missing).toBe(plan.short!.minutes);
    for (const week of plan.weeks.filter((w) => w.askedMin > w.plannedMin))
      expect(week.from <= '2026-12-25').toBe(true);
  });
});

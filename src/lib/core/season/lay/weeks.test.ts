import { describe, expect, it } from 'vitest';
import { laySeason } from './lay';
import type { SeasonRequest } from '../facts/request';
import { etude, freeTime, request, roundOn } from '../../../../../tests/fixtures/etude-season';

// the round is a Saturday, so weeks begin on Saturdays: 14 and 21 November before today
const touch = (date: string, minutes: number) => ({ id: date, itemId: 'a', date, minutes });

function season(bars: number, log: SeasonRequest['log'], minutesADay = 90): SeasonRequest {
  const items = ['a', 'b', 'c'].map((id) => etude(id, 80, bars));
  return request(items, {
    began: '2026-11-01',
    rounds: [roundOn('2027-02-06')],
    time: freeTime(minutesADay),
    log
  });
}

describe('weeks', () => {
  it('grow by no more than a fifth above the two practised before, where everything fits so', () => {
    const log = [touch('2026-11-10', 60), touch('2026-11-17', 60)];
    const { weeks, short } = laySeason(season(24, log));
    expect(short).toBeNull();
    // 60 and 60: the first may have 72, the second 1.2 x (60 + 72) / 2 = 79.2, the third 90.7, and so on
    const most = [60, 60];
    for (const week of weeks.slice(0, 6)) {
      const [a, b] = most.slice(-2);
      most.push((1.2 * (a! + b!)) / 2);
      expect(week.plannedMin).toBeLessThanOrEqual(most.at(-1)!);
    }
    expect(weeks[0]!.isJump).toBe(false);
    const free = laySeason(season(24, [])).weeks;
    expect(free[1]!.plannedMin).toBeGreaterThan(79); // without the two weeks before, it would have more
  });

  it('go beyond it where otherwise something would not fit, and say so', () => {
    const log = [touch('2026-11-10', 10), touch('2026-11-17', 10)];
    const { weeks, short } = laySeason(season(60, log));
    expect(short).toBeNull();
    expect(weeks.some((w) => w.isJump)).toBe(true);
  });

  it('are compared with the last two that were practised, however long ago', () => {
    const away = [touch('2026-10-20', 300), touch('2026-10-27', 300)];
    const { weeks } = laySeason(season(24, away));
    expect(weeks[0]!.isJump).toBe(false); // far below 300
    const light = [touch('2026-10-20', 30), touch('2026-10-27', 30)];
    expect(laySeason(season(60, light)).weeks[0]!.isJump).toBe(true);
  });

  it('are not compared with the weeks of a holiday', () => {
    const exceptions = [{ date: '2026-11-09', until: '2026-11-20', minutes: 0 }];
    const log = [
      touch('2026-10-27', 400),
      touch('2026-11-03', 400),
      touch('2026-11-07', 10),
      touch('2026-11-14', 10)
    ];
    const at = (off: typeof exceptions) => {
      const asked = season(60, log);
      return laySeason({ ...asked, time: { ...asked.time, exceptions: off } }).weeks[0]!.isJump;
    };
    expect(at([])).toBe(true);
    expect(at(exceptions)).toBe(false);
  });

  it('of a plan that nobody has practised yet are compared with nothing', () => {
    const { weeks } = laySeason(season(24, []));
    expect(weeks[0]!.isJump).toBe(false);
    expect(weeks[1]!.isJump).toBe(false);
  });
});

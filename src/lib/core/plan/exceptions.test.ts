import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { dayOf, formatDate } from '../units';
import { readAways } from './away';
import { type DayException, clearDays, exceptionsOn, joinDays } from './exceptions';

const START = dayOf('2026-11-24');
const DAYS = 60;
const exception = fc
  .record({
    from: fc.nat(DAYS),
    length: fc.nat(14),
    minutes: fc.constantFrom(0, 0, 30),
    why: fc.constantFrom('away', 'exams')
  })
  .map(({ from, length, minutes, why }): DayException => ({
    date: formatDate(START + from),
    until: length === 0 ? undefined : formatDate(START + from + length),
    minutes,
    why
  }));
const some = fc.array(exception, { maxLength: 8 });
const days = Array.from({ length: DAYS + 20 }, (_, i) => START - 2 + i);
/** What each day has, whatever entries it stands in. */
const byDay = (all: readonly DayException[]) =>
  days.map((day) =>
    exceptionsOn(all, day)
      .map((e) => `${e.minutes} ${e.why}`)
      .sort()
      .join()
  );

describe('dated exceptions as spans', () => {
  it('mean the same days when what is alike is joined', () => {
    fc.assert(
      fc.property(some, (all) => {
        expect(byDay(joinDays(all))).toEqual(byDay(all));
      }),
      { seed: 3, numRuns: 300 }
    );
    const daily = Array.from({ length: 365 }, (_, i) => ({
      date: formatDate(START + i),
      minutes: 0,
      why: 'away'
    }));
    expect(joinDays(daily)).toEqual([
      { date: '2026-11-24', until: formatDate(START + 364), minutes: 0, why: 'away' }
    ]);
  });

  it('lose the days that are cleared, and no other', () => {
    fc.assert(
      fc.property(some, fc.nat(DAYS), fc.nat(10), (all, from, length) => {
        const span = { from: START + from, to: START + from + length };
        const expected = byDay(all).map((text, i) =>
          days[i]! >= span.from && days[i]! <= span.to ? '' : text
        );
        expect(byDay(clearDays(all, span))).toEqual(expected);
      }),
      { seed: 5, numRuns: 300 }
    );
  });

  it('are the same long times away as their days one by one', () => {
    fc.assert(
      fc.property(some, (all) => {
        const has = (day: number, isOff: boolean) =>
          exceptionsOn(all, day).some((e) => (e.minutes === 0) === isOff);
        const off = days.filter((day) => has(day, true) && !has(day, false));
        const runs = off
          .filter((day) => !off.includes(day - 1))
          .map((from) => ({ from, to: days.find((day) => day >= from && !off.includes(day + 1))! }));
        expect(readAways(all)).toEqual(runs.filter(({ from, to }) => to - from >= 9));
      }),
      { seed: 7, numRuns: 300 }
    );
  });
});

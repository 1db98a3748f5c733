import { describe, expect, it } from 'vitest';
import { dayOf, formatDate } from '../units';
import { isBeforeAway, lightAfter, readAways } from './away';
import { dayCapacity } from './capacity';
import { freeTime } from '../../../../tests/fixtures/etude-season';

const stretch = (from: string, days: number) =>
  Array.from({ length: days }, (_, i) => ({ date: formatDate(dayOf(from) + i), minutes: 0 }));

describe('a long time away', () => {
  it('is ten days or more without minutes on end; shorter ones are days off', () => {
    expect(readAways(stretch('2026-12-01', 9))).toEqual([]);
    expect(readAways([...stretch('2026-12-06', 5), ...stretch('2026-12-01', 5)])).toEqual([
      { from: dayOf('2026-12-01'), to: dayOf('2026-12-10') }
    ]);
    const practised = stretch('2026-12-01', 14).map((e) =>
      e.date === '2026-12-07' ? { ...e, minutes: 30 } : e
    );
    expect(readAways(practised)).toEqual([]);
  });

  it('makes the seven days after it light: three fifths, and says so in the day’s arithmetic', () => {
    const aways = readAways(stretch('2026-12-01', 14)); // to the 14th
    const time = freeTime(50, [1, 2, 3, 4, 5, 6, 7]);
    const on = (date: string) => lightAfter(dayOf(date), dayCapacity(dayOf(date), time), aways);
    expect(['2026-12-14', '2026-12-15', '2026-12-21', '2026-12-22'].map((d) => on(d).minutes)).toEqual([
      50, 30, 30, 50
    ]);
    expect(on('2026-12-15').parts.at(-1)).toEqual({
      what: 'light week after the time away',
      minutes: -20
    });
  });

  it('lies after what held before it, once it is over', () => {
    const aways = readAways(stretch('2026-12-01', 14));
    const [held, during, back] = ['2026-11-30', '2026-12-10', '2026-12-15'].map(dayOf);
    expect(isBeforeAway(held!, during!, aways)).toBe(false);
    expect(isBeforeAway(held!, back!, aways)).toBe(true);
    expect(isBeforeAway(back!, back! + 1, aways)).toBe(false);
  });
});

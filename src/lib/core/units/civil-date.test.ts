import { TZDate } from '@date-fns/tz';
import { addDays, format, getISODay } from 'date-fns';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { dayOf, formatDate, parseDate, sayDate, saySpan, weekdayOf } from './civil-date';
import { dayInZone, instantOf, isZone } from './zone';

const ZONES = [
  'Europe/Brussels',
  'America/New_York',
  'Asia/Kolkata',
  'Australia/Lord_Howe',
  'Pacific/Apia',
  'America/St_Johns'
];

describe('civil dates', () => {
  it('know which days exist', () => {
    expect(parseDate('2028-02-29')).not.toBeNull();
    expect(parseDate('2027-02-29')).toBeNull();
    expect(parseDate('2027-04-31')).toBeNull();
    expect(parseDate('2027-13-01')).toBeNull();
    expect(parseDate('27-01-09')).toBeNull();
    expect(parseDate('2100-02-29')).toBeNull(); // a century not divisible by 400
  });

  it('agree with a general-purpose date library over random days (date-fns)', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: -20_000, max: 80_000 }),
        fc.integer({ min: -900, max: 900 }),
        (day, by) => {
          const reference = addDays(new Date(2000, 0, 1, 12), day);
          const ours = dayOf('2000-01-01') + day;
          expect(formatDate(ours)).toBe(format(reference, 'yyyy-MM-dd'));
          expect(weekdayOf(ours)).toBe(getISODay(reference));
          expect(formatDate(ours + by)).toBe(format(addDays(reference, by), 'yyyy-MM-dd'));
        }
      ),
      { seed: 7, numRuns: 400 }
    );
  });

  it('are said as a player says them', () => {
    expect(sayDate(dayOf('2026-11-24'))).toBe('Tue 24 Nov');
    expect(saySpan(dayOf('2026-12-07'), dayOf('2026-12-20'))).toBe('7 to 20 December');
    expect(saySpan(dayOf('2026-11-28'), dayOf('2026-12-03'))).toBe('28 November to 3 December');
    expect(saySpan(dayOf('2026-12-03'), dayOf('2026-12-03'))).toBe('3 December');
  });
});

describe('zones', () => {
  it('turn the day at their own midnight, to the millisecond', () => {
    const midnight = instantOf('2026-11-24', '00:00', 'Europe/Brussels')!;
    const days = [midnight - 1, midnight, midnight - 1].map((ms) =>
      formatDate(dayInZone(ms, 'Europe/Brussels'))
    );
    expect(days).toEqual(['2026-11-23', '2026-11-24', '2026-11-23']);
    expect(formatDate(dayInZone(midnight - 1, 'Asia/Tokyo'))).toBe('2026-11-24');
  });

  it('agree with a general-purpose zone library over random instants (@date-fns/tz)', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 4_000_000_000 }), fc.constantFrom(...ZONES), (seconds, zone) => {
        const reference = new TZDate(seconds * 1000, zone);
        expect(formatDate(dayInZone(seconds * 1000, zone))).toBe(format(reference, 'yyyy-MM-dd'));
        const [date, time] = [format(reference, 'yyyy-MM-dd'), format(reference, 'HH:mm')];
        const instant = instantOf(date, time, zone)!;
        const again = new TZDate(instant, zone);
        expect(format(again, 'yyyy-MM-dd HH:mm')).toBe(`${date} ${time}`);
      }),
      { seed: 11, numRuns: 400 }
    );
  });

  it('have no local time that daylight saving skips', () => {
    expect(instantOf('2027-03-28', '02:30', 'Europe/Brussels')).toBeNull();
    expect(instantOf('2027-03-28', '03:30', 'Europe/Brussels')).toBe(Date.UTC(2027, 2, 28, 1, 30));
    expect(instantOf('2027-03-28', '02:30', 'Asia/Kolkata')).not.toBeNull();
  });

  it('mean the first of two equal local times when the clock goes back', () => {
    expect(instantOf('2026-10-25', '02:30', 'Europe/Brussels')).toBe(Date.UTC(2026, 9, 25, 0, 30));
  });

  it('are known by name only', () => {
    expect(isZone('Europe/Brussels')).toBe(true);
    expect(isZone('Europe/Nowhere')).toBe(false);
    expect(isZone('+01:00')).toBe(false);
  });
});

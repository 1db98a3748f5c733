import { TZDate } from '@date-fns/tz';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { clockIn, instantOf } from '../units/zone';
import { planDay, stepAt } from './day-plan';

const AS_USUAL = { travelMin: null, minutes: {}, notes: {} };
const slot = (date: string, time: string, zone: string) => instantOf(date, time, zone)!;
const clocks = (slotMs: number, zone: string, more: Partial<Parameters<typeof planDay>[1]> = {}) =>
  planDay(slotMs, { ...AS_USUAL, ...more }).map(({ step, atMs }) => [step, clockIn(atMs, zone).time]);

describe('the day of a round', () => {
  it('is counted back from the slot, with a quarter of the way besides', () => {
    // by hand: silent 20 min, warm-up 40, register 20, arrive 15; the way 48 and 12 spare; eat 55, rise 20
    const brussels = slot('2027-01-09', '10:40', 'Europe/Brussels');
    expect(clocks(brussels, 'Europe/Brussels', { travelMin: 48 })).toEqual([
      ['rise', '06:50'],
      ['eat', '07:10'],
      ['leave', '08:05'],
      ['arrive', '09:05'],
      ['register', '09:20'],
      ['warm-up', '09:40'],
      ['silent', '10:20']
    ]);
  });

  it('presumes half an hour and its quarter where nobody has said how long the way is', () => {
    // by hand: 30 min and 7.5, as whole minutes 8
    const [, , leave] = planDay(0, AS_USUAL);
    expect(leave).toMatchObject({ step: 'leave', minutes: 38, spareMin: 8 });
  });

  it('has the lengths and notes that are set, and a length of nothing', () => {
    const steps = planDay(0, { travelMin: 0, minutes: { register: 0, silent: 10 }, notes: { eat: 'bread' } });
    expect(steps.map(({ beforeMin }) => beforeMin)).toEqual([140, 120, 65, 65, 50, 50, 10]);
    expect(steps[1]!.note).toBe('bread');
  });

  it('begins the evening before where the slot is early and the way long', () => {
    const early = slot('2027-01-09', '08:00', 'Europe/Brussels');
    const [rise] = planDay(early, { ...AS_USUAL, travelMin: 600 });
    expect(clockIn(rise!.atMs, 'Europe/Brussels').date).toBe('2027-01-08');
  });

  it('says which step goes on; before the first and from the slot on none does', () => {
    const at = slot('2027-01-09', '10:40', 'Europe/Brussels');
    const steps = planDay(at, { ...AS_USUAL, travelMin: 48 });
    const now = (time: string) => stepAt(steps, at, slot('2027-01-09', time, 'Europe/Brussels'));
    expect(['06:49', '06:50', '08:20', '10:39', '10:40'].map(now)).toEqual([
      null,
      'rise',
      'leave',
      'silent',
      null
    ]);
  });

  it('keeps its lengths through a change of the clock, and in every zone reads as a general-purpose library does (@date-fns/tz)', () => {
    // in the night to 28 March 2027 the clock in Brussels goes from 2 to 3: 8:00 is 6:00 UTC, and one leaves 95 min and 3 h 45 before it, at 0:40 UTC
    const spring = slot('2027-03-28', '08:00', 'Europe/Brussels');
    expect(clocks(spring, 'Europe/Brussels', { travelMin: 180 })[2]).toEqual(['leave', '01:40']);
    const zones = [
      'Europe/Brussels',
      'America/New_York',
      'Australia/Lord_Howe',
      'Asia/Kathmandu',
      'America/St_Johns'
    ];
    fc.assert(
      fc.property(
        fc.integer({ min: Date.UTC(2026, 0, 1) / 60_000, max: Date.UTC(2028, 0, 1) / 60_000 }),
        fc.constantFrom(...zones),
        fc.integer({ min: 0, max: 600 }),
        (minute, zone, travelMin) => {
          for (const { atMs } of planDay(minute * 60_000, { ...AS_USUAL, travelMin })) {
            const theirs = new TZDate(atMs, zone);
            const two = (n: number) => String(n).padStart(2, '0');
            expect(clockIn(atMs, zone)).toEqual({
              date: `${theirs.getFullYear()}-${two(theirs.getMonth() + 1)}-${two(theirs.getDate())}`,
              time: `${two(theirs.getHours())}:${two(theirs.getMinutes())}`
            });
          }
        }
      ),
      { seed: 7, numRuns: 200 }
    );
  });
});

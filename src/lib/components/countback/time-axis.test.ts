import { describe, expect, it } from 'vitest';
import { dayOf } from '$lib/core/units';
import { countMarks, timeAxis, weekMarks } from './time-axis';

describe('the time axis', () => {
  it('ends at the round and never gives the past more than two fifths', () => {
    const axis = timeAxis('2026-01-01', '2026-11-24', '2027-01-09');
    expect(axis.at(axis.dayZero)).toBe(100);
    expect(axis.at(axis.today)).toBeLessThan(43);
    expect(axis.at(axis.from - 50)).toBe(0);
  });

  it('of a new plan begins today', () => {
    const axis = timeAxis('2026-11-24', '2026-11-24', '2027-04-23');
    expect(axis.at(axis.today)).toBe(0);
  });

  it('stands even on the day itself', () => {
    const axis = timeAxis('2026-11-24', '2026-11-24', '2026-11-24');
    expect(Number.isFinite(axis.at(axis.today))).toBe(true);
    expect(weekMarks(axis)).toEqual([]);
  });

  it('counts single days to go once the round is near, from today on, and weeks before', () => {
    const near = countMarks(timeAxis('2026-09-11', '2026-11-24', '2026-12-06'));
    expect([near.unit, near.marks[0], near.marks.at(-1)?.count]).toEqual([
      'days',
      { count: 12, day: dayOf('2026-11-24') },
      1
    ]);
    expect(countMarks(timeAxis('2026-09-11', '2026-11-24', '2027-01-09')).unit).toBe('weeks');
  });

  it('counts weeks down to the round, with a coarser grain for a long plan', () => {
    const near = timeAxis('2026-11-24', '2026-11-24', '2027-01-09');
    expect(weekMarks(near).map((m) => m.weeks)).toEqual([6, 5, 4, 3, 2, 1]);
    expect(weekMarks(near).at(-1)!.day).toBe(dayOf('2027-01-02'));
    const far = timeAxis('2026-11-24', '2026-11-24', '2027-10-30');
    expect(weekMarks(far).every((m) => m.weeks % 4 === 0)).toBe(true);
  });
});

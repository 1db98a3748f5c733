import { describe, expect, it } from 'vitest';
import { dueSoon, lightDay, usualTasks } from './tasks';

const usual = (more: Partial<Parameters<typeof usualTasks>[0]> = {}) =>
  usualTasks({
    deadline: '2026-12-31',
    round: '2027-02-10',
    family: 'winds',
    today: '2026-11-24',
    ...more
  }).map(({ name, dueOn }) => `${dueOn} ${name.split(/[ ,]/)[0]}`);

describe('the tasks around an audition', () => {
  it('are counted back from the deadline and from the round', () => {
    // 28, 14 and 5 days before 31 December; 21, 10 and 3 before 10 February
    expect(usual()).toEqual([
      '2026-12-03 decide',
      '2026-12-17 résumé',
      '2026-12-26 application',
      '2026-12-26 fee',
      '2027-01-20 travel',
      '2027-01-31 slot',
      '2027-02-07 two'
    ]);
  });

  it('are due today where their day is over, before the round where no deadline is known, and any day without both', () => {
    expect(usual({ today: '2026-12-28' }).slice(0, 4)).toEqual([
      '2026-12-28 decide',
      '2026-12-28 résumé',
      '2026-12-28 application',
      '2026-12-28 fee'
    ]);
    expect(usual({ deadline: null })[0]).toBe('2027-01-13 decide');
    expect(usual({ deadline: null, round: null, family: null })).toHaveLength(6);
    expect(usual({ deadline: null, round: null }).every((one) => one.startsWith('null'))).toBe(true);
  });

  it('are reminded of a week before, and until they are done or the last round has taken place', () => {
    const task = (id: string, dueOn: string | null, doneOn: string | null = null) => ({
      id,
      name: id,
      dueOn,
      who: '',
      doneOn
    });
    const tasks = [
      task('late', '2026-12-20'),
      task('paid', '2026-12-01', '2026-11-30'),
      task('fee', '2026-12-02')
    ];
    const on = (today: string) =>
      dueSoon(
        [...tasks, task('thanks', '2026-12-09'), task('some day', null)],
        ['2026-12-04', '2026-12-06'],
        today
      ).map(({ id }) => id);
    expect([
      on('2026-11-24'),
      on('2026-11-25'),
      on('2026-12-06'),
      on('2026-12-07'),
      on('2026-12-13')
    ]).toEqual([[], ['fee'], ['fee', 'thanks'], ['thanks'], ['thanks', 'late']]);
  });

  it('end with two days that are light, and say what for', () => {
    expect([3, 2, 1, 0].map((days) => lightDay(days)?.startsWith('A light day'))).toEqual([
      undefined,
      true,
      true,
      undefined
    ]);
  });
});

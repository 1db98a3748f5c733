import { describe, expect, it } from 'vitest';
import { headOnDay, planAtHead } from './head';

const rounds = ['2026-12-04', '2026-12-06'].map((date) => ({ name: date, date, isWeek: false }));
const on = (today: string, some = rounds) => headOnDay(some, planAtHead(null), today);

describe('the head of an audition on a day', () => {
  it('counts to the round that is next, which may be that day’s', () => {
    expect(['2026-11-24', '2026-12-04', '2026-12-05'].map((today) => on(today).next?.date)).toEqual([
      '2026-12-04',
      '2026-12-04',
      '2026-12-06'
    ]);
  });

  it('is over when the last round has taken place, and not where there is none yet', () => {
    expect(['2026-12-06', '2026-12-07'].map((today) => on(today).isOver)).toEqual([false, true]);
    expect(on('2026-12-07', []).isOver).toBe(false);
  });
});

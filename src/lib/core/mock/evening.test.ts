import { describe, expect, it } from 'vitest';
import { beforeMock, eveningHours } from './evening';

describe('the hours of an evening', () => {
  it('follow each other by what each has and the pause between', () => {
    expect(eveningHours('18:30', 4, { eachMin: 20, pauseMin: 5 })).toEqual([
      '18:30',
      '18:55',
      '19:20',
      '19:45'
    ]);
    expect(eveningHours('09:05', 1, { eachMin: 20, pauseMin: 5 })).toEqual(['09:05']);
  });

  it('end at midnight: the last may begin a minute before, and not on it', () => {
    expect(eveningHours('23:29', 2, { eachMin: 30, pauseMin: 0 })).toEqual(['23:29', '23:59']);
    expect(eveningHours('23:30', 2, { eachMin: 30, pauseMin: 0 })).toBeNull();
  });
});

describe('before the hour', () => {
  const startsMs = Date.parse('2027-01-05T18:30:00Z');
  const at = (clock: string) =>
    beforeMock({ startsMs, warmUpMin: 20, waitingMin: 10 }, Date.parse(`2027-01-05T${clock}Z`));

  it('one warms up for as long as there is, then waits, then is called', () => {
    expect(at('17:59:59')).toEqual({ phase: 'early', leftMs: 1000 });
    expect(at('18:00:00')).toEqual({ phase: 'warm-up', leftMs: 20 * 60_000 });
    expect(at('18:19:59')).toEqual({ phase: 'warm-up', leftMs: 1000 });
    expect(at('18:20:00')).toEqual({ phase: 'waiting', leftMs: 10 * 60_000 });
    expect(at('18:30:00')).toEqual({ phase: 'called', leftMs: 0 });
  });
});

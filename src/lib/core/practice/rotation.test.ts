import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type Fundamental, type Often, INSTRUMENT_FAMILIES } from '../record';
import { dayOf, formatDate, weekdayOf } from '../units';
import { rotationArithmetic, rotationOn } from './rotation';
import { startingSet } from './rotation-sets';

const MONDAY = '2026-11-23';
const on = (n: number) => formatDate(dayOf(MONDAY) + n);
const entry = (id: string, often: Often, minutes = 5, more: Partial<Fundamental> = {}): Fundamental => ({
  id,
  name: id,
  minutes,
  often,
  ...more
});
const daily: Often = { kind: 'every', days: 1 };
const ids = (turns: readonly { id: string }[]) => turns.map(({ id }) => id);

/** What is done on each of so many days, where all that was picked is done. */
function played(
  list: readonly Fundamental[],
  days: number,
  minutes: number,
  rests: (day: number) => boolean = () => false
) {
  const lastOn = new Map<string, string>();
  return Array.from({ length: days }, (_, n) => {
    if (rests(n)) return [];
    const { turns } = rotationOn(list, lastOn, on(n), minutes);
    for (const { id } of turns) lastOn.set(id, on(n));
    return ids(turns);
  });
}

describe('fundamentals by turns', () => {
  it('come as often as they are to, over a year', () => {
    const list = [
      entry('each', daily),
      entry('other', { kind: 'every', days: 2 }),
      entry('twice', { kind: 'a-week', times: 2 }),
      entry('five', { kind: 'a-week', times: 5 }),
      entry('named', { kind: 'weekdays', weekdays: [1, 4] })
    ];
    const year = played(list, 364, 60);
    const count = (id: string) => year.filter((day) => day.includes(id)).length;
    expect([count('each'), count('other'), count('twice'), count('five'), count('named')]).toEqual([
      364, 182, 104, 260, 104
    ]);
    const named = year.flatMap((day, n) => (day.includes('named') ? [weekdayOf(dayOf(on(n)))] : []));
    expect(new Set(named)).toEqual(new Set([1, 4]));
  });

  it('what is longest overdue comes first, and what has no minutes left waits', () => {
    const list = [entry('a', daily, 6), entry('b', daily, 6), entry('c', { kind: 'every', days: 2 }, 6)];
    const lastOn = new Map([
      ['a', on(-1)],
      ['b', on(-4)],
      ['c', on(-3)]
    ]);
    const { turns, wait } = rotationOn(list, lastOn, on(0), 12);
    // b was due three days ago, c one, a today
    expect(turns.map(({ id, overdue }) => [id, overdue])).toEqual([
      ['b', 3],
      ['c', 1]
    ]);
    expect(ids(wait)).toEqual(['a']);
    expect(turns[0]!.why).toBe('each day; last on Thu 19 Nov');
  });

  it('nothing starves where there are minutes for one a day, and a day of rest puts nothing out of turn', () => {
    const list = ['a', 'b', 'c', 'd'].map((id) => entry(id, daily, 8));
    const days = played(list, 40, 8, (n) => n % 7 === 6);
    const counts = list.map(({ id }) => days.filter((day) => day.includes(id)).length);
    expect(Math.max(...counts) - Math.min(...counts)).toBeLessThanOrEqual(1);
  });

  it('gives way to what comes next after its last day', () => {
    const list = [
      entry('chords', daily, 5, { until: on(2), next: 'broken thirds' }),
      entry('gone', daily, 5, { until: on(0) })
    ];
    const names = (n: number) => rotationOn(list, new Map(), on(n), 60).turns.map(({ name }) => name);
    expect(names(0)).toEqual(['chords', 'gone']);
    expect(names(2)).toEqual(['chords']);
    expect(names(3)).toEqual(['broken thirds']);
  });

  it('puts two that tire the same apart, where another can stand between', () => {
    const list = [
      entry('a', daily, 3, { tires: 'lips' }),
      entry('b', daily, 3, { tires: 'lips' }),
      entry('c', daily, 3, { tires: 'fingers' })
    ];
    expect(ids(rotationOn(list, new Map(), on(0), 60).turns)).toEqual(['a', 'c', 'b']);
  });

  it('never gives more than the minutes, and the same to whoever asks', () => {
    const often = fc.oneof(
      fc.integer({ min: 1, max: 7 }).map((days): Often => ({ kind: 'every', days })),
      fc.integer({ min: 1, max: 6 }).map((times): Often => ({ kind: 'a-week', times })),
      fc
        .subarray([1, 2, 3, 4, 5, 6, 7], { minLength: 1 })
        .map((weekdays): Often => ({ kind: 'weekdays', weekdays }))
    );
    const lists = fc.array(fc.tuple(often, fc.integer({ min: 1, max: 20 })), { maxLength: 8 });
    fc.assert(
      fc.property(lists, fc.integer({ min: 0, max: 40 }), (given, minutes) => {
        const list = given.map(([how, length], i) => entry(`e${i}`, how, length));
        const { turns, wait } = rotationOn(list, new Map(), on(0), minutes);
        expect(turns.reduce((sum, turn) => sum + turn.minutes, 0)).toBeLessThanOrEqual(minutes);
        expect(new Set([...ids(turns), ...ids(wait)]).size).toBe(turns.length + wait.length);
        expect(rotationOn(list, new Map(), on(0), minutes)).toEqual({ turns, wait });
      }),
      { numRuns: 200 }
    );
  });
});

describe('the rotation’s arithmetic', () => {
  it('says what is asked a week and what there is, worked out by hand', () => {
    const list = [
      entry('a', daily, 4),
      entry('b', { kind: 'a-week', times: 3 }, 10),
      entry('c', { kind: 'weekdays', weekdays: [6, 7] }, 5),
      entry('d', { kind: 'every', days: 2 }, 6)
    ];
    // five days from Monday: 5 * 4 + 3 * 10 + 0 + 3.5 * 6
    expect(rotationArithmetic(list, on(0), { practised: [1, 2, 3, 4, 5], minutesADay: 12 })).toEqual({
      asked: 71,
      there: 60
    });
  });
});

describe('a set to begin with', () => {
  it.each(INSTRUMENT_FAMILIES)('for %s fits into ten minutes on six days a week', (family) => {
    const set = startingSet(family).map((one, i) => ({ id: `e${i}`, ...one }));
    expect(set.length).toBeGreaterThanOrEqual(4);
    const { asked, there } = rotationArithmetic(set, on(0), {
      practised: [1, 2, 3, 4, 5, 6],
      minutesADay: 10
    });
    expect(asked).toBeGreaterThan(there / 2);
    expect(asked).toBeLessThanOrEqual(there);
  });
});

/** Handbook section 10; common practice, no published source. */
import { describe, expect, it } from 'vitest';
import { orderBlocks } from './day-order';
import { usualDemands, weekCautions } from './tires';

const block = (id: string, tires: string[], more: object = {}) => ({
  id,
  minutes: 20,
  isWarm: false,
  isRun: false,
  wasMissed: false,
  clicksToGo: 3,
  tires,
  ...more
});
const ids = (blocks: readonly { id: string }[]) => blocks.map((b) => b.id).join(' ');
const week = (...minutes: number[]) =>
  minutes.map((m, i) => ({ weekday: i + 1, minutes: m })).filter((s) => s.minutes > 0);

describe('demands that tire the same muscles', () => {
  it('are not put side by side where another block can lie between', () => {
    const day = [block('a', ['lips']), block('b', ['lips', 'air']), block('c', ['fingers'])];
    expect(ids(orderBlocks(day))).toBe('a c b');
  });
  it('stay in their order where nothing tires twice', () => {
    const day = [block('a', ['lips']), block('b', ['fingers']), block('c', ['lips'])];
    expect(ids(orderBlocks(day))).toBe('a b c');
  });
  it('follow each other where there is no other way, and the run stays last', () => {
    const day = [block('a', ['lips']), block('b', ['lips']), block('run', [], { isRun: true })];
    expect(ids(orderBlocks(day))).toBe('a b run');
  });
  it('are offered by instrument family', () => {
    expect(usualDemands('oboe, cor anglais')).toContain('lips');
    expect(usualDemands('English horn')).not.toContain('slide or valves');
    expect(usualDemands('Violin')).toContain('bow arm');
    expect(usualDemands('nose harmonica')).toEqual(['hands', 'shoulders']);
  });
});

describe('a week of practice', () => {
  it('with a day of rest and alternating days has no caution', () => {
    expect(weekCautions(week(60, 90, 60, 90, 60, 90, 0))).toEqual([]);
    expect(weekCautions([])).toEqual([]);
  });
  it('without a day of rest is told so', () => {
    expect(weekCautions(week(60, 60, 60, 60, 60, 60, 60))[0]).toMatch(/^No day of rest in this week/);
  });
  it('with three long days on end is told from which, round the end of the week too', () => {
    // mean of five days: 72; long is over 90
    expect(weekCautions(week(30, 30, 100, 100, 100, 0, 0))[0]).toMatch(/^3 long days on end from Wednesday/);
    expect(weekCautions(week(100, 30, 30, 0, 0, 100, 100))[0]).toMatch(/from Saturday/);
  });
  it('with more than four hours on a day is told to rest as much as to play', () => {
    expect(weekCautions(week(300, 0, 0, 0, 0, 0, 0))[0]).toMatch(/More than 4 hours on Monday/);
  });
});

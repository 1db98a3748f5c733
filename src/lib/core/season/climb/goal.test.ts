import { describe, expect, it } from 'vitest';
import { checkGoal, readGoal, readPaces } from './goal';
import type { SeasonItem } from '../facts/request';

const item = (id: string, name: string): SeasonItem => ({
  id,
  name,
  kind: 'etude',
  metre: '4/4',
  fromBar: 1,
  toBar: 48,
  sections: [
    { id: `${id}1`, fromBar: 1, toBar: 48, tempo: { kind: 'pulse', unit: 'quarter', targetBpm: 120 } }
  ]
});
const items = [
  item('a', 'Étude 14, “Millrace”'),
  item('b', 'Étude 9 in D minor'),
  item('c', 'Harbour Overture')
];
const held = (itemId: string, date: string, tempoBpm: number) => ({
  id: `${itemId} ${date}`,
  itemId,
  date,
  minutes: 15,
  tempoBpm,
  attempts: 'ccc'
});
// 72 76 80 84 88 are settings: four clicks in four weeks are one a week
const log = [held('a', '2026-10-20', 72), held('a', '2026-11-23', 88)];
const TODAY = '2026-11-24';
const paces = readPaces(items, log, TODAY);
const read = (text: string) =>
  Object.fromEntries(
    checkGoal(text, items, paces, TODAY).map(({ quality, has, says }) => [quality, { has, says }])
  );
const lacking = (text: string) =>
  checkGoal(text, items, paces, TODAY)
    .filter((reading) => reading.has === false)
    .map((reading) => reading.quality);

describe('a milestone written by hand', () => {
  it.each([
    ['Étude 9 bars 1-8 at 60, 3 in a row, by 8 December', 'Étude 9 in D minor, bars 1–8.'],
    ['étude 14, bar 3 at 60', 'Étude 14, “Millrace”, bar 3.'],
    ['Overture bars 40-50 at 60', 'Harbour Overture has bars 1–48, not bars 40–50.'],
    ['Étude bars 1-8', 'Name the item and the bars.']
  ])('is held to what it names: %s', (text, says) => expect(read(text).specific!.says).toBe(says));

  it('names what a plan can keep: item, tempo and a day ahead', () => {
    const read = (text: string) => readGoal(text, items, '2026-11-24');
    expect(read('Millrace bars 31-36 at 96, 3 in a row, by 20 December')).toEqual({
      itemId: 'a',
      bpm: 96,
      date: '2026-12-20',
      bars: { from: 31, to: 36 }
    });
    expect(read('Millrace at 96 by 2026-11-24')).toBeNull();
    expect(read('Millrace by 20 December')).toBeNull();
    expect(read('at 96 by 20 December')).toBeNull();
  });

  it('takes the words of a count for no item, and tomorrow for a date', () => {
    const fables = { ...item('f', 'Three Fables'), id: 'f' };
    const readings = checkGoal(
      'MILLRACE bars 1-8 @ 88 three in a row by tomorrow',
      [...items, fables],
      paces,
      TODAY
    );
    expect(readings.filter((r) => r.has !== true)).toEqual([]);
  });

  it('that names item, bars, tempo, count and date lacks nothing within the pace done', () => {
    expect(lacking('Millrace bars 31-36 at 92, 3 in a row, by 8 December')).toEqual([]);
  });

  it('without bars is not specific, without a count not measurable, without a date not dated', () => {
    expect(lacking('Millrace at 92 by 8 December, 3 in a row')).toEqual(['specific']);
    expect(lacking('Millrace bars 31-36 at 92 by 8 December')).toEqual(['measurable']);
    expect(lacking('Millrace bars 31-36 at 92, 3 in a row')).toEqual(['dated']);
    expect(lacking('play better')).toEqual(['specific', 'measurable', 'relevant', 'dated']);
  });

  it('steeper than what was done is told so with the numbers', () => {
    // from 88 to 120 are eight clicks: in a week eight a week, done was one
    const { achievable } = read('Millrace bars 1-48 at 120, 3 in a row, in a week');
    expect(achievable!.has).toBe(false);
    expect(achievable!.says).toBe(
      'From 88 it asks 8 clicks a week; in the last four weeks Étude 14, “Millrace” gained 1 a week.'
    );
  });

  it('is not judged where nothing is known', () => {
    expect(read('Harbour bars 1-8 at 92, 3 times, by Friday').achievable!.has).toBeNull();
    expect(read('Millrace bars 1-8 soon').achievable!.has).toBeNull();
  });

  it('of a word that two items share is not taken for either', () => {
    expect(read('Étude bars 1-4 at 80').relevant!.has).toBe(false);
    expect(read('the étude in D minor, bars 1-4').relevant!.says).toContain('D minor');
  });

  it.each([
    ['by 8 December', '2026-12-08'],
    ['by 8 Dec', '2026-12-08'],
    ['by 2 January', '2027-01-02'],
    ['by 2026-12-01', '2026-12-01'],
    ['in two weeks', '2026-12-08'],
    ['in 10 days', '2026-12-04'],
    ['by Friday', '2026-11-27'],
    ['by Tuesday', '2026-12-01']
  ])('%s is %s', (said, date) => {
    const days = (Date.parse(date) - Date.parse('2026-11-24')) / 86_400_000;
    expect(read(`Millrace bars 1-4 at 80, 3 in a row, ${said}`).dated!.says).toContain(
      `${days} days from now`
    );
  });
});

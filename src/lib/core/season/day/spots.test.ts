import { describe, expect, it } from 'vitest';
import { clean, etude, request, roundOn } from '../../../../../tests/fixtures/etude-season';
import { type KnownSpot, USUAL_WAYS } from '../../practice';
import type { Series, Touch } from '../../record';
import { dayOf, formatDate } from '../../units';
import { laySeason } from '../lay/lay';
import { makeRoadMap } from './road-map';
import { spotsForBlock, spotsOn } from './spots';

const TODAY = '2026-11-24';
const ago = (days: number) => formatDate(dayOf(TODAY) - days);
const item = etude('A', 96);
const section = item.sections[0]!.id;

const spot = (id: string, fromBar: number, more: Partial<KnownSpot> = {}): KnownSpot => ({
  id,
  itemId: 'A',
  heard: [],
  fromBar,
  toBar: fromBar,
  issue: 'flat',
  notHeld: [],
  foundBy: 'self',
  elsewhere: [],
  foundOn: ago(20),
  hand: null,
  firstSinceMs: null,
  method: null,
  ...more
});
/** A day's attempts at a spot, at 60. */
const tried = (id: string, days: number, attempts: string, more: Partial<Series> = {}): Touch => ({
  id: `${id}-${days}`,
  itemId: 'A',
  date: ago(days),
  minutes: 5,
  series: [
    {
      spot: id,
      tempoBpm: 60,
      unit: 'quarter',
      attempts,
      fromBar: 3,
      toBar: 3,
      atMs: dayOf(ago(days)) * 86_400_000,
      seconds: 60,
      ...more
    }
  ]
});
const read = (known: readonly KnownSpot[], log: readonly Touch[]) =>
  spotsOn(
    known,
    { items: [item], log, time: { exceptions: [] }, family: 'winds', ways: USUAL_WAYS, isHurt: false },
    TODAY
  );
const block = (minutes: number) => ({ itemId: 'A', sectionId: section, minutes });
const ids = (spots: readonly { id: string }[]) => spots.map(({ id }) => id);

describe('the day’s spots', () => {
  it('come hardest first, then those farthest below their section, then the older; the teacher’s before all', () => {
    const known = [
      spot('new', 1, { foundOn: ago(2) }),
      spot('old', 2),
      spot('slow', 3),
      spot('hard', 4),
      spot('heard', 5, { firstSinceMs: 1 })
    ];
    const log = [
      clean('A', ago(12), 66, 10),
      // longer ago than a week: how hard it was counts no more, how fast it was does
      tried('slow', 10, 'ccc', { tempoBpm: 58 }),
      tried('hard', 3, 'nnnnccc')
    ];
    expect(ids(read(known, log))).toEqual(['heard', 'hard', 'slow', 'old', 'new']);
  });

  it('a block takes as many as have three minutes each in its half, at least one from four minutes on', () => {
    const spots = read(
      [1, 2, 3, 4].map((n) => spot(`s${n}`, n)),
      []
    );
    const taken = (minutes: number) => spotsForBlock(spots, block(minutes), TODAY).length;
    expect([3, 4, 9, 11, 12, 18, 30].map(taken)).toEqual([0, 1, 1, 1, 2, 3, 4]);
    expect(spotsForBlock(spots, { ...block(12), sectionId: 'other' }, TODAY)).toEqual([]);
  });

  it('and no two of them by the same way, two ways where there is time; what is prescribed comes first', () => {
    const spots = read([spot('a', 1), spot('b', 2, { method: 'drone' })], []);
    const [one, two] = spotsForBlock(spots, block(12), TODAY);
    expect([one!.methods.length, two!.methods.length]).toEqual([2, 2]);
    expect(new Set([...one!.methods, ...two!.methods]).size).toBe(4);
    expect([one, two].find(({ id } = one!) => id === 'b')!.methods[0]).toBe('drone');
    // two of them share half of six minutes: a minute and a half is for one way
    const [short] = spotsForBlock(read([spot('a', 1)], []), block(3.9), TODAY);
    expect(short).toBeUndefined();
    expect(spotsForBlock(read([spot('a', 1)], []), block(4), TODAY)[0]!.methods).toHaveLength(2);
  });

  it('asks what rests and is due first, at most two beside those that are worked', () => {
    const known = ['r1', 'r2', 'r3'].map((id, n) => spot(id, n + 1));
    const log = known.flatMap(({ id }) => [12, 11, 10].map((days) => tried(id, days, 'ccc')));
    const spots = read([...known, spot('open', 9)], log);
    const todo = spotsForBlock(spots, block(6), TODAY);
    expect(todo.map(({ isAsked }) => isAsked)).toEqual([true, true, false]);
    expect(todo.filter(({ isAsked }) => isAsked).every(({ methods }) => methods.length === 0)).toBe(true);
    // the day before none of them is asked
    expect(ids(spotsForBlock(spots, block(6), ago(4)))).toEqual(['open']);
  });

  it('goes to the same passage elsewhere when its own bars have their three days', () => {
    const known = [spot('a', 3, { elsewhere: [{ fromBar: 13, toBar: 14 }] })];
    const log = [3, 2, 1].map((days) => tried('a', days, 'ccc'));
    expect(spotsForBlock(read(known, log), block(8), TODAY)).toMatchObject([{ fromBar: 13, toBar: 14 }]);
    expect(spotsForBlock(read(known, log.slice(1)), block(8), TODAY)).toMatchObject([
      { fromBar: 3, toBar: 3 }
    ]);
  });
});

describe('a road map', () => {
  const rotation = [
    { id: 'tones', name: 'Long tones', minutes: 3, often: { kind: 'every' as const, days: 1 } },
    { id: 'slurs', name: 'Slurs', minutes: 3, often: { kind: 'every' as const, days: 2 } }
  ];
  it('has the fundamentals whose turn it is, each by its name, within their minutes', () => {
    const plain = request([item], { rounds: [roundOn('2026-12-20')] });
    const given = {
      ...plain,
      time: { ...plain.time, fundamentalsMin: 5, rotation }
    };
    const facts = { items: given.items, time: given.time, log: given.log };
    const doneOn = new Map([
      ['tones', ago(1)],
      ['slurs', ago(3)]
    ]);
    const turns = (done: ReadonlyMap<string, string>) =>
      makeRoadMap(laySeason(given), { ...facts, doneOn: done }, TODAY, (n) => `b${n}`)
        .filter(({ kind }) => kind === 'fundamentals')
        .map(({ name, minutes, fundamental }) => [name, minutes, fundamental]);
    expect(turns(doneOn)).toEqual([['Slurs', 3, 'slurs']]);
    expect(turns(new Map([['slurs', ago(1)]]))).toEqual([['Long tones', 3, 'tones']]);
  });
});

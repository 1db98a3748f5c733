import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { DeskEvent, Touch } from '../../record';
import { dayOf, formatDate } from '../../units';
import { parseSpotLine, withBars, withElement } from './spot-line';
import { type KnownSpot, type SpotTry, readSpots, triesIn } from './spot';
import { hardnessOf, spotTempo, standOfSpot } from './spot-state';

const FIRST = '2026-11-02';
const on = (day: number) => formatDate(dayOf(FIRST) + day);
const known: KnownSpot = {
  heard: [],
  id: 'leap',
  itemId: 'etude',
  fromBar: 37,
  toBar: 38,
  issue: 'flat after the leap',
  notHeld: [],
  foundBy: 'self',
  elsewhere: [],
  foundOn: FIRST,
  hand: null,
  firstSinceMs: null,
  method: null
};
const tried = (day: number, marks: string, more: Partial<SpotTry> = {}): SpotTry => ({
  spotId: 'leap',
  date: on(day),
  fromBar: 37,
  toBar: 38,
  tempoBpm: 60,
  unit: 'quarter',
  marks,
  method: null,
  atMs: dayOf(on(day)) * 86_400_000,
  seconds: 60,
  ...more
});
const rules = { inARow: 3, unit: 'quarter' as const, heldOn: () => 60 };
const standing = (tries: readonly SpotTry[], spot = known, more: Partial<typeof rules> = {}) =>
  standOfSpot(spot, tries, { ...rules, ...more });

describe('a spot', () => {
  it('rests after three days that ended clean, is asked after 7 and 21 days, and is laid to rest', () => {
    const three = [tried(0, 'nccc'), tried(1, 'ccc'), tried(4, 'cnccc')];
    expect(standing(three.slice(0, 2))).toMatchObject({ state: 'open', days: 2, dueOn: null });
    expect(standing(three)).toMatchObject({ state: 'resting', days: 3, dueOn: on(11) });
    const once = [...three, tried(11, 'c')];
    expect(standing(once)).toMatchObject({ state: 'resting', dueOn: on(25) });
    // what is played before it is asked changes nothing
    expect(standing([...once, tried(20, 'ccc')])).toMatchObject({ state: 'resting', dueOn: on(25) });
    expect(standing([...once, tried(26, 'c')])).toMatchObject({ state: 'at-rest', dueOn: null });
  });

  it('is open again, from nothing, when a day ends on “not yet”, at rest too', () => {
    const three = [tried(0, 'ccc'), tried(1, 'ccc'), tried(2, 'ccc')];
    expect(standing([tried(0, 'ccc'), tried(1, 'cccn')])).toMatchObject({ state: 'open', days: 0 });
    expect(standing([...three, tried(9, 'n')])).toMatchObject({ state: 'open', days: 0, dueOn: null });
    expect(standing([...three, tried(9, 'c'), tried(23, 'c'), tried(40, 'n')])).toMatchObject({
      state: 'open',
      days: 0
    });
  });

  it('counts a day at what held that morning or faster alone, in another unit too; a slower or shorter day leaves the count', () => {
    const begun = [tried(0, 'ccc')];
    expect(standing([...begun, tried(1, 'ccc', { tempoBpm: 58 })]).days).toBe(1);
    expect(standing([...begun, tried(1, 'cc')]).days).toBe(1);
    expect(standing([...begun, tried(1, 'ccc', { tempoBpm: 120, unit: 'eighth' })]).days).toBe(2);
    // only the last of the day count: two slow ones and one in time are no three
    expect(standing([...begun, tried(1, 'cc', { tempoBpm: 58 }), tried(1, 'c')]).days).toBe(1);
    // what held rose between: the morning's counts
    const heldOn = (date: string) => (date > on(0) ? 66 : 60);
    expect(standing([...begun, tried(1, 'ccc')], known, { heldOn: heldOn as () => number }).days).toBe(1);
  });

  it('rests only when the same passage held once at each other place', () => {
    const spot = { ...known, elsewhere: [{ fromBar: 61, toBar: 62 }] };
    const three = [tried(0, 'ccc'), tried(1, 'ccc'), tried(2, 'ccc')];
    expect(standing(three, spot)).toMatchObject({ state: 'open', days: 3, places: spot.elsewhere });
    expect(standing([...three, tried(3, 'cc', spot.elsewhere[0])], spot).state).toBe('open');
    expect(standing([...three, tried(3, 'ccc', spot.elsewhere[0])], spot).dueOn).toBe(on(10));
    const also = [
      tried(0, 'ccc', spot.elsewhere[0]),
      ...three.map((one) => ({ ...one, atMs: one.atMs + 1 }))
    ];
    expect(standing(also, spot)).toMatchObject({ state: 'resting', places: [] });
  });

  it('follows the hand: worked again from nothing, or laid to rest', () => {
    const three = [tried(0, 'ccc'), tried(1, 'ccc'), tried(2, 'ccc')];
    const atMs = three[2]!.atMs + 1;
    const hand = (isOpen: boolean) => ({ ...known, hand: { isOpen, date: on(2), atMs } });
    expect(standing(three, hand(true))).toMatchObject({ state: 'open', days: 0 });
    expect(standing(three.slice(0, 1), hand(false)).state).toBe('at-rest');
    expect(standing([...three, tried(3, 'ccc')], hand(true)).days).toBe(1);
  });

  it('over any weeks never counts beyond three, asks only of what rests, and is open after every day that ended badly', () => {
    const day = fc.record({ gap: fc.integer({ min: 1, max: 9 }), marks: fc.stringMatching(/^[cn]{1,6}$/) });
    fc.assert(
      fc.property(fc.array(day, { maxLength: 20 }), (days) => {
        let at = 0;
        const tries = days.map(({ gap, marks }) => tried((at += gap), marks));
        tries.forEach((last, i) => {
          const now = standing(tries.slice(0, i + 1));
          expect(now.days).toBeLessThanOrEqual(3);
          expect(now.dueOn === null).toBe(now.state !== 'resting');
          if (last.marks.endsWith('n')) expect([now.state, now.days]).toEqual(['open', 0]);
        });
      }),
      { numRuns: 200 }
    );
  });
});

describe('how hard a spot is', () => {
  it('is the share of attempts of the last seven days that were not clean, beside four presumed half clean', () => {
    expect(hardnessOf([], on(0))).toBe(0.5);
    expect(hardnessOf([tried(0, 'nnnn'), tried(8, 'ccnc')], on(8))).toBe((1 + 2) / 8);
    expect(hardnessOf([tried(1, 'nnnn'), tried(8, 'ccnc')], on(8))).toBe((5 + 2) / 12);
  });

  it('has the fastest tempo at which so many in a row were clean', () => {
    const tries = [tried(0, 'ccc'), tried(1, 'cnc', { tempoBpm: 72 }), tried(1, 'ccc', { tempoBpm: 66 })];
    expect(spotTempo(tries, 3, 'quarter')).toBe(66);
    expect(spotTempo(tries, 3, 'eighth')).toBe(132);
    expect(spotTempo([tried(0, 'cc')], 3, 'quarter')).toBeNull();
  });
});

describe('spots', () => {
  const made = { device: 'tablet', atMs: 1, date: FIRST };
  const { id, itemId, fromBar, toBar, issue } = known;
  const spot = { id, itemId, fromBar, toBar, issue, notHeld: [], foundBy: 'self' as const, elsewhere: [] };
  const found: DeskEvent = { ...made, id: 'a', seq: 0, kind: 'spot', spot };
  const set = (seq: number, to: object): DeskEvent =>
    ({ ...made, id: `s${seq}`, seq, atMs: seq, kind: 'spot-set', spot: id, set: to }) as DeskEvent;

  it('follow from their events, in any order and any number of times', () => {
    const events = [
      found,
      set(2, { issue: 'sharp' }),
      set(3, { method: 'drone' }),
      set(4, { issue: 'flat' })
    ];
    const expected = [{ ...known, issue: 'flat', method: 'drone' }];
    expect(readSpots(events)).toEqual(expected);
    expect(readSpots([...events, ...events].reverse())).toEqual(expected);
    expect(readSpots([...events, set(5, { isGone: true })])).toEqual([]);
    expect(readSpots([...events, set(5, { isGone: true }), set(6, { isGone: false })])).toEqual(expected);
    expect(readSpots([set(2, { issue: 'of none' })])).toEqual([]);
  });

  it('have what was tried from the series of the log', () => {
    const touch: Touch = {
      id: 't',
      itemId,
      date: FIRST,
      minutes: 5,
      series: [
        {
          fromBar,
          toBar,
          spot: id,
          method: 'drone',
          tempoBpm: 60,
          unit: 'quarter',
          attempts: 'cn',
          atMs: 9,
          seconds: 40
        },
        { fromBar: 1, toBar: 8, tempoBpm: 60, unit: 'quarter', attempts: 'c', atMs: 50, seconds: 20 }
      ]
    };
    expect(triesIn([touch], [])).toEqual([
      {
        fromBar,
        toBar,
        spotId: id,
        date: FIRST,
        method: 'drone',
        marks: 'cn',
        tempoBpm: 60,
        unit: 'quarter',
        atMs: 9,
        seconds: 40
      }
    ]);
  });
});

describe('a spot’s line', () => {
  const item = { name: 'Etude', fromBar: 1, toBar: 64 };
  it.each([
    [
      '37 intonation after the leap',
      { fromBar: 37, toBar: 37, issue: 'intonation after the leap', notHeld: [] }
    ],
    ['37-38 -rhythm', { fromBar: 37, toBar: 38, issue: '', notHeld: ['rhythm'] }],
    ['bars 5–6: rushes -int -int', { fromBar: 5, toBar: 6, issue: 'rushes', notHeld: ['intonation'] }],
    ['m. 12 to 14, A-flat is sharp', { fromBar: 12, toBar: 14, issue: 'A-flat is sharp', notHeld: [] }]
  ])('“%s” is read', (line, value) => expect(parseSpotLine(line, item)).toEqual({ ok: true, value }));
  it.each([
    ['rushes', /^Begin with the bar/],
    ['', /^Begin with the bar/],
    ['37', /^What is wrong there/],
    ['38-37 rushes', /upside down: 38 to 37/],
    ['65 rushes', /Etude has bars 1 to 64/],
    ['0 rushes', /Etude has bars 1 to 64/],
    ['37 -colour', /“-colour” is none of the elements/],
    [`37 ${'x'.repeat(201)}`, /At most 200 characters/]
  ])('“%s” is answered with a sentence', (line, says) => {
    const read = parseSpotLine(line, item);
    expect(read.ok ? '' : read.faults[0]!.says).toMatch(says);
  });
  it('is written by taps on bars and elements, and what was typed stays', () => {
    expect(withBars('', { fromBar: 37, toBar: 37 })).toBe('37 ');
    expect(withBars('37 rushes', { fromBar: 37, toBar: 38 })).toBe('37-38 rushes');
    expect(withElement('37 rushes', 'rhythm')).toBe('37 rushes -rhythm');
    expect(withElement('37 -rhythm rushes', 'rhythm')).toBe('37 rushes');
  });
});

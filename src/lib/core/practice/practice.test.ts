import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { dayOf, formatDate } from '../units';
import {
  type HeldSection,
  type HoldRules,
  cleanShare,
  heldEvenings,
  heldMornings,
  heldTempo,
  holdingTouches
} from './held';
import { parseLogLine } from './log-line';
import type { Touch } from './touch';

const adagio: HeldSection = { fromBar: 1, toBar: 16, unit: 'quarter', targetBpm: 60 };
const allegro: HeldSection = { fromBar: 17, toBar: 33, unit: 'quarter', targetBpm: 120 };
const RULES: HoldRules = { inARow: 3, oneLower: (bpm) => bpm - 2, isInterrupted: () => false };
const TODAY = dayOf('2026-11-24');

function touch(date: string, tempoBpm: number, attempts: string, more: Partial<Touch> = {}): Touch {
  return {
    id: `${date}-${tempoBpm}`,
    itemId: 'i',
    date,
    minutes: 10,
    tempoBpm,
    attempts,
    fromBar: 1,
    toBar: 16,
    ...more
  };
}

const held = (log: Touch[], section = adagio) => heldTempo(log, section, adagio, RULES, TODAY);

describe('what holds', () => {
  it('is joined from parts by the fastest at which each held within the fortnight, whatever was played slower since', () => {
    const part = (date: string, bpm: number, fromBar: number, toBar: number) =>
      touch(date, bpm, 'ccc', { fromBar, toBar });
    const bars = [
      { fromBar: 1, toBar: 8 },
      { fromBar: 8, toBar: 16 }
    ];
    const section = { ...adagio, parts: { bars, under: 70 } };
    const run = touch('2026-11-20', 54, 'c');
    const log = (first: number, then: number) => [
      part('2026-11-16', first, 1, 8),
      part('2026-11-18', then, 1, 8),
      part('2026-11-18', 54, 8, 16),
      run
    ];
    for (const [first, then] of [
      [54, 48],
      [48, 54]
    ] as const)
      expect(held(log(first, then), section)).toMatchObject({ bpm: 54, isInParts: true });
    expect(held(log(48, 50), section)).toBeNull();
  });

  it('stands after each touch on the one that it would stand on if no more had come', () => {
    const someTouch = fc.record({
      daysAgo: fc.integer({ min: 0, max: 60 }),
      bpm: fc.constantFrom(48, 50, 52, 54, 56),
      attempts: fc.constantFrom('ccc', 'nn', 'cnc', 'nccc', '', 'c'),
      part: fc.constantFrom([1, 16], [1, 8], [8, 16])
    });
    const parts = {
      bars: [
        { fromBar: 1, toBar: 8 },
        { fromBar: 8, toBar: 16 }
      ],
      under: 70
    };
    fc.assert(
      fc.property(
        fc.array(someTouch, { maxLength: 14 }),
        fc.boolean(),
        fc.option(fc.integer({ min: -3, max: 40 })),
        (some, isInParts, statedAgo) => {
          const log = some
            .map(({ daysAgo, bpm, attempts, part: [fromBar, toBar] }, i) =>
              touch(formatDate(TODAY - daysAgo), bpm, attempts, {
                id: `t${i}`,
                fromBar: fromBar!,
                toBar: toBar!
              })
            )
            .sort((a, b) => (a.date < b.date ? -1 : a.date > b.date ? 1 : 0));
          const on = formatDate(TODAY - (statedAgo ?? 0));
          const stated = { sectionId: 's', bpm: 52, unit: 'quarter' as const, evidence: 'self' as const, on };
          const section = {
            ...adagio,
            parts: isInParts ? parts : undefined,
            stated: statedAgo === null ? undefined : stated
          };
          const after = holdingTouches(log, section, section, RULES, TODAY);
          expect(after).toEqual(
            log.map((_, i) => heldTempo(log.slice(0, i + 1), section, section, RULES, TODAY)?.touchId ?? null)
          );
        }
      ),
      { numRuns: 300, seed: 20261128 }
    );
  });

  it('is the fastest tempo with three clean in a row: slower work lowers nothing and renews nothing', () => {
    const log = [touch('2026-11-18', 52, 'ccc'), touch('2026-11-20', 48, 'ncccc')];
    expect(held(log)).toMatchObject({ bpm: 52, on: dayOf('2026-11-18'), isAged: false, evidence: 'self' });
  });

  it('goes one back at two “not yet” in a row at its own tempo, unless three clean follow', () => {
    const up = touch('2026-11-18', 52, 'ccc');
    const bpmAfter = (bpm: number, attempts: string) => held([up, touch('2026-11-20', bpm, attempts)])!.bpm;
    expect(bpmAfter(52, 'cnn')).toBe(50);
    expect(bpmAfter(52, 'ncncn')).toBe(52);
    expect(bpmAfter(52, 'nnccc')).toBe(52);
    expect(bpmAfter(54, 'nnnn')).toBe(52);
    expect(bpmAfter(48, 'nnnn')).toBe(52);
    const again = [up, touch('2026-11-20', 52, 'nn'), touch('2026-11-21', 50, 'nn')];
    expect(held(again)).toMatchObject({ bpm: 48, on: dayOf('2026-11-18') });
  });

  it('has its day renewed by one clean attempt at its tempo or faster, with all elements', () => {
    const up = touch('2026-11-01', 52, 'ccc', { evidence: 'teacher' });
    const after = (bpm: number, attempts: string, more: Partial<Touch> = {}) =>
      held([up, touch('2026-11-20', bpm, attempts, more)])!;
    expect(held([up])!.isAged).toBe(true);
    expect(after(52, 'c')).toMatchObject({ bpm: 52, on: dayOf('2026-11-20'), evidence: 'teacher' });
    expect(after(56, 'nc').on).toBe(dayOf('2026-11-20'));
    expect(after(50, 'cc').on).toBe(dayOf('2026-11-01'));
    expect(after(52, 'c', { notHeld: ['rhythm'] }).on).toBe(dayOf('2026-11-01'));
    expect(after(52, 'n').on).toBe(dayOf('2026-11-01'));
  });

  it('is led up to again once it has aged: a slower tempo that holds is where it stands meanwhile', () => {
    const up = touch('2026-10-20', 60, 'ccc');
    const log = [up, touch('2026-11-16', 52, 'ccc'), touch('2026-11-18', 48, 'ccc')];
    expect(held(log)).toMatchObject({ bpm: 60, isAged: true, shownSince: 52, touchId: '2026-11-16-52' });
    const lately = [touch('2026-11-18', 60, 'ccc'), touch('2026-11-20', 52, 'ccc')];
    const after = (isInterrupted: boolean) =>
      heldTempo(lately, adagio, adagio, { ...RULES, isInterrupted: () => isInterrupted }, TODAY)!.shownSince;
    // a long time away ages all at once
    expect([after(false), after(true)]).toEqual([null, 52]);
    const again = [...log, touch('2026-11-20', 60, 'ccc')];
    expect(held(again)).toMatchObject({ bpm: 60, isAged: false, shownSince: null, touchId: '2026-11-20-60' });
  });

  it('holds in parts: each within a fortnight, and one clean run of the whole that joins them', () => {
    const parts = {
      bars: [
        { fromBar: 1, toBar: 8 },
        { fromBar: 9, toBar: 16 }
      ],
      under: 55
    };
    const long = { ...adagio, parts };
    const first = touch('2026-11-10', 50, 'ccc', { fromBar: 1, toBar: 8 });
    const second = touch('2026-11-18', 52, 'ccc', { fromBar: 9, toBar: 16 });
    const run = (bpm: number, date: string) => touch(date, bpm, 'nc');
    expect(held([first, second], long)).toBeNull();
    expect(held([first, second, run(50, '2026-11-20')], long)).toMatchObject({ bpm: 50, isInParts: true });
    // the first part did not hold so fast, or not so lately; a short section has no parts
    expect(held([first, second, run(52, '2026-11-20')], long)).toBeNull();
    expect(held([first, second, run(50, '2026-11-25')], long)).toBeNull();
    expect(held([first, second, run(50, '2026-11-20')])).toBeNull();
    // where one attempt is short enough, it is asked whole
    const fast = (bpm: number, fromBar: number) =>
      touch('2026-11-18', bpm, 'ccc', { fromBar, toBar: fromBar + 7 });
    expect(held([fast(56, 1), fast(56, 9), run(56, '2026-11-20')], long)).toBeNull();
  });

  it('is what was stated, as evidence of that day: over what was played before, under what was played since', () => {
    const stated = {
      sectionId: 's',
      bpm: 80,
      unit: 'eighth',
      evidence: 'teacher',
      on: '2026-11-19'
    } as const;
    const section = { ...adagio, stated };
    expect(held([], section)).toMatchObject({ bpm: 40, evidence: 'teacher', touchId: null, isAged: false });
    expect(held([touch('2026-11-18', 52, 'ccc')], section)!.bpm).toBe(40);
    expect(held([touch('2026-11-19', 44, 'ccc')], section)!.bpm).toBe(44);
    expect(held([], { ...adagio, stated: { ...stated, on: '2026-11-25' } })).toBeNull();
  });

  it('is untouched by a block without enough in a row', () => {
    expect(held([touch('2026-11-18', 52, 'ccc'), touch('2026-11-20', 54, 'ccnccncc')])!.bpm).toBe(52);
  });

  it('holds after so many of the last so many, where the school says so', () => {
    const among = (attempts: string) =>
      heldTempo([touch('2026-11-20', 54, attempts)], adagio, adagio, { ...RULES, among: 5 }, TODAY);
    // three of the last five: c n c n c; never more than two in five of the others
    expect(among('cncnc')!.bpm).toBe(54);
    expect([among('cnncnnc'), among('ncncnn')]).toEqual([null, null]);
    expect(held([touch('2026-11-20', 54, 'cncnc')])).toBeNull();
  });

  it('does not count a tempo at which an element did not hold', () => {
    expect(held([touch('2026-11-20', 54, 'cccc', { notHeld: ['intonation'] })])).toBeNull();
  });

  it('needs all bars of the section: a chunk of it is no evidence', () => {
    expect(held([touch('2026-11-20', 54, 'ccc', { fromBar: 3, toBar: 8 })])).toBeNull();
    expect(held([touch('2026-11-20', 54, 'ccc', { fromBar: 1, toBar: 33 })])!.bpm).toBe(54);
  });

  it('counts a clean whole run for every section at the same share of its target', () => {
    const run = touch('2026-11-20', 45, 'ccc', { fromBar: undefined, toBar: undefined });
    expect(held([run])!.bpm).toBe(45);
    expect(held([run], allegro)!.bpm).toBe(90); // 45 of 60 is three quarters, three quarters of 120
  });

  it('converts the unit it was clicked in', () => {
    expect(held([touch('2026-11-20', 104, 'ccc', { unit: 'eighth' })])!.bpm).toBe(52);
  });

  it('ages after fourteen days without evidence', () => {
    expect(held([touch('2026-11-10', 52, 'ccc')])!.isAged).toBe(false); // 14 days
    expect(held([touch('2026-11-09', 52, 'ccc')])!.isAged).toBe(true); // 15 days
  });
});

describe('what held in a morning and in an evening', () => {
  const day = fc.integer({ min: 1, max: 20 }).map((n) => `2026-11-${String(n).padStart(2, '0')}`);
  const played = fc.record({
    date: day,
    bpm: fc.constantFrom(48, 50, 52, 54),
    marks: fc.constantFrom('ccc', 'cc', 'nn', 'cnn', 'c')
  });
  const stated = fc.option(
    fc.record({ on: day, bpm: fc.constantFrom(46, 52, 56), evidence: fc.constant('teacher' as const) }),
    { nil: undefined }
  );
  it('is what the log before it, and what was said until then, come to', () => {
    fc.assert(
      fc.property(fc.array(played, { maxLength: 12 }), stated, day, (given, says, morning) => {
        const log = [...given]
          .sort((a, b) => (a.date < b.date ? -1 : a.date > b.date ? 1 : 0))
          .map(({ date, bpm, marks }) => touch(date, bpm, marks));
        const section: HeldSection = {
          ...adagio,
          ...(says ? { stated: { sectionId: 's', unit: 'quarter' as const, ...says } } : {})
        };
        const before = log.filter(({ date }) => date < morning);
        expect(heldMornings(log, section, section, RULES)(morning)).toBe(
          heldTempo(before, section, section, RULES, dayOf(morning))?.bpm ?? null
        );
        for (const [date, bpm] of heldEvenings(log, section, section, RULES)) {
          const until = log.filter((played) => played.date <= date);
          expect(bpm).toBe(heldTempo(until, section, section, RULES, dayOf(date))?.bpm ?? null);
        }
      }),
      { numRuns: 300 }
    );
  });
});

describe('the share of clean attempts', () => {
  it('stays at 0.7 until the log differs by more than 0.05', () => {
    expect(cleanShare([touch('2026-11-20', 52, 'ccc')], 0.7)).toBe(0.7); // (14 + 3) / 23 = 0.739
    expect(cleanShare([touch('2026-11-20', 52, 'cccccc')], 0.7)).toBe(0.769); // (14 + 6) / 26
    expect(cleanShare([touch('2026-11-20', 52, 'nnnnnnnn')], 0.7)).toBe(0.5); // 14 / 28
  });
});

describe('the quick line', () => {
  const items = [
    { id: 'a', name: 'Étude 14, “Millrace”' },
    { id: 'b', name: 'Étude 9 in D minor' },
    { id: 'c', name: 'Three Fables, II' }
  ];
  const read = (line: string) => parseLogLine(line, items, TODAY);

  it('reads item, bars, minutes, tempo, attempts, elements and note', () => {
    expect(read('1 37-41 15m @92 ccncc -rhythm breath comes late')).toEqual({
      ok: true,
      value: {
        itemId: 'a',
        date: '2026-11-24',
        fromBar: 37,
        toBar: 41,
        minutes: 15,
        tempoBpm: 92,
        attempts: 'ccncc',
        notHeld: ['rhythm'],
        note: 'breath comes late'
      }
    });
  });

  it('finds an item by the beginning of a word, and takes a day before', () => {
    expect(read('yesterday fab 20m')).toMatchObject({
      ok: true,
      value: { itemId: 'c', date: '2026-11-23', minutes: 20 }
    });
    expect(read('2026-11-20 mill 5min @58,5')).toMatchObject({
      ok: true,
      value: { itemId: 'a', date: '2026-11-20', tempoBpm: 58.5 }
    });
  });

  it('says what is missing or unclear', () => {
    const says = (line: string) => {
      const result = read(line);
      return result.ok ? '' : result.faults[0]!.says;
    };
    expect(says('')).toContain('begin with the item');
    expect(says('ét 10m')).toContain('could be');
    expect(says('sonata 10m')).toContain('no item');
    expect(says('7 10m')).toContain('3 items');
    expect(says('1 37-41 @92')).toContain('minutes are missing');
    expect(says('1 10m -loudness')).toContain('none of the elements');
    expect(says('1 10m @-5')).toContain('“@-5” is no tempo');
  });

  it('asks about a number or attempts in the wrong place, and keeps them as a note behind a colon', () => {
    const says = (line: string) => {
      const result = read(line);
      return result.ok ? result.value.note : result.faults[0]!.says;
    };
    expect(says('2 5m 60 ccc')).toContain('is “60” the tempo? Then write @60');
    expect(says('2 5m 92bpm')).toContain('Then write @92');
    expect(says('2 5m @92 60 more')).toContain('a note that begins with a number stands behind a colon');
    expect(says('2 5m @92 ccc cnc')).toBe('cnc');
    expect(says('2 5m -rhythm ccc')).toBe('');
    expect(says('2 5m : 60 bars to go')).toBe('60 bars to go');
  });

  it('keeps a note that looks like nothing else as it is typed', () => {
    expect(read('3 10m 🎵 ritardando مرحبا')).toMatchObject({
      ok: true,
      value: { note: '🎵 ritardando مرحبا' }
    });
  });
});

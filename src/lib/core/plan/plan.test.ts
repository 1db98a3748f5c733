import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { dayOf, formatDate } from '../units';
import { type PracticeTime, dayCapacity } from './capacity';
import { orderBlocks, splitBlocks, startTimes } from './day-order';
import { dateRungs } from './milestone';
import { dealMinutes, expectedAttempts, rampProgress, rungMinutes } from './rung-minutes';
import { layStages } from './stage';
import { reserveTouches, touchMinutes } from './touches';

const date = (text: string) => dayOf(text);

describe('stages counted back from the round', () => {
  it('leave two weeks of mocks and the last third for context', () => {
    // 24 Nov to 9 Jan are 46 days; mocks from 26 Dec; 32 days of ramp, a third of them (11) in context
    const stages = layStages(date('2026-11-24'), date('2027-01-09'));
    expect(formatDate(stages.mockFrom)).toBe('2026-12-26');
    expect(formatDate(stages.rampTo)).toBe('2026-12-25');
    expect(formatDate(stages.contextFrom)).toBe('2026-12-15');
    expect(formatDate(stages.lastDaysFrom)).toBe('2027-01-07');
    expect(formatDate(stages.groundwork.to)).toBe('2026-11-27'); // 10 % of 46 is 4 days
  });

  it('give a third of the days to mocks when fewer than 42 remain', () => {
    const stages = layStages(date('2026-11-24'), date('2026-12-24')); // 30 days: 10 of mocks, 20 of ramp, 7 in context
    expect(formatDate(stages.mockFrom)).toBe('2026-12-14');
    expect(formatDate(stages.contextFrom)).toBe('2026-12-07');
  });

  it('keep the last third of what remains for context, at least a week, until 80 % holds', () => {
    const [began, zero] = [date('2026-11-24'), date('2027-01-09')];
    // on 6 December 20 days of ramp remain: the last 7; on 20 December 6 do: all of them
    expect(formatDate(layStages(began, zero, date('2026-12-06')).contextFrom)).toBe('2026-12-19');
    expect(formatDate(layStages(began, zero, date('2026-12-20')).contextFrom)).toBe('2026-12-20');
    expect(formatDate(layStages(began, zero, date('2026-12-06'), true).contextFrom)).toBe('2026-12-06');
  });

  it('never put context before the beginning, however few days there are', () => {
    for (let days = 0; days < 12; days += 1) {
      const stages = layStages(1000, 1000 + days);
      expect(stages.contextFrom).toBeGreaterThanOrEqual(1000);
      expect(stages.rampTo).toBeLessThan(1000 + days);
    }
  });

  it('refuse a round before the beginning', () => {
    expect(() => layStages(1000, 999)).toThrow(RangeError);
  });
});

const week: PracticeTime = {
  week: [
    { weekday: 2, start: '17:00', minutes: 75 },
    { weekday: 2, start: '19:30', minutes: 60 },
    { weekday: 6, minutes: 30 }
  ],
  exceptions: [
    { date: '2026-12-01', minutes: 40, why: 'school concert' },
    { date: '2026-12-05', minutes: 0, why: 'travel' }
  ],
  lessons: [{ weekday: 2, minutes: 45, isInside: false }],
  mocks: [{ date: '2026-11-24', minutes: 15, name: 'mock, alone' }],
  warmUpMin: 10,
  fundamentalsMin: 12
};

describe('the capacity of a day', () => {
  it('is the pattern less lesson, mock, warm-up, fundamentals and a break in each full hour', () => {
    // Tuesday 135 - 45 - 15 - 10 - 12 - 2 x 5 = 43
    const capacity = dayCapacity(date('2026-11-24'), week);
    expect(capacity.minutes).toBe(43);
    expect(capacity.parts.reduce((sum, part) => sum + part.minutes, 0)).toBe(43);
  });

  it('follows a dated exception instead of the pattern', () => {
    expect(dayCapacity(date('2026-12-01'), week).minutes).toBe(0); // 40 - 45 - 10 - 12 is below 0
    expect(dayCapacity(date('2026-12-05'), week)).toMatchObject({
      minutes: 0,
      parts: [{ what: 'travel', minutes: 0 }]
    });
  });

  it('is nothing on a weekday without minutes, whatever comes off first', () => {
    expect(dayCapacity(date('2026-11-25'), week).minutes).toBe(0);
  });

  it('keeps the minutes of a lesson that lies inside the pattern', () => {
    const inside = { ...week, mocks: [], lessons: [{ weekday: 2, minutes: 45, isInside: true }] };
    expect(dayCapacity(date('2026-11-24'), inside).minutes).toBe(103);
  });
});

describe('the minutes of a rung', () => {
  it('follow the waiting time for a run of clean attempts', () => {
    // p 0.7, N 3: (1 - 0.343) / (0.3 x 0.343) = 0.657 / 0.1029 = 6.3848
    expect(expectedAttempts(0.7, 3)).toBeCloseTo(6.3848, 4);
    expect(expectedAttempts(1, 3)).toBe(3);
    expect(expectedAttempts(0.2, 3)).toBe(12);
    expect(expectedAttempts(0, 3)).toBe(12);
  });

  it('are attempts x (one repetition + 10 s), rounded up, and two to set up', () => {
    // 6.3848 x (45 + 10) / 60 = 5.853 -> 6, + 2
    expect(rungMinutes(45, 0.7, 3)).toBe(8);
  });

  it('are dealt by the shape of the ramp, keeping their sum', () => {
    const bpm = [70, 80, 90, 100, 110, 120];
    const asked = [10, 10, 10, 10, 10, 10];
    const deal = (shape: Parameters<typeof rampProgress>[0]) =>
      dealMinutes(
        asked,
        bpm.map((b) => rampProgress(shape, 60, b, 120))
      );
    expect(deal('equal-bpm')).toEqual([10, 10, 10, 10, 10, 10]);
    // 60 x log2(70/60) = 13.34, (80) 24.90, (90) 35.10, (100) 44.22, (110) 52.47, 60
    expect(deal('equal-percent')).toEqual([13, 12, 10, 9, 8, 8]);
    const slow = deal('smaller-near-top');
    expect(slow.at(-1)).toBeGreaterThan(slow[0]!);
    expect(slow.reduce((a, b) => a + b)).toBe(60);
  });

  it('leave every rung at least a minute', () => {
    expect(dealMinutes([1, 1, 1], [0, 0, 1])).toEqual([1, 1, 1]);
  });
});

describe('a milestone', () => {
  it('falls on the day whose block completes the rung, and is open where minutes run out', () => {
    const allotments = [
      { day: 10, minutes: 12 },
      { day: 13, minutes: 12 },
      { day: 15, minutes: 12 }
    ];
    expect(dateRungs([8, 8, 8, 8, 8], allotments)).toEqual([10, 13, 13, 15, null]);
    expect(dateRungs([36], allotments)).toEqual([15]);
    expect(dateRungs([37], allotments)).toEqual([null]);
  });
});

describe('touches reserved first', () => {
  const stages = layStages(1000, 1060);
  it('come every four days for what holds, with a run a week in context', () => {
    const open = new Map(Array.from({ length: 60 }, (_, i) => [1000 + i, 30] as const));
    const touches = reserveTouches([{ id: 'a', rank: 0, seconds: 90, isHeld: true, stages }], 1000, open);
    const gaps = touches.slice(1).map((t, i) => t.day - touches[i]!.day);
    expect(Math.max(...gaps)).toBeLessThanOrEqual(4);
    expect(touches.some((t) => t.kind === 'run' && t.day >= stages.contextFrom)).toBe(true);
    expect(touches.at(-1)).toMatchObject({ day: 1058, kind: 'easy-run' });
  });

  it('slip by a day where theirs has no room, and stay away where none is near', () => {
    const open = new Map(
      Array.from(
        { length: 60 },
        (_, i) => [1000 + i, i === 4 || i === 5 || i === 3 || i % 4 !== 0 ? 30 : 0] as const
      )
    );
    const touches = reserveTouches([{ id: 'a', rank: 0, seconds: 90, isHeld: true, stages }], 1000, open);
    expect(touches.every((t) => (open.get(t.day) ?? 0) > 0)).toBe(true);
    expect(
      reserveTouches([{ id: 'a', rank: 0, seconds: 90, isHeld: true, stages }], 1000, new Map())
    ).toEqual([]);
  });

  it('last half as long again as the music and a minute, at least two', () => {
    // 45 s, 6 min, 22.5 min
    expect([30, 240, 900].map(touchMinutes)).toEqual([2, 7, 24]);
  });
});

const block = (id: string, more: object = {}) => ({
  id,
  minutes: 20,
  isWarm: false,
  isRun: false,
  wasMissed: false,
  clicksToGo: 3,
  ...more
});

describe('a day', () => {
  it('begins with something held, then what was missed, then the hardest, and ends with runs', () => {
    const ordered = orderBlocks([
      block('run', { isRun: true }),
      block('easy'),
      block('hard', { clicksToGo: 9 }),
      block('missed', { wasMissed: true }),
      block('warm', { isWarm: true })
    ]);
    expect(ordered.map((b) => b.id)).toEqual(['warm', 'missed', 'hard', 'easy', 'run']);
  });

  it('keeps two blocks of one item apart, however hard they are beside the others', () => {
    fc.assert(
      fc.property(fc.array(fc.nat(20), { minLength: 1, maxLength: 5 }), fc.nat(20), (others, hard) => {
        const twice = [block('a', { clicksToGo: hard }), block('a', { clicksToGo: hard })];
        const beside = others.map((clicksToGo, i) => block(`${i}`, { clicksToGo }));
        const ids = orderBlocks([...beside, ...twice]).map((b) => b.id);
        expect(ids.lastIndexOf('a') - ids.indexOf('a')).toBeGreaterThan(1);
        expect(ids).toHaveLength(others.length + 2);
      }),
      { seed: 11, numRuns: 200 }
    );
  });

  it('keeps what is played on one instrument together, the first in hand first, and goes on to the runs from the last', () => {
    const [second, third] = [{ instrument: 'piccolo' }, { instrument: 'alto flute' }];
    const ordered = orderBlocks([
      block('run', { isRun: true }),
      block('run of the piccolo', { isRun: true, ...second }),
      block('piccolo, hard', { clicksToGo: 9, ...second }),
      block('alto', { clicksToGo: 5, ...third }),
      block('warm', { isWarm: true }),
      block('hard', { clicksToGo: 7 }),
      block('piccolo, easy', { ...second })
    ]);
    expect(ordered.map((b) => b.id)).toEqual([
      ...['warm', 'hard', 'piccolo, hard', 'piccolo, easy', 'alto'],
      ...['run', 'run of the piccolo']
    ]);
    const inHand = orderBlocks([
      block('run of the first', { isRun: true }),
      block('run of the piccolo', { isRun: true, ...second }),
      block('hard', { clicksToGo: 7 }),
      block('piccolo', { ...second })
    ]);
    expect(inHand.map((b) => b.id)).toEqual(['hard', 'piccolo', 'run of the piccolo', 'run of the first']);
  });

  it('loses none and doubles none, whatever they are played on', () => {
    const some = fc.record({
      instrument: fc.constantFrom('', 'piccolo', 'alto flute'),
      isRun: fc.boolean(),
      isWarm: fc.boolean(),
      clicksToGo: fc.nat(9)
    });
    fc.assert(
      fc.property(fc.array(some, { maxLength: 9 }), (given) => {
        const blocks = given.map((one, i) => block(`${i}`, one));
        const ordered = orderBlocks(blocks);
        expect(ordered.map((b) => b.id).sort()).toEqual(blocks.map((b) => b.id).sort());
        // among work each instrument is taken up once
        const worked = ordered.filter((b) => !b.isRun).map((b) => given[Number(b.id)]!.instrument);
        const taken = worked.filter((instrument, i) => instrument !== worked[i - 1]);
        expect(taken).toEqual([...new Set(taken)]);
      }),
      { seed: 12, numRuns: 200 }
    );
  });

  it('has blocks no longer than twenty-five minutes', () => {
    expect(splitBlocks(50)).toEqual([25, 25]);
    expect(splitBlocks(26)).toEqual([13, 13]);
    expect(splitBlocks(8)).toEqual([8]);
  });

  it('has clock times after warm-up and fundamentals, a break each hour, and a second span when the first is full', () => {
    const spans = [
      { start: '17:00', minutes: 60 },
      { start: '19:30', minutes: 30 }
    ];
    // 15 min first: 17:15, 17:35, then 5 left in the span: 19:30
    expect(startTimes([{ minutes: 20 }, { minutes: 20 }, { minutes: 20 }], spans, 15)).toEqual([
      1035, 1055, 1170
    ]);
    expect(startTimes([{ minutes: 20 }], [{ minutes: 60 }], 15)).toEqual([null]);
  });
});

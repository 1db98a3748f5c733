import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Touch } from '../practice';
import { dayOf, formatDate } from '../units';
import { laySeason } from './lay';
import { compareLayings } from './moves';
import type { SeasonItem, SeasonRequest } from './request';
import type { SeasonPlan } from './plan';

const TODAY = '2026-11-24';

function etude(id: string, targetBpm: number, bars = 16, more: Partial<SeasonItem> = {}): SeasonItem {
  return {
    id,
    name: `Study ${id}`,
    kind: 'etude',
    metre: '4/4',
    fromBar: 1,
    toBar: bars,
    sections: [
      { id: `${id}-1`, fromBar: 1, toBar: bars, tempo: { kind: 'pulse', unit: 'quarter', targetBpm } }
    ],
    ...more
  };
}

function request(items: SeasonItem[], more: Partial<SeasonRequest> = {}, minutesADay = 60): SeasonRequest {
  return {
    today: TODAY,
    rounds: [{ id: 'r', name: 'first round', date: '2027-01-23', zone: 'Europe/Brussels' }],
    items,
    time: {
      week: [1, 2, 4, 6, 7].map((weekday) => ({ weekday, minutes: minutesADay })),
      exceptions: [],
      lessons: [],
      mocks: [],
      warmUpMin: 10,
      fundamentalsMin: 5
    },
    log: [],
    ...more
  };
}

function clean(
  itemId: string,
  date: string,
  tempoBpm: number,
  minutes: number,
  more: Partial<Touch> = {}
): Touch {
  return { id: `${itemId}${date}`, itemId, date, minutes, tempoBpm, attempts: 'ncnccc', ...more };
}

const dates = (plan: SeasonPlan, itemId: string) =>
  plan.items.find((i) => i.id === itemId)!.rungs.map((r) => r.date);

/** What must be true of every plan. */
function expectSound(plan: SeasonPlan, items: readonly SeasonItem[]): void {
  for (const day of plan.days) {
    const room = day.capacityMin;
    expect(day.plannedMin, day.date).toBeLessThanOrEqual(room);
    expect(day.blocks.every((b) => b.minutes <= 25)).toBe(true);
  }
  for (const item of plan.items) {
    const practised = plan.days.filter((d) =>
      d.blocks.some((b) => b.itemId === item.id && b.kind === 'ladder')
    );
    const minutes = plan.agreed.allotments
      .filter((a) => a.itemId === item.id && a.kind === 'ladder')
      .reduce((sum, a) => sum + a.minutes, 0);
    if (item.state === 'climbing') expect(minutes + item.shortMin + item.leftOutMin).toBe(item.askedMin);
    for (const rung of item.rungs) if (rung.date) expect(practised.map((d) => d.date)).toContain(rung.date);
    const dated = item.rungs.map((r) => r.date).filter((d) => d !== null);
    expect(dated).toEqual([...dated].sort());
    for (const section of item.sections) {
      const top = item.rungs.filter((r) => r.sectionId === section.id).at(-1);
      if (top) expect(top.bpm).toBe(section.targetBpm);
    }
    const most = items.find((i) => i.id === item.id)!.mostPerDayMin ?? 50;
    for (const day of practised) {
      expect(
        day.blocks
          .filter((b) => b.itemId === item.id && b.kind === 'ladder')
          .reduce((sum, b) => sum + b.minutes, 0)
      ).toBeLessThanOrEqual(most);
    }
  }
}

describe('a plan', () => {
  it('starts at half the target where nothing holds, and reaches it before the mock window', () => {
    const items = [etude('a', 96)];
    const plan = laySeason(request(items));
    expectSound(plan, items);
    const [a] = plan.items;
    expect(a!.rungs.map((r) => r.bpm)).toEqual([
      48, 50, 52, 54, 56, 58, 60, 63, 66, 69, 72, 76, 80, 84, 88, 92, 96
    ]);
    // 16 bars of four at 48 last 80 s; 6.3848 x 90 / 60 = 9.58 -> 10, + 2
    expect(a!.rungs[0]).toMatchObject({
      minutes: 12,
      seconds: 80,
      attempts: 6.38,
      click: { bpm: 48, unit: 'quarter' }
    });
    expect(a!.rungs.at(-1)!.date! <= plan.stages!.rampTo).toBe(true);
    expect(a!.clicksToGo).toBe(16);
    expect(a!.heldShare).toBeNull();
    expect(a!.sections[0]!.says).toBe('no evidence for bars 1–16');
    expect(plan.daysToGo).toBe(60);
  });

  it('has the rungs below 80 % done before context begins', () => {
    const plan = laySeason(request([etude('a', 96, 32), etude('b', 120, 24)]));
    expect(plan.short).toBeNull();
    for (const item of plan.items) {
      for (const rung of item.rungs) {
        if (rung.bpm < 0.8 * item.sections[0]!.targetBpm!)
          expect(rung.date! < plan.stages!.contextFrom).toBe(true);
      }
    }
  });

  it('starts from what holds, and from one click lower when that has aged', () => {
    const fresh = laySeason(request([etude('a', 96)], { log: [clean('a', '2026-11-20', 80, 12)] }));
    expect(fresh.items[0]!.rungs.map((r) => r.bpm)).toEqual([84, 88, 92, 96]);
    expect(fresh.items[0]!.heldShare).toBeCloseTo(0.833, 3);
    const aged = laySeason(request([etude('a', 96)], { log: [clean('a', '2026-11-01', 80, 12)] }));
    expect(aged.items[0]!.sections[0]!.held!.isAged).toBe(true);
    expect(aged.items[0]!.rungs.map((r) => r.bpm)).toEqual([80, 84, 88, 92, 96]);
  });

  it('keeps warm what holds at target: no ladder, a touch every few days', () => {
    const plan = laySeason(request([etude('a', 96)], { log: [clean('a', '2026-11-20', 96, 12)] }));
    expect(plan.items[0]).toMatchObject({ state: 'holds', rungs: [], askedMin: 0 });
    const touched = plan.days.filter((d) => d.blocks.length > 0).map((d) => dayOf(d.date));
    expect(touched.length).toBeGreaterThan(10);
  });

  it('climbs the section furthest from its target first, and shows it as the item’s', () => {
    const twoTempos = etude('a', 60, 33, {
      sections: [
        { id: 'slow', fromBar: 1, toBar: 16, tempo: { kind: 'pulse', unit: 'quarter', targetBpm: 60 } },
        { id: 'fast', fromBar: 17, toBar: 33, tempo: { kind: 'pulse', unit: 'quarter', targetBpm: 144 } }
      ]
    });
    const log = [
      clean('a', '2026-11-20', 54, 12, { fromBar: 1, toBar: 16 }),
      clean('a', '2026-11-21', 108, 12, { fromBar: 17, toBar: 33 })
    ];
    const plan = laySeason(request([twoTempos], { log }));
    expect(plan.items[0]!.slowestSectionId).toBe('fast'); // 0.75 against 0.9
    expect(plan.items[0]!.heldShare).toBe(0.75);
    expect(plan.items[0]!.rungs.map((r) => r.bpm)).toEqual([112, 116, 120, 126, 132, 56, 138, 58, 60, 144]);
  });

  it('gives free sections and sight-reading minutes a week, no click', () => {
    const sight: SeasonItem = { ...etude('s', 60), sections: [], kind: 'sight-reading', minutesPerWeek: 20 };
    const plan = laySeason(request([sight]));
    expect(plan.items[0]).toMatchObject({ state: 'minutes', rungs: [], clicksToGo: null });
    const whole = plan.days.filter((d) => d.date >= '2026-12-05' && d.date <= '2026-12-11');
    expect(whole.reduce((sum, d) => sum + d.plannedMin, 0)).toBe(20);
  });

  it('counts an item back from the earliest round that hears it, and keeps it warm until the next', () => {
    const rounds = [
      { id: 'r1', name: 'first round', date: '2027-01-09', zone: 'Europe/Brussels', itemIds: ['a'] },
      { id: 'r2', name: 'final', date: '2027-01-30', zone: 'Europe/Brussels' }
    ];
    const plan = laySeason(request([etude('a', 72), etude('b', 72)], { rounds }));
    expect(plan.items.map((i) => i.dayZero)).toEqual(['2027-01-09', '2027-01-30']);
    expect(plan.days.some((d) => d.date > '2027-01-09' && d.blocks.some((b) => b.itemId === 'a'))).toBe(true);
    expect(plan.days.find((d) => d.date === '2027-01-09')!.plannedMin).toBe(0);
  });

  it('uses the days of the mock window for what is still missing once it has opened, but not the last two', () => {
    const rounds = [{ id: 'r', name: 'first round', date: '2026-12-04', zone: 'Europe/Brussels' }];
    const log = [clean('a', '2026-11-20', 66, 12)];
    const plan = laySeason(request([etude('a', 72)], { rounds, log, began: '2026-10-01' }));
    expect(plan.stages!.rampTo).toBe('2026-11-19');
    expect(plan.short).toBeNull();
    expect(plan.items[0]!.rungs.map((r) => r.bpm)).toEqual([69, 72]);
    expect(dates(plan, 'a').every((d) => d! >= TODAY && d! < '2026-12-02')).toBe(true);
  });

  it('is history when every round is past', () => {
    const rounds = [{ id: 'r', name: 'first round', date: '2026-10-01', zone: 'Europe/Brussels' }];
    const plan = laySeason(request([etude('a', 72)], { rounds }));
    expect(plan).toMatchObject({ daysToGo: null, stages: null, days: [], weeks: [], short: null });
    expect(plan.items[0]).toMatchObject({ state: 'past', rungs: [] });
  });

  it('says what does not fit, in minutes, and leaves its rungs without a date', () => {
    const items = [etude('a', 144, 120), etude('b', 144, 120)];
    const plan = laySeason(request(items, {}, 40));
    expectSound(plan, items);
    expect(plan.short!.minutes).toBe(plan.items.reduce((sum, i) => sum + i.shortMin, 0));
    expect(plan.short!.items.map((i) => i.itemId)).toEqual(['b']);
    expect(dates(plan, 'b').at(-1)).toBeNull();
    expect(plan.short!.reasons[0]!.says).toMatch(
      /^From 24 November .* Study a and Study b need \d+ minutes; there are \d+/
    );
  });

  it('with no minutes at all dates nothing and is short of everything', () => {
    const plan = laySeason(request([etude('a', 96)], {}, 0));
    expect(plan.short!.minutes).toBe(plan.items[0]!.askedMin);
    expect(dates(plan, 'a').every((d) => d === null)).toBe(true);
  });

  it('flags a week that asks for more than a fifth above the two before', () => {
    const log = [clean('a', '2026-11-10', 60, 20), clean('a', '2026-11-17', 60, 20)];
    // weeks from Saturday 7 and 14 November had 20 minutes each; the week from 21 November may have 24
    const plan = laySeason(request([etude('a', 144, 80)], { log }));
    expect(plan.weeks[0]!.plannedMin).toBeGreaterThan(24);
    expect(plan.weeks[0]!.isJump).toBe(true);
    expect(laySeason(request([etude('a', 144, 40)])).weeks[0]!.isJump).toBe(false); // nothing practised yet to compare with
  });
});

describe('laying it again', () => {
  const items = [etude('a', 96, 24), etude('b', 120, 20), etude('c', 80, 16)];
  const first = laySeason(request(items, { began: TODAY }));
  const later = (today: string, log: Touch[], more: Partial<SeasonRequest> = {}) =>
    laySeason(request(items, { began: TODAY, today, log, previous: first.agreed, ...more }));

  it('changes nothing dated when the log equals the day’s plan', () => {
    const log: Touch[] = [];
    let plan = first;
    for (const date of ['2026-11-24', '2026-11-25', '2026-11-26']) {
      plan = laySeason(request(items, { began: TODAY, today: date, log, previous: plan.agreed }));
      const day = plan.days.find((d) => d.date === date)!;
      for (const id of new Set(day.blocks.filter((b) => b.kind === 'ladder').map((b) => b.itemId))) {
        const item = plan.items.find((i) => i.id === id)!;
        const minutes = day.blocks
          .filter((b) => b.itemId === id && b.kind === 'ladder')
          .reduce((sum, b) => sum + b.minutes, 0);
        const reached = item.rungs.filter((r) => r.date === date).at(-1);
        const at = reached?.bpm ?? item.rungs[0]!.bpm;
        log.push({
          id: `${id}${date}`,
          itemId: id,
          date,
          minutes,
          tempoBpm: at,
          attempts: reached ? 'cncnccc' : 'cncn'
        });
      }
    }
    const moved = compareLayings(
      first,
      laySeason(request(items, { began: TODAY, today: '2026-11-26', log, previous: plan.agreed }))
    );
    expect(moved.filter((m) => m.why !== 'holds')).toEqual([]);
    expect(moved.length).toBeGreaterThan(0);
  });

  it('after a missed day asks for its minutes later and keeps what was agreed elsewhere', () => {
    const again = later('2026-11-25', []);
    const missed = first.days[0]!.blocks.filter((b) => b.kind === 'ladder').map((b) => b.itemId);
    expect(missed.length).toBeGreaterThan(0);
    const moves = compareLayings(first, again);
    expect(moves.every((m) => missed.includes(m.itemId))).toBe(true);
    const kept = first.agreed.allotments.filter((a) => a.date >= '2026-11-25');
    const still = kept.filter((a) =>
      again.agreed.allotments.some(
        (b) => b.itemId === a.itemId && b.date === a.date && b.minutes >= a.minutes
      )
    );
    expect(still.length / kept.length).toBeGreaterThan(0.9);
  });

  it('says why a rung moved', () => {
    const log = [clean('a', TODAY, 63, 15)];
    const moves = compareLayings(first, later(TODAY, log));
    expect(moves.filter((m) => m.why === 'holds').map((m) => m.bpm)).toEqual([
      48, 50, 52, 54, 56, 58, 60, 63
    ]);
    const missed = compareLayings(first, later('2026-11-28', []));
    expect(missed.some((m) => m.why === 'not-reached')).toBe(true);
  });

  it('counts minutes already worked at a rung, and asks again when they were used up in vain', () => {
    const [rung] = first.items[0]!.rungs;
    const some = later(TODAY, [clean('a', TODAY, 48, 5, { attempts: 'cn' })]);
    expect(some.items[0]!.rungs[0]!.minutesDone).toBe(5);
    const all = later(TODAY, [clean('a', TODAY, 48, rung!.minutes, { attempts: 'cn' })]);
    expect(all.items[0]!.rungs[0]!.minutesDone).toBe(0);
  });

  it('never moves a pin set by hand', () => {
    const pins = [{ itemId: 'c', date: '2026-12-05', minutes: 22 }];
    const pinned = later(TODAY, [], { pins });
    expect(pinned.agreed.allotments).toContainEqual({
      itemId: 'c',
      kind: 'ladder',
      date: '2026-12-05',
      minutes: 22
    });
  });

  it('reaches a rung pinned to a day on it, also where a longer block is pinned there', () => {
    const rung = first.items[0]!.rungs[6]!;
    const set = { itemId: 'a', sectionId: rung.sectionId, bpm: rung.bpm, date: '2026-12-15' };
    const pins = [set, { itemId: 'a', date: '2026-12-15', minutes: 28 }];
    for (const asked of [[set], pins]) {
      const plan = later(TODAY, [], { pins: asked });
      expect(plan.items[0]!.rungs[6]).toMatchObject({ date: '2026-12-15', pinnedTo: '2026-12-15' });
      expect(plan.items[0]!.rungs[7]!.date! > '2026-12-15').toBe(true);
    }
    const there = later(TODAY, [], { pins }).agreed.allotments.find(
      (a) => a.itemId === 'a' && a.date === '2026-12-15'
    );
    expect(there!.minutes).toBeGreaterThanOrEqual(28);
  });
});

describe('sections with a day each', () => {
  it('are climbed one after the other, each to its day, whatever the order of their shares', () => {
    const part = (id: string, fromBar: number, toBar: number, targetBpm: number, dueOn?: string) => ({
      id,
      fromBar,
      toBar,
      tempo: { kind: 'pulse' as const, unit: 'quarter' as const, targetBpm },
      dueOn
    });
    const long = etude('long', 96, 48, {
      sections: [
        part('a', 1, 16, 96, '2026-12-12'),
        part('b', 17, 32, 96, '2026-12-01'),
        part('c', 33, 48, 96)
      ]
    });
    const { rungs } = laySeason(request([long], {}, 90)).items[0]!;
    const lastOf = (id: string) => rungs.findLast((r) => r.sectionId === id)!;
    expect(lastOf('b')).toMatchObject({ bpm: 96, date: '2026-12-01', pinnedTo: '2026-12-01' });
    expect(lastOf('a')).toMatchObject({ bpm: 96, date: '2026-12-12' });
    expect(rungs.map((r) => r.sectionId).join('')).toMatch(/^b+a+c+$/);
  });
});

describe('a fortnight away', () => {
  const off = Array.from({ length: 14 }, (_, i) => ({
    date: formatDate(dayOf('2026-12-01') + i),
    minutes: 0
  }));
  const away = (today: string, log: Touch[]) =>
    laySeason(
      request([etude('reeds', 96)], {
        today,
        began: TODAY,
        log,
        time: { ...request([]).time, exceptions: off }
      })
    );

  it('starts two clicks below what held, until something holds again', () => {
    // 84 held before; two clicks down the scale: 80, 76
    const held = clean('reeds', '2026-11-30', 84, 10);
    expect(away('2026-12-10', [held]).items[0]!.sections[0]!.startBpm).toBe(84);
    expect(away('2026-12-15', [held]).items[0]!.sections[0]!.startBpm).toBe(76);
    const again = clean('reeds', '2026-12-16', 80, 10);
    expect(away('2026-12-17', [held, again]).items[0]!.sections[0]!.startBpm).toBe(80);
  });

  it('has nothing planned in it and a light week after it', () => {
    const plan = away(TODAY, []);
    const day = (date: string) => plan.days.find((d) => d.date === date)!;
    expect(day('2026-12-05').plannedMin).toBe(0);
    // Tuesday the 15th: 60 - 10 - 5 - 5 of break = 40, three fifths are 24
    expect(day('2026-12-15').capacityMin).toBe(24);
  });
});

describe('a whole run', () => {
  it('at so low a share that no click can say a section’s tempo leaves that section to be shown from the slowest click', () => {
    // 40 of 152 is 26 %: of 48 that is 12.6, and the slowest quarter is 20 (40 eighths)
    const item = etude('two', 152, 16, {
      sections: [
        { id: 'fast', fromBar: 1, toBar: 8, tempo: { kind: 'pulse', unit: 'quarter', targetBpm: 152 } },
        { id: 'slow', fromBar: 9, toBar: 16, tempo: { kind: 'pulse', unit: 'quarter', targetBpm: 48 } }
      ]
    });
    const plan = laySeason(request([item], { log: [clean('two', '2026-11-22', 40, 10)] }));
    const rungs = plan.items[0]!.rungs.filter((r) => r.sectionId === 'slow');
    expect(rungs[0]!.bpm).toBe(20);
    expect(rungs.at(-1)!.bpm).toBe(48);
  });
});

describe('every plan, over seeded random studios', () => {
  const random = fc.record({
    bars: fc.array(fc.integer({ min: 4, max: 60 }), { minLength: 1, maxLength: 7 }),
    days: fc.integer({ min: 1, max: 150 }),
    minutes: fc.array(fc.integer({ min: 0, max: 120 }), { minLength: 7, maxLength: 7 }),
    held: fc.integer({ min: 0, max: 110 })
  });

  it('exceeds no day, dates rungs on practised days, ends on target, and accounts for every minute', () => {
    fc.assert(
      fc.property(random, ({ bars, days, minutes, held }) => {
        const items = bars.map((n, i) => etude(`i${i}`, 60 + 12 * i, n));
        const log = held > 20 ? [clean('i0', '2026-11-20', held, 10)] : [];
        const rounds = [
          { id: 'r', name: 'round', date: formatDate(dayOf(TODAY) + days), zone: 'Europe/Brussels' }
        ];
        const time = { ...request([]).time, week: minutes.map((m, i) => ({ weekday: i + 1, minutes: m })) };
        const asked = request(items, { rounds, log, time });
        const plan = laySeason(asked);
        expectSound(plan, items);
        expect(JSON.stringify(laySeason(asked))).toBe(JSON.stringify(plan));
        const tomorrow = formatDate(dayOf(TODAY) + 1);
        expectSound(laySeason({ ...asked, today: tomorrow, began: TODAY, previous: plan.agreed }), items);
      }),
      { seed: 19, numRuns: 120 }
    );
  });
});

import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { TODAY, clean, dates, etude, request, roundOn } from '../../../../../tests/fixtures/etude-season';
import type { Touch } from '../../practice';
import { dayOf, formatDate } from '../../units';
import { laySeason } from './lay';
import type { SeasonItem } from '../facts/request';
import type { SeasonPlan } from '../laid/plan';

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

  it('begins on its first day, however few minutes a day it asks', () => {
    for (const count of [1, 2, 3])
      for (const bars of [8, 40])
        for (const minutesADay of [20, 45, 180])
          for (const end of ['2026-12-20', '2027-04-01']) {
            const items = ['a', 'b', 'c'].slice(0, count).map((id) => etude(id, 132, bars));
            const { days } = laySeason(request(items, { rounds: [roundOn(end)] }, minutesADay));
            expect([count, bars, minutesADay, end, days[0]!.blocks.length]).not.toContain(0);
          }
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

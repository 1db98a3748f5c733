import { describe, expect, it } from 'vitest';
import { TODAY, clean, etude, request } from '../../../../../tests/fixtures/etude-season';
import type { Touch } from '../../practice';
import { laySeason } from './lay';
import { compareLayings } from '../laid/moves';
import type { SeasonRequest } from '../facts/request';

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

  it('puts nothing first of a day that was stopped for pain', () => {
    const next = '2026-11-26';
    const on = (plan: typeof first) => plan.days.find((d) => d.date === next)!.blocks.map((b) => b.itemId);
    // a was for today, c for the next day
    expect([first.days[0]!.blocks[0]!.itemId, on(first)]).toEqual(['a', ['c']]);
    expect(on(later(next, []))).toEqual(['a', 'c']);
    expect(on(later(next, [], { hurtDays: [TODAY] }))).toEqual(['c']);
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

  it('counts minutes already worked at a rung, and not as done what was used up in vain', () => {
    const [rung] = first.items[0]!.rungs;
    const some = later(TODAY, [clean('a', TODAY, 48, 5, { attempts: 'cn' })]);
    expect(some.items[0]!.rungs[0]!.minutesDone).toBe(5);
    const all = later(TODAY, [clean('a', TODAY, 48, rung!.minutes, { attempts: 'cn' })]);
    expect(all.items[0]!.rungs[0]!.minutesDone).toBe(rung!.minutes - 1);
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

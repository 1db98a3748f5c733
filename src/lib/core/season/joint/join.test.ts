/** Several auditions of one candidate, by hand-worked cases. */
import { describe, expect, it } from 'vitest';
import { type Part, joinAuditions } from './join';
import { laySeason } from '../lay/lay';
import type { SeasonItem, SeasonRequest } from '../facts/request';
import { namesFor, viewOf } from './view';
import { randomSeason } from '../../../../../tests/fixtures/random-season';
import { etude, freeTime } from '../../../../../tests/fixtures/etude-season';

const TODAY = '2026-11-24';

const work = (id: string, name: string, targetBpm: number, more: Partial<SeasonItem> = {}) =>
  etude(id, targetBpm, 24, { name, ...more });

function part(id: string, date: string, items: SeasonItem[], more: Partial<SeasonRequest> = {}): Part {
  return {
    auditionId: id,
    name: `Audition ${id}`,
    request: {
      today: TODAY,
      began: TODAY,
      rounds: [{ id: `${id}-r`, name: 'round', date, zone: 'Europe/Brussels' }],
      items,
      time: freeTime(40),
      log: [],
      ...more
    }
  };
}

const FIRST = '2027-01-09';
const SECOND = '2027-03-06';
const layAll = (...parts: Part[]) => {
  const joint = joinAuditions(parts);
  const plan = laySeason({ ...joint.request, countsDownTo: joint.live[0]!.request.rounds.map((r) => r.id) });
  return { joint, plan };
};
const blocksOf = (plan: ReturnType<typeof layAll>['plan'], itemId: string) =>
  plan.days.flatMap((day) =>
    day.blocks.filter((b) => b.itemId === itemId).map((b) => ({ ...b, date: day.date }))
  );

describe('a work on two lists', () => {
  const two = () =>
    layAll(part('B', SECOND, [work('b', 'Gate song', 72)]), part('A', FIRST, [work('a', 'Gate song ', 72)]));

  it('is one item, governed by the earliest date and heard by both', () => {
    const { joint, plan } = two();
    expect(joint.request.items.map((i) => i.id)).toEqual(['a']);
    expect(joint.request.rounds.map((r) => r.itemIds)).toEqual([['a'], ['a']]);
    expect(plan.items[0]!.dayZero).toBe(FIRST);
    expect(plan.items[0]!.rungs.every((rung) => rung.date! < FIRST)).toBe(true);
  });

  it('is kept warm between the dates, every four days or with a run a week, and retired after the last', () => {
    const { plan } = two();
    const between = blocksOf(plan, 'a').filter((b) => b.date > FIRST);
    expect(between.length).toBeGreaterThan(10);
    expect(between.every((b) => ['keep-warm', 'run', 'easy-run'].includes(b.kind) && b.date < SECOND)).toBe(
      true
    );
    expect(plan.days.at(-1)!.date < SECOND).toBe(true);
  });

  it('stands under its own id where the later audition looks at it', () => {
    const { joint, plan } = two();
    const seen = viewOf(plan, namesFor(joint, 'B'));
    expect(seen.items[0]).toMatchObject({
      id: 'b',
      sections: [{ id: 'b-1' }],
      broughtBy: { auditionId: 'A', isShared: true }
    });
    expect(seen.days.flatMap((d) => d.blocks).every((b) => b.itemId === 'b')).toBe(true);
    expect(viewOf(plan, namesFor(joint, 'A')).items[0]!.broughtBy).toBeUndefined();
  });

  it('counts what was logged under either as one evidence', () => {
    const touch = { id: 't', itemId: 'b', date: '2026-11-23', minutes: 10, tempoBpm: 60, attempts: 'ccc' };
    const { plan } = layAll(
      part('A', FIRST, [work('a', 'Gate song', 72)]),
      part('B', SECOND, [work('b', 'Gate song', 72)], { log: [touch] })
    );
    expect(plan.items[0]!.sections[0]!.held?.bpm).toBe(60);
  });

  it('holds what was said of it on either list, the latest where both say it', () => {
    const says = (id: string, bpm: number, on: string) =>
      ({ sectionId: `${id}-1`, bpm, unit: 'quarter', evidence: 'self', on }) as const;
    const heldOf = (first: string, second: string) =>
      layAll(
        part('A', FIRST, [work('a', 'Gate song', 72, { holdsNow: [says('a', 50, first)] })]),
        part('B', SECOND, [work('b', 'Gate song', 72, { holdsNow: [says('b', 56, second)] })])
      ).plan.items[0]!.sections[0]!.held;
    expect(heldOf('2026-11-20', '2026-11-22')).toMatchObject({ bpm: 56, on: '2026-11-22' });
    expect(heldOf('2026-11-23', '2026-11-22')).toMatchObject({ bpm: 50, on: '2026-11-23' });
  });

  it('keeps its evidence when the first of its auditions is over', () => {
    const touch = { id: 't', itemId: 'a', date: '2026-11-20', minutes: 10, tempoBpm: 66, attempts: 'ccc' };
    const { joint, plan } = layAll(
      part('A', '2026-11-21', [work('a', 'Gate song', 72)], { log: [touch] }),
      part('B', SECOND, [work('b', 'Gate song', 72)])
    );
    expect(joint.live.map((p) => p.auditionId)).toEqual(['B']);
    expect(plan.items[0]).toMatchObject({ id: 'b', sections: [{ held: { bpm: 66 } }] });
  });
});

describe('a work on two lists with different tempos or cuts', () => {
  it('that the later list asks faster is climbed on after the earlier date, from the tempo that holds by then', () => {
    const { plan } = layAll(
      part('A', FIRST, [work('a', 'Gate song', 72)]),
      part('B', SECOND, [work('b', 'Gate song', 96)])
    );
    const [first, later] = ['a', 'b'].map((id) => plan.items.find((i) => i.id === id)!);
    expect(first!.rungs.at(-1)).toMatchObject({ bpm: 72 });
    expect(first!.rungs.every((rung) => rung.date! < FIRST)).toBe(true);
    // settings between 72 and 96: 76 80 84 88 92
    expect(later!.rungs.map((rung) => rung.bpm)).toEqual([76, 80, 84, 88, 92, 96]);
    expect(later!.rungs.every((rung) => rung.date! >= FIRST && rung.date! < SECOND)).toBe(true);
  });

  it('that the later list asks slower needs nothing more: it is the same item', () => {
    const { joint } = layAll(
      part('A', FIRST, [work('a', 'Gate song', 96)]),
      part('B', SECOND, [work('b', 'Gate song', 72)])
    );
    expect(joint.request.items.map((i) => i.id)).toEqual(['a']);
  });

  it('compares tempos of different beat units by their speed', () => {
    const eighths = { kind: 'pulse', unit: 'eighth', targetBpm: 140 } as const; // quarter 70
    const later = work('b', 'Gate song', 1, {
      sections: [{ id: 'b-1', fromBar: 1, toBar: 24, tempo: eighths }]
    });
    const { joint } = layAll(part('A', FIRST, [work('a', 'Gate song', 72)]), part('B', SECOND, [later]));
    expect(joint.request.items.map((i) => i.id)).toEqual(['a']);
  });

  it('of which the earlier hears a cut only stays an item of its own for the later, with the evidence shared', () => {
    const touch = { id: 't', itemId: 'b', date: '2026-11-23', minutes: 10, tempoBpm: 60, attempts: 'ccc' };
    const { joint, plan } = layAll(
      part('A', FIRST, [work('a', 'Gate song', 72, { cuts: [{ fromBar: 1, toBar: 8 }] })]),
      part('B', SECOND, [work('b', 'Gate song', 72)], { log: [touch] })
    );
    expect(joint.request.items.map((i) => i.id)).toEqual(['a', 'b']);
    expect(plan.items.map((i) => [i.id, i.sections[0]!.toBar, i.sections[0]!.held?.bpm])).toEqual([
      ['a', 8, 60],
      ['b', 24, 60]
    ]);
  });
});

describe('two auditions on the same days', () => {
  const long = (id: string) => {
    const tempo = { kind: 'pulse', unit: 'quarter', targetBpm: 60 } as const;
    const sections = [{ id: `${id}-s`, fromBar: 1, toBar: 90, tempo }];
    return work(id, `Study ${id}`, 60, { toBar: 90, sections });
  };

  it('share the minutes: each fits by itself, both together do not, and the reason names both', () => {
    const [a, b] = [part('A', FIRST, [long('a')]), part('B', '2027-01-16', [long('b')])];
    expect(laySeason(a.request).short).toBeNull();
    expect(laySeason(b.request).short).toBeNull();
    const { plan } = layAll(a, b);
    expect(plan.short!.items.map((i) => i.itemId)).toEqual(['b']);
    expect(plan.short!.reasons[0]!.itemIds).toEqual(['a', 'b']);
    for (const day of plan.days) expect(day.plannedMin).toBeLessThanOrEqual(day.capacityMin);
  });

  it('count down to their own round each, on the same blocks', () => {
    const [a, b] = [part('A', FIRST, [work('a', 'One', 72)]), part('B', SECOND, [work('b', 'Two', 72)])];
    const { request } = joinAuditions([a, b]);
    const [first, second] = [a, b].map(({ request: own }) =>
      laySeason({ ...request, countsDownTo: own.rounds.map((r) => r.id) })
    );
    expect([first!.daysToGo, second!.daysToGo]).toEqual([46, 102]);
    expect(first!.days.map((d) => d.blocks)).toEqual(second!.days.map((d) => d.blocks));
    expect(first!.agreed).toEqual(second!.agreed);
    expect(second!.nextRoundId).toBe('B-r');
  });

  it('keep their mocks, and each item its own audition’s beginning', () => {
    const mocks = [{ date: '2026-12-01', minutes: 20, name: 'mock' }];
    const a = part('A', FIRST, [work('a', 'One', 72)], { began: '2026-10-01' });
    const b = part('B', SECOND, [work('b', 'Two', 72)]);
    const withMock: Part = { ...b, request: { ...b.request, time: { ...b.request.time, mocks } } };
    const { request } = joinAuditions([a, withMock]);
    expect(request.time.mocks).toEqual(mocks);
    expect(request.items.map((i) => i.began)).toEqual(['2026-10-01', TODAY]);
  });
});

describe('any two auditions', () => {
  it('are laid within the minutes of every day, the same whichever of them is looked at, with nobody’s block', () => {
    const seeds = [1, 2, 3, 5, 6, 7, 9, 10, 11, 13, 14, 15, 17, 18, 19, 21, 22, 23];
    let shared = 0;
    for (const seed of seeds) {
      const parts = (['A', 'B'] as const).map((name, i) => named(name, randomSeason(seed + 300 * i), seed));
      const joint = joinAuditions(parts);
      expect(joinAuditions([...parts].reverse()).request).toEqual(joint.request);
      shared += joint.twins.size;
      const plans = joint.live.map((p) =>
        laySeason({ ...joint.request, countsDownTo: p.request.rounds.map((r) => r.id) })
      );
      for (const plan of plans) {
        expect(plan.days).toEqual(plans[0]!.days);
        for (const day of plan.days) expect(day.plannedMin).toBeLessThanOrEqual(day.capacityMin);
      }
      joint.live.forEach((p, i) => {
        const seen = viewOf(plans[i]!, namesFor(joint, p.auditionId));
        const ids = seen.items.map((item) => item.id);
        expect(new Set(ids).size).toBe(ids.length);
        expect(ids).toEqual(expect.arrayContaining(p.request.items.map((item) => item.id)));
        for (const block of seen.days.flatMap((day) => day.blocks)) expect(ids).toContain(block.itemId);
      });
    }
    expect(shared).toBeGreaterThan(10);
  });
});

/** A random season as one audition of two: every second work has a name that the other has too. */
function named(auditionId: string, season: SeasonRequest, seed: number): Part {
  const id = (text: string) => `${auditionId}${text}`;
  const items = season.items.map((item, k) => ({
    ...item,
    id: id(item.id),
    name: k % 2 === 0 ? `Study ${k}` : id(item.name),
    sections: item.sections.map((s) => ({ ...s, id: id(s.id) })),
    cuts: (seed + k) % 5 === 0 && item.toBar > 8 ? [{ fromBar: 2, toBar: 6 }] : undefined
  }));
  const request: SeasonRequest = {
    ...season,
    items,
    schools: undefined,
    time: { ...randomSeason(seed).time, mocks: season.time.mocks },
    rounds: season.rounds.map((r) => ({ ...r, id: id(r.id), itemIds: r.itemIds?.map(id) })),
    log: season.log.map((t) => ({ ...t, id: id(t.id), itemId: id(t.itemId) }))
  };
  return { auditionId, name: `Audition ${auditionId}`, request };
}

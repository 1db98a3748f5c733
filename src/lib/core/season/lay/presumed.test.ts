import { describe, expect, it } from 'vitest';
import { randomSeasons } from '../../../../../tests/fixtures/random-season';
import { chance } from '../../../../../tests/fixtures/random-studio';
import { targetOf } from '../../tempo';
import { compareLayings } from '../laid/moves';
import { TODAY, clean, etude, request } from '../../../../../tests/fixtures/etude-season';
import { dayOf } from '../../units';
import { heldStairs } from '../climb/stairs';
import type { SeasonPlan } from '../laid/plan';
import { sayPresumed } from '../laid/presumed';
import { laySeason } from './lay';

const says = { sectionId: 'a-1', bpm: 84, unit: 'quarter', evidence: 'teacher', on: TODAY } as const;

describe('what a plan presumes', () => {
  it('is half the target where nothing says what holds, and no longer once it is said or logged', () => {
    const nothing = laySeason(request([etude('a', 120)]));
    expect(nothing.presumed).toEqual({ sections: [{ itemId: 'a', sectionId: 'a-1', bpm: 60 }], shortMin: 0 });
    expect(sayPresumed(nothing)).toBe('What holds of Study a is not known yet: half its target is presumed.');
    const said = laySeason(request([etude('a', 120, 16, { holdsNow: [says] })]));
    expect(said.presumed).toBeNull();
    expect(sayPresumed(said)).toBeNull();
    const logged = laySeason(request([etude('a', 120)], { log: [clean('a', '2026-11-23', 84, 10)] }));
    expect(logged.presumed).toBeNull();
    // the same facts, told in two ways, give the same ladder; only who has not begun yet begins on the first day
    const ladder = ({ items }: SeasonPlan) => items[0]!.rungs.map((rung) => ({ ...rung, date: null }));
    expect(ladder(said)).toEqual(ladder(logged));
    expect(said.items[0]!.sections[0]!.held).toMatchObject({ bpm: 84, evidence: 'teacher', on: TODAY });
  });

  it('says how much of what is short rests on it', () => {
    // the study that is nearly there would fit by itself
    const known = etude('b', 120, 64, { holdsNow: [{ ...says, sectionId: 'b-1', bpm: 112 }] });
    const plan = laySeason(request([known, etude('a', 120, 64)], {}, 25));
    expect(plan.short!.minutes).toBeGreaterThan(0);
    expect(plan.presumed!.shortMin).toBe(plan.short!.minutes);
    expect(sayPresumed(plan)).toContain(
      `${plan.short!.minutes} of the ${plan.short!.minutes} minutes short rest on that`
    );
    // known to hold at half, it is short as before, and nothing of that is presumed
    const half = etude('a', 120, 64, { holdsNow: [{ ...says, bpm: 60 }] });
    const sure = laySeason(request([known, half], {}, 25));
    expect(sure.short).not.toBeNull();
    expect(sure.presumed).toBeNull();
  });

  it('lays the item afresh by its shape once something is said, and leaves the others where they are', () => {
    const asked = (more: object) => request([etude('a', 120, 16, more), etude('b', 100)]);
    const first = laySeason(asked({}));
    const said = laySeason({ ...asked({ holdsNow: [{ ...says, bpm: 96 }] }), previous: first.agreed });
    const last = (plan: typeof first) => plan.items[0]!.rungs.at(-1)!.date!;
    // far fewer rungs, and still up to the end of the ramp
    expect(said.items[0]!.rungs.length).toBeLessThan(first.items[0]!.rungs.length / 2);
    expect(dayOf(last(first)) - dayOf(last(said))).toBeLessThan(10);
    const again = laySeason({ ...asked({ holdsNow: [{ ...says, bpm: 96 }] }), previous: said.agreed });
    expect(again.days).toEqual(said.days);
  });

  it('keeps what was said for the bars that are heard, when the cuts are out', () => {
    const cuts = [
      { fromBar: 1, toBar: 4 },
      { fromBar: 9, toBar: 12 }
    ];
    const plan = laySeason(request([etude('a', 120, 16, { holdsNow: [says], cuts })]));
    expect(plan.items[0]!.sections.map((section) => section.held?.bpm)).toEqual([84, 84]);
  });

  it('stands on the stairs of the countback on its day', () => {
    const item = etude('a', 120, 16, { holdsNow: [{ ...says, on: '2026-11-10' }] });
    const { steps } = heldStairs(item, [clean('a', '2026-11-20', 92, 10)], undefined);
    expect(steps.map(({ date, bpm }) => [date, bpm])).toEqual([
      ['2026-11-10', 84],
      ['2026-11-20', 92]
    ]);
  });

  it('over random seasons with some of it said: nothing said is presumed, and laid again nothing moves', () => {
    const dice = chance(11);
    for (const season of randomSeasons(60).filter(({ items }) => items.length <= 12)) {
      const items = season.items.map((item) => ({
        ...item,
        holdsNow: item.sections.flatMap(({ id, tempo }) => {
          const target = targetOf(tempo);
          if (!target || dice.share() < 0.4) return [];
          const bpm = Math.max(20, Math.round(target.bpm * (0.3 + dice.share())));
          return [{ sectionId: id, bpm, unit: target.unit, evidence: 'self' as const, on: season.today }];
        })
      }));
      const plan = laySeason({ ...season, items });
      const said = new Set(items.flatMap((item) => item.holdsNow.map(({ sectionId }) => sectionId)));
      for (const { sectionId } of plan.presumed?.sections ?? []) expect(said.has(sectionId)).toBe(false);
      if (plan.short !== null) continue;
      expect(compareLayings(plan, laySeason({ ...season, items, previous: plan.agreed }))).toEqual([]);
    }
  });
});

import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { CHECKS, levelOf } from './checks';
import { nextAction } from './next';
import { type Evidence, type ReadItem, ageingBefore, isRequired, readReadiness } from './read';

const TODAY = 1000;
const KINDS = CHECKS.map(({ kind }) => kind);
type Kind = (typeof KINDS)[number];

const seen = (check: Kind, on = TODAY - 1, isHeld = true): Evidence => ({
  check,
  on,
  isHeld,
  by: 'self',
  says: ''
});
const ALL = KINDS.map((kind) => seen(kind));
const without = (...kinds: Kind[]) => ALL.filter(({ check }) => !kinds.includes(check));

function item(more: Partial<ReadItem> = {}): ReadItem {
  return {
    id: 'a',
    name: 'Study',
    kind: 'etude',
    hasTempo: true,
    levels: {},
    roundOn: TODAY + 10,
    evidence: ALL,
    ...more
  };
}
const read = (more: Partial<ReadItem>) => readReadiness([item(more)], TODAY)[0]!;
const check = (more: Partial<ReadItem>, kind: Kind) => read(more).checks.find((one) => one.kind === kind)!;
const order = (...items: Partial<ReadItem>[]) =>
  readReadiness(
    items.map((more, i) => item({ id: String(i), ...more })),
    TODAY
  ).map(({ id }) => id);

describe('a check', () => {
  it('holds from the latest evidence, and what was said before stays in its history', () => {
    const evidence = [seen('cold', TODAY - 3), seen('cold', TODAY - 9, false), seen('cold', TODAY - 20)];
    expect(check({ evidence }, 'cold')).toMatchObject({ state: 'holds', lastsTo: TODAY + 11 });
    expect(check({ evidence }, 'cold').history.map(({ on }) => TODAY - on)).toEqual([3, 9, 20]);
    const against = [...evidence, seen('cold', TODAY - 1, false)];
    expect(check({ evidence: against }, 'cold')).toMatchObject({ state: 'not yet', lastsTo: null });
  });

  it('goes by what was said last where a day says both', () => {
    const [yes, no] = [seen('cold', TODAY), seen('cold', TODAY, false)];
    expect(check({ evidence: [no, yes] }, 'cold').state).toBe('holds');
    expect(check({ evidence: [yes, no] }, 'cold').state).toBe('not yet');
  });

  // the shelf lives of the mock model, section 6; common practice, no published source
  it.each([
    ['edition', null],
    ['errata', 28],
    ['page', 7],
    ['tempo', 14],
    ['elements', 14],
    ['straight', 14],
    ['cold', 14],
    ['anywhere', 21],
    ['context', 28],
    ['probe', 21],
    ['take', 21],
    ['mock', 21],
    ['memory', 14],
    ['accompanist', 28],
    ['keys', 14],
    ['fresh', 14]
  ] as const)('%s is asked again after %s days', (kind, days) => {
    const state = (ago: number) => check({ evidence: [seen(kind, TODAY - ago)] }, kind).state;
    expect(state(days ?? 400)).toBe('holds');
    expect(state((days ?? 400) + 1)).toBe(days === null ? 'holds' : 'ask again');
  });

  it('never holds without dated evidence for it inside its shelf life, whatever was said, in whatever order', () => {
    const evidence = fc.array(
      fc.record({
        check: fc.constantFrom(...KINDS),
        on: fc.integer({ min: TODAY - 60, max: TODAY + 5 }),
        isHeld: fc.boolean(),
        by: fc.constantFrom('self' as const, 'teacher' as const),
        says: fc.constant('')
      }),
      { maxLength: 40 }
    );
    fc.assert(
      fc.property(evidence, (all) => {
        for (const one of read({ evidence: all }).checks) {
          if (one.state !== 'holds') continue;
          const shelf = CHECKS.find(({ kind }) => kind === one.kind)!.shelfDays ?? Infinity;
          const since = all.filter(
            ({ check, on }) => check === one.kind && on <= TODAY && TODAY - on <= shelf
          );
          expect(since.some(({ isHeld }) => isHeld)).toBe(true);
          // nothing later speaks against it
          expect(since.every(({ on, isHeld }) => isHeld || on <= one.latest!.on)).toBe(true);
        }
      }),
      { seed: 17, numRuns: 300 }
    );
  });
});

describe('what is asked', () => {
  const asked = (more: Partial<ReadItem>) => KINDS.filter((kind) => levelOf(kind, item(more)) === 'required');

  it('of fresh pages is only to keep going', () => {
    expect(asked({ kind: 'sight-reading', hasTempo: false })).toEqual(['fresh']);
  });

  it('of scales is every key, and of free music no tempo', () => {
    expect(asked({ kind: 'scales' })).toContain('keys');
    expect(asked({})).not.toContain('keys');
    expect(asked({ hasTempo: false })).not.toEqual(expect.arrayContaining(['tempo']));
  });

  it('can be set; what is optional or off decides nothing', () => {
    const evidence = without('probe');
    expect(read({ evidence }).state).toBe('not yet');
    expect(read({ evidence, levels: { probe: 'optional' } }).state).toBe('holds');
    expect(read({ evidence, levels: { probe: 'off' } }).state).toBe('holds');
    expect(read({ evidence: without('memory'), levels: { memory: 'required' } }).state).toBe('not yet');
  });
});

describe('an audition is as ready as its weakest item', () => {
  it('which has most that is not yet there, then most that has aged, then ages soonest; ties keep the list’s order', () => {
    const aged = [...without('cold'), seen('cold', TODAY - 15)];
    const soon = [...without('cold'), seen('cold', TODAY - 13)];
    expect(
      order(
        {},
        { evidence: soon },
        { evidence: aged },
        { evidence: without('cold') },
        { evidence: without('cold', 'straight') },
        { evidence: without('straight') }
      )
    ).toEqual(['4', '3', '5', '2', '1', '0']);
  });

  it('and says ahead what will be too old on the day', () => {
    // cold was shown 6 days ago and counts for 14: 8 days from today, the round is in 10; the call's page until 5 days from today
    const evidence = [...without('cold', 'page'), seen('cold', TODAY - 6), seen('page', TODAY - 2)];
    expect(ageingBefore(read({ evidence })).map(({ kind }) => kind)).toEqual(['page', 'cold']);
    expect(ageingBefore(read({ evidence, roundOn: TODAY + 5 }))).toEqual([]);
  });
});

describe('the next action', () => {
  const next = (...items: Partial<ReadItem>[]) =>
    nextAction(
      readReadiness(
        items.map((more, i) => item({ id: String(i), ...more })),
        TODAY
      )
    );
  const kindsOf = (action: ReturnType<typeof next>) => action?.checks.map(({ kind }) => kind);

  it('is nothing where every required check holds', () => {
    expect(next({}, {})).toBeNull();
    expect(next()).toBeNull();
  });

  it('is of the weakest item, and answers two checks by one block before one', () => {
    const action = next(
      { evidence: without('edition') },
      { evidence: without('edition', 'straight', 'cold') }
    );
    expect(action).toMatchObject({ itemId: '1', block: 'run' });
    expect(kindsOf(action)).toEqual(['straight', 'cold']);
  });

  it('is else the first in the chain, a task or a block', () => {
    expect(next({ evidence: without('errata', 'anywhere') })).toMatchObject({ block: null });
    expect(kindsOf(next({ evidence: without('anywhere', 'probe') }))).toEqual(['anywhere']);
  });

  it('is no probe before the tempo holds', () => {
    const aged = [...without('tempo', 'probe'), seen('tempo', TODAY - 20)];
    expect(kindsOf(next({ evidence: aged }))).toEqual(['tempo']);
    const levels = { tempo: 'optional' as const };
    expect(kindsOf(next({ evidence: without('tempo', 'probe'), levels }))).toEqual(['tempo']);
    expect(kindsOf(next({ evidence: without('tempo', 'elements', 'probe') }))).toEqual(['tempo', 'elements']);
    expect(kindsOf(next({ evidence: without('probe') }))).toEqual(['probe']);
  });

  it('asks again what has aged', () => {
    const aged = [...without('straight', 'cold'), seen('straight', TODAY - 20), seen('cold', TODAY - 20)];
    expect(kindsOf(next({ evidence: aged }))).toEqual(['straight', 'cold']);
    const { checks } = read({ evidence: aged });
    expect(checks.filter(isRequired).filter(({ state }) => state === 'ask again')).toHaveLength(2);
  });
});

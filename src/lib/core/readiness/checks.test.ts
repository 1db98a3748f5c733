import { describe, expect, it } from 'vitest';
import { type ReadItem, CHECKS, readReadiness } from './checks';

const TODAY = 1000;
const ticks = Object.fromEntries(CHECKS.filter((c) => c.isTicked).map((c) => [c.kind, TODAY - 1]));

function item(more: Partial<ReadItem>): ReadItem {
  return {
    id: 'a',
    name: 'Study',
    hasTempo: true,
    isSightReading: false,
    heldOn: TODAY - 2,
    isAtTarget: true,
    heldShare: 1,
    says: 'holds at 96',
    openElements: [],
    lastTouch: TODAY - 2,
    ticks,
    mock: { on: TODAY - 3, gap: 0, says: 'rhythm was “carries”' },
    ...more
  };
}
const read = (more: Partial<ReadItem>) => readReadiness([item(more)], TODAY)[0]!;
const state = (more: Partial<ReadItem>, kind: string) =>
  read(more).checks.find((c) => c.kind === kind)?.state;

describe('readiness is a chain', () => {
  it('holds when every check does, and then asks only to keep it warm', () => {
    expect(read({})).toMatchObject({ weakest: null, holding: CHECKS.length });
    expect(read({}).nextAction).toContain('Keep it warm');
  });

  it('is as strong as its first open check, whatever holds after it', () => {
    expect(read({ isAtTarget: false, says: 'holds at 88, target 96' })).toMatchObject({
      weakest: { kind: 'tempo' },
      nextAction: 'Climb: holds at 88, target 96.'
    });
    expect(read({ ticks: { ...ticks, edition: undefined } }).weakest!.kind).toBe('edition');
  });

  it('puts the weakest item first, and of two alike the one farther from its target', () => {
    const items = [
      item({ id: 'far', isAtTarget: false, heldShare: 0.7 }),
      item({ id: 'ready' }),
      item({ id: 'farther', isAtTarget: false, heldShare: 0.5 })
    ];
    expect(readReadiness(items, TODAY).map((r) => r.id)).toEqual(['farther', 'far', 'ready']);
  });
});

describe('evidence ages', () => {
  it('a tempo after fourteen days, an edition never', () => {
    expect(state({ heldOn: TODAY - 14 }, 'tempo')).toBe('holds');
    expect(state({ heldOn: TODAY - 15 }, 'tempo')).toBe('ask again');
    expect(state({ ticks: { ...ticks, edition: TODAY - 400 } }, 'edition')).toBe('holds');
    expect(state({ ticks: { ...ticks, errata: TODAY - 29 } }, 'errata')).toBe('ask again');
  });
});

describe('what is asked', () => {
  it('of elements follows the last touch', () => {
    expect(read({ openElements: ['intonation'] })).toMatchObject({
      weakest: { kind: 'elements', says: 'intonation' }
    });
    expect(read({ openElements: ['intonation'] }).nextAction).toContain('One click lower until intonation');
  });

  it('of a mock is that a panel heard no less than practice says, three weeks ago at most', () => {
    const heard = (more: Partial<NonNullable<ReadItem['mock']>>) => ({
      mock: { on: TODAY - 3, gap: 0, says: 'rhythm was “uneven”', ...more }
    });
    expect(state(heard({ gap: -1 }), 'mock')).toBe('holds');
    expect(state(heard({ gap: 1 }), 'mock')).toBe('not yet');
    expect(state(heard({ gap: null }), 'mock')).toBe('not yet');
    expect(state(heard({ on: TODAY - 22 }), 'mock')).toBe('ask again');
    expect(state({ mock: null }, 'mock')).toBe('not yet');
    expect(read(heard({ gap: 1 })).nextAction).toContain('Close the gap: rhythm was “uneven”');
  });

  it('of sight-reading is only to go on, and to do so at once', () => {
    expect(read({ isSightReading: true, hasTempo: false }).checks.map((c) => c.kind)).toEqual([
      'straight',
      'cold'
    ]);
  });

  it('of free music is everything but a tempo', () => {
    expect(read({ hasTempo: false }).checks.map((c) => c.kind)).not.toContain('tempo');
  });
});

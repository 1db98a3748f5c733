import { describe, expect, it } from 'vitest';
import type { RoadBlock } from '../record';
import { offersFor } from './offers';

type Adding = Omit<RoadBlock, 'id'>;
const block = (more: Partial<Adding>): Adding => ({
  ...{ kind: 'ladder', itemId: null, sectionId: null, name: '', bars: null, parts: [], isJoined: false },
  ...{ minutes: 8, why: '', dueOn: null, work: null },
  ...more
});
const spot = (id: string) => ({ id }) as NonNullable<RoadBlock['spots']>[number];
const canAdd = [
  block({ itemId: 'a', name: 'A', dueOn: '2026-12-03', spots: [spot('1'), spot('2')] }),
  block({ itemId: 'b', name: 'B', dueOn: '2026-11-20', spots: [spot('3')] }),
  block({ itemId: 'c', name: 'C', dueOn: '2026-11-30' }),
  block({ kind: 'probe', itemId: 'a', hunt: { unit: 'quarter', bpm: 90 } }),
  block({ kind: 'liked', name: 'Liked', minutes: 5 }),
  block({ kind: 'quiet', name: 'Quiet' }),
  block({ kind: 'rest', name: 'Rest', minutes: 5 })
];
const of = (more: Partial<Parameters<typeof offersFor>[0]> = {}) =>
  offersFor({ canAdd, blocks: [], freeMin: 20, isHurt: false, ...more });
const says = (more?: Parameters<typeof of>[0]) => of(more).map((offer) => offer.says);

describe('what a day has free', () => {
  it('is offered to items with open spots, most first, to another that is farthest behind, to something liked, and to rest', () => {
    expect(says()).toEqual([
      '2 open spots in A',
      'one open spot in B',
      'C, due on Mon 30 Nov',
      'something you like',
      'rest'
    ]);
  });

  it('goes to spots of no more items than it is enough for, and of three at most', () => {
    const many = ['d', 'e', 'f', 'g'].map((id) => block({ itemId: id, name: id, spots: [spot(id)] }));
    const spots = (freeMin: number) =>
      offersFor({ canAdd: many, blocks: [], freeMin, isHurt: false }).map((offer) => offer.block.itemId);
    expect(spots(60)).toEqual(['d', 'e', 'f']);
    expect(spots(17)).toEqual(['d', 'e']);
    expect(spots(6)).toEqual(['d']);
  });

  it('goes to no spot and to no item that the day has already', () => {
    const blocks = [{ kind: 'ladder' as const, itemId: 'a', spots: [spot('1'), spot('2')] }];
    expect(says({ blocks })).toEqual([
      'one open spot in B',
      'C, due on Mon 30 Nov',
      'something you like',
      'rest'
    ]);
    expect(says({ blocks: [{ kind: 'rest', itemId: null }] })).not.toContain('rest');
  });

  it('is no more than what is free, and nothing where hardly a block is', () => {
    expect(of({ freeMin: 6 }).map((offer) => offer.block.minutes)).toEqual([6, 6, 5, 5]);
    expect(of({ freeMin: 4 })).toEqual([]);
  });

  it('asks nothing of a body that hurts', () => {
    expect(says({ isHurt: true })).toEqual(['quiet work, no instrument', 'rest']);
  });
});

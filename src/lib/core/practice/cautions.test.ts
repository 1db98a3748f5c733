import { describe, expect, it } from 'vitest';
import { cautionsOf, isOnBreath } from './cautions';

describe('cautions for a day', () => {
  const block = (kind: 'ladder' | 'rest' | 'quiet', minutes: number) => ({ kind, minutes });
  const of = (more: Partial<Parameters<typeof cautionsOf>[0]>) =>
    cautionsOf({ blocks: [block('ladder', 30)], family: 'brass', isJump: false, ...more });

  it('are none on a plain day', () => {
    expect(of({})).toEqual([]);
  });

  it('speak of a week that jumps (common practice, no published source)', () => {
    expect(of({ isJump: true })).toEqual([expect.stringContaining('more than 20 % above')]);
  });

  it('ask as much rest as playing from 90 minutes of play on, of what tires; rests and quiet are no play', () => {
    expect(of({ blocks: [block('ladder', 89), block('rest', 20), block('quiet', 20)] })).toEqual([]);
    const heavy = [block('ladder', 60), block('ladder', 30)];
    expect(of({ blocks: heavy })[0]).toContain('90 minutes of play: for lips as much rest');
    expect(of({ blocks: heavy, family: 'voice' })[0]).toContain('the voice');
    expect(of({ blocks: heavy, family: null })[0]).toContain('the body');
  });

  it('speak of breathing to those who play on it', () => {
    expect((['winds', 'brass', 'voice', 'strings', null] as const).map(isOnBreath)).toEqual([
      ...[true, true, true],
      ...[false, false]
    ]);
  });
});

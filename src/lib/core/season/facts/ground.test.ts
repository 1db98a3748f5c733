import { describe, expect, it } from 'vitest';
import { etude, request } from '../../../../../tests/fixtures/etude-season';
import { groundOf } from './ground';

describe('what a laying stands on', () => {
  const facts = request([etude('A', 96)]);

  it('is another when minutes change, and the same when only the desk has learnt how long a block may be', () => {
    const withTime = (more: object) => groundOf({ ...facts, time: { ...facts.time, ...more } });
    expect(withTime({ longestBlockMin: 22 })).toBe(groundOf(facts));
    expect(withTime({ warmUpMin: 11 })).not.toBe(groundOf(facts));
  });
});

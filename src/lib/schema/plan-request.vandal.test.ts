import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { laySeason } from '../core/season';
import { dice } from '../../../tests/fixtures/dice';
import { spoil } from '../../../tests/fixtures/spoil';
import { readPlanRequest } from './plan-request';

const SOUND = JSON.parse(readFileSync('docs/examples/request.json', 'utf8')) as unknown;
const ODD = [
  ...[
    '',
    'x',
    '2199-12-31',
    '1900-01-01',
    '2026-02-30',
    '2026-11-24',
    '25:61',
    'Nowhere/Else',
    'é'.repeat(300),
    '9'.repeat(400)
  ],
  ...[null, undefined, true, -1, 0, 1, 0.5, 2.5, 480, 1e9, Infinity, NaN, [], {}, [[]], { __proto__: null }]
];
const TIMES = 3000;

describe(`${TIMES} plan requests with something wrong in them`, () => {
  it('are laid, or refused with a sentence and its path, and never an error', () => {
    const roll = dice(7);
    let [laid, refused] = [0, 0];
    for (let n = 0; n < TIMES; n += 1) {
      let request: unknown = structuredClone(SOUND);
      for (let times = 1 + roll(3); times > 0; times -= 1) request = spoil(request, roll, ODD);
      const read = readPlanRequest(request);
      if (read.ok) {
        laid += 1;
        expect(laySeason(read.value).today).toBe(read.value.today);
      } else {
        refused += 1;
        for (const { path, says } of read.faults)
          expect([path, says].every((text) => text.length > 0)).toBe(true);
      }
    }
    expect(laid).toBeGreaterThan(TIMES / 100);
    expect(refused).toBeGreaterThan(TIMES / 2);
  });
});

import { stringify } from 'devalue';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { readState } from './state';

describe('the text of a form', () => {
  it('gives back what the page’s own library wrote, whatever plain values are in it', () => {
    const leaf = fc.oneof(fc.string(), fc.integer(), fc.boolean(), fc.constant(null), fc.constant(undefined));
    const row = fc.dictionary(
      fc.string({ minLength: 1 }).filter((name) => name !== '__proto__'),
      fc.oneof(leaf, fc.array(leaf, { maxLength: 5 })),
      { noNullPrototype: true }
    );
    const form = fc.record(
      { name: fc.string(), rows: fc.array(row, { maxLength: 8 }) },
      { noNullPrototype: true }
    );
    fc.assert(
      fc.property(form, (value) => {
        expect(readState(stringify(value))).toEqual(value);
      }),
      { seed: 11, numRuns: 300 }
    );
  });

  it('that names one part in many places is refused before it is put together', () => {
    // each part holds the next twice: 40 parts would be a tree of 2^40
    const doubling = [{ a: 1 }, ...Array.from({ length: 40 }, (_, i) => [i + 2, i + 2]), 'leaf'];
    expect(readState(JSON.stringify(doubling))).toBeNull();
    const many = [{ rows: 1 }, Array.from({ length: 5000 }, () => 2), { name: 3 }, 'x'];
    expect(readState(JSON.stringify(many))).toBeNull();
  });

  it.each([
    ['a circle', [{ a: 0 }]],
    ['a list at its top', [[1], 'x']],
    ['a date', [{ a: 1 }, ['Date', '2026-11-24T00:00:00Z']]],
    ['a map', [{ a: 1 }, ['Map', 2, 3], 'k', 'v']],
    ['a place that is not there', [{ a: 7 }]],
    ['a number that is no place', [{ a: 0.5 }]],
    ['a hole', [{ a: 1 }, [-2]]],
    ['a prototype', JSON.parse('[{"__proto__":1},{}]') as unknown[]],
    ['a text as a place', [{ a: '1' }, 'x']]
  ])('with %s is refused', (_, flat) => expect(readState(JSON.stringify(flat))).toBeNull());

  it('nested deeper than any form, with more parts than any, or none at all is refused', () => {
    const deep = Array.from({ length: 9 }, (_, i) => ({ a: i + 1 }));
    expect(readState(JSON.stringify([...deep, 'x']))).toBeNull();
    const wide = [
      { a: 1 },
      Array.from({ length: 20_000 }, (_, i) => i + 2),
      ...Array<number>(20_000).fill(0)
    ];
    expect(readState(JSON.stringify(wide))).toBeNull();
    for (const text of ['', 'null', '7', '"x"', '[', '[]', '['.repeat(100_000)])
      expect(readState(text)).toBeNull();
  });
});

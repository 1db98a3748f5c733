import { describe, expect, it } from 'vitest';
import { relatedScales } from './groundwork';

// the circle of fifths, as any textbook of harmony has it (from memory)
describe('scales related to a key', () => {
  it.each([
    ['D minor', ['D minor, harmonic and melodic', 'F major', 'A minor', 'arpeggio of D minor']],
    ['D', ['D major', 'B minor', 'A major', 'arpeggio of D major']],
    ['b flat', ['B flat major', 'G minor', 'F major', 'arpeggio of B flat major']],
    [
      'F sharp minor',
      ['F sharp minor, harmonic and melodic', 'A major', 'C sharp minor', 'arpeggio of F sharp minor']
    ],
    ['E♭ major', ['E flat major', 'C minor', 'B flat major', 'arpeggio of E flat major']]
  ])('of %s are itself, its relative and its dominant', (key, scales) =>
    expect(relatedScales(key)).toEqual(scales)
  );

  it('are none where the text is no key', () => {
    for (const text of ['', 'H major', 'slow', 'D minor to F']) expect(relatedScales(text)).toEqual([]);
  });
});

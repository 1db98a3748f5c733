import { describe, expect, it } from 'vitest';
import { ballotElements, practiceElement, readNote } from './ballot';

const cut = { fromBar: 29, toBar: 40 };

describe('a remark of a juror', () => {
  it('begins with its bars, and says something', () => {
    expect(readNote('32-33 rushes into the downbeat', cut)).toEqual({
      fromBar: 32,
      toBar: 33,
      says: 'rushes into the downbeat'
    });
    expect(readNote(' 37: low', cut)).toEqual({ fromBar: 37, toBar: 37, says: 'low' });
    expect(['rushes', '32', '32-33', '32 :, ', '32x'].map((line) => readNote(line, cut))).toEqual(
      Array(5).fill(null)
    );
  });

  it('is of bars that are heard, the first not behind the last', () => {
    expect(['28 low', '41 low', '39-41 low', '33-32 low'].map((line) => readNote(line, cut))).toEqual(
      Array(4).fill(null)
    );
  });
});

describe('what a juror is asked', () => {
  it('is what the instrument has, and each has its practice element but tempo', () => {
    expect(ballotElements(null)).toEqual([
      'sound',
      'intonation',
      'rhythm',
      'tempo',
      'articulation',
      'dynamics, musicality'
    ]);
    expect(ballotElements('percussion')).not.toContain('intonation');
    expect(ballotElements('keyboard')).toContain('voicing');
    const silent = (['winds', 'strings', 'percussion', 'keyboard', 'plucked', 'voice'] as const)
      .flatMap(ballotElements)
      .filter((element) => practiceElement(element) === null);
    expect(new Set(silent)).toEqual(new Set(['tempo']));
  });
});

import { describe, expect, it } from 'vitest';
import { actOfKey } from './desk-keys';

const usual = { cleanKey: '', notYetKey: '' };

describe('a key at the desk', () => {
  it('of a pedal is clean and not yet at work, and leads on elsewhere', () => {
    for (const key of ['ArrowRight', 'ArrowDown', 'PageDown'])
      expect(
        (['first', 'work', 'timed', 'end', 'none'] as const).map((face) => actOfKey(key, face, usual))
      ).toEqual(['begin', 'clean', 'leave', 'next', null]);
    for (const key of ['ArrowLeft', 'ArrowUp', 'PageUp'])
      expect((['first', 'work', 'timed', 'end'] as const).map((face) => actOfKey(key, face, usual))).toEqual([
        null,
        'not-yet',
        null,
        null
      ]);
  });

  it('that was learnt does what the pedal’s does, whatever it did before', () => {
    const learnt = { cleanKey: 'b', notYetKey: 'u' };
    expect([actOfKey('b', 'work', learnt), actOfKey('b', 'end', learnt)]).toEqual(['clean', 'next']);
    expect([actOfKey('u', 'work', learnt), actOfKey('u', 'work', usual)]).toEqual(['not-yet', 'undo']);
  });

  it('that nothing was learnt for does nothing, nor one that every object answers to', () => {
    for (const key of ['', 'x', 'Enter', 'constructor', 'right', 'left'])
      expect(actOfKey(key, 'work', usual), key).toBeNull();
  });
});

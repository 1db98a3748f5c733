/** What a key does at the desk, by the face it is on. Pedals send page keys or arrows: the right one is clean, next and done, the left one not yet. */
import type { DeskSettings } from './settings';

/** first: nothing is begun. work: with a tempo. timed: without one. end: of a block. none: of the day, or it hurts. */
export type Face = 'first' | 'work' | 'timed' | 'end' | 'none';
export type DeskAct =
  'begin' | 'next' | 'more' | 'shorter' | 'undo' | 'leave' | 'clean' | 'not-yet' | 'click';

const RIGHT = ['ArrowRight', 'ArrowDown', 'PageDown'];
const LEFT = ['ArrowLeft', 'ArrowUp', 'PageUp'];
const OF_FACE: Readonly<Record<Face, Readonly<Record<string, DeskAct>>>> = {
  first: { right: 'begin' },
  work: {
    right: 'clean',
    left: 'not-yet',
    ' ': 'click',
    u: 'undo',
    Backspace: 'undo',
    e: 'leave'
  },
  timed: { right: 'leave', u: 'undo', Backspace: 'undo', e: 'leave' },
  end: { right: 'next', m: 'more', s: 'shorter' },
  none: {}
};

/** Null where it does nothing there. A key that was learnt does what the pedal's does. */
export function actOfKey(
  key: string,
  face: Face,
  { cleanKey, notYetKey }: Pick<DeskSettings, 'cleanKey' | 'notYetKey'>
): DeskAct | null {
  const isRight = RIGHT.includes(key) || key === cleanKey;
  const isLeft = LEFT.includes(key) || key === notYetKey;
  return OF_FACE[face][isRight ? 'right' : isLeft ? 'left' : key] ?? null;
}

/** What a key does at the desk, by the face it is on. Pedals send page keys or arrows: the right one is clean, next and done, the left one not yet. */
import type { DeskSettings } from './settings';

/**
 * first: nothing is begun. work: with a tempo. scales: key by key. reading: fresh pages, at sight. hunt: a probe, or the microscope. starts: from bars that are named. drill: a motion without its piece. run: straight through. timed: without any. end: of a block. none: of
 * the day, or it hurts.
 */
export type Face =
  'first' | 'work' | 'scales' | 'reading' | 'hunt' | 'starts' | 'drill' | 'run' | 'timed' | 'end' | 'none';
export type DeskAct =
  | 'begin'
  | 'next'
  | 'more'
  | 'shorter'
  | 'undo'
  | 'leave'
  | 'onward'
  | 'run'
  | 'clean'
  | 'not-yet'
  | 'click'
  | 'spot'
  | 'methods'
  | 'pitch';

const RIGHT = ['ArrowRight', 'ArrowDown', 'PageDown'];
const LEFT = ['ArrowLeft', 'ArrowUp', 'PageUp'];
type Acts = {
  readonly right?: DeskAct;
  readonly left?: DeskAct;
  readonly keys: ReadonlyMap<string, DeskAct>;
};
const ALWAYS = [
  ['u', 'undo'],
  ['Backspace', 'undo'],
  ['e', 'leave'],
  ['b', 'spot'],
  ['p', 'pitch']
] as const;
const OF_FACE: Readonly<Record<Face, Acts>> = {
  first: { right: 'begin', keys: new Map() },
  work: {
    right: 'clean',
    left: 'not-yet',
    keys: new Map([...ALWAYS, [' ', 'click'], ['w', 'methods'], ['r', 'run']])
  },
  scales: { right: 'clean', left: 'not-yet', keys: new Map([...ALWAYS, [' ', 'click']]) },
  reading: { right: 'clean', left: 'not-yet', keys: new Map(ALWAYS) },
  hunt: { right: 'clean', left: 'not-yet', keys: new Map([...ALWAYS, [' ', 'click']]) },
  starts: { right: 'clean', left: 'not-yet', keys: new Map(ALWAYS) },
  drill: { right: 'clean', keys: new Map(ALWAYS) },
  run: { right: 'onward', keys: new Map() },
  timed: { right: 'leave', keys: new Map([...ALWAYS, [' ', 'click']]) },
  end: {
    right: 'next',
    keys: new Map([
      ['m', 'more'],
      ['s', 'shorter']
    ])
  },
  none: { keys: new Map() }
};

/** Null where it does nothing there. A key that was learnt does what the pedal's does. */
export function actOfKey(
  key: string,
  face: Face,
  { cleanKey, notYetKey }: Pick<DeskSettings, 'cleanKey' | 'notYetKey'>
): DeskAct | null {
  const { right, left, keys } = OF_FACE[face];
  if (RIGHT.includes(key) || (cleanKey !== '' && key === cleanKey)) return right ?? null;
  if (LEFT.includes(key) || (notYetKey !== '' && key === notYetKey)) return left ?? null;
  return keys.get(key) ?? null;
}

/** Whether a key is the desk's: with no other held, and not one that presses the button or link that has the focus. */
export function isForDesk({ key, target, ctrlKey, metaKey, altKey, repeat }: KeyboardEvent): boolean {
  if (ctrlKey || metaKey || altKey || repeat) return false;
  const isPressed = target instanceof HTMLButtonElement || target instanceof HTMLAnchorElement;
  return key !== ' ' || !isPressed;
}

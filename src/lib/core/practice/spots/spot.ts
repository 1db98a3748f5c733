/** Spots as their events have made them, and what was tried on each, read from the log. */
import type { DeskEvent, Series, Spot, Touch } from '../../record';
import { inOrder } from '../event-order';

/** What the events say of a spot by now. */
export type KnownSpot = Spot & {
  readonly foundOn: string;
  /** Worked again, or laid to rest, by hand: the latest alone counts. */
  readonly hand: { readonly isOpen: boolean; readonly date: string; readonly atMs: number } | null;
  /** When the teacher laid it first. */
  readonly firstSinceMs: number | null;
  /** The method it is to be worked by; null where that is chosen. */
  readonly method: string | null;
};

/** Spots in the order in which they were found; those that were taken out are none. */
export function readSpots(events: readonly DeskEvent[]): KnownSpot[] {
  const known = new Map<string, KnownSpot>();
  const gone = new Set<string>();
  for (const event of inOrder(events)) {
    if (event.kind === 'spot' && !known.has(event.spot.id))
      known.set(event.spot.id, {
        ...event.spot,
        foundOn: event.date,
        hand: null,
        firstSinceMs: null,
        method: null
      });
    if (event.kind !== 'spot-set') continue;
    const spot = known.get(event.spot);
    if (!spot) continue;
    const { set } = event;
    if ('isGone' in set) gone[set.isGone ? 'add' : 'delete'](spot.id);
    else known.set(spot.id, setSpot(spot, set, event));
  }
  return [...known.values()].filter(({ id }) => !gone.has(id));
}

type Setting = Extract<DeskEvent, { kind: 'spot-set' }>;
function setSpot(
  spot: KnownSpot,
  set: Exclude<Setting['set'], { isGone: boolean }>,
  { date, atMs }: Setting
): KnownSpot {
  if ('isOpen' in set) return { ...spot, hand: { isOpen: set.isOpen, date, atMs } };
  if ('isFirst' in set) return { ...spot, firstSinceMs: set.isFirst ? atMs : null };
  return { ...spot, ...set };
}

/** One succession of attempts at a spot. */
export type SpotTry = Pick<Series, 'fromBar' | 'toBar' | 'tempoBpm' | 'unit' | 'atMs' | 'seconds'> & {
  readonly spotId: string;
  readonly date: string;
  /** c and n, in the order played; at least one. */
  readonly marks: string;
  readonly method: string | null;
};

/** All tries of all spots, in the order in which they were played. */
export function triesIn(log: readonly Touch[]): SpotTry[] {
  const tries = log.flatMap(({ date, series = [] }) =>
    series.flatMap(({ spot, method = null, attempts: marks = '', ...played }) =>
      spot !== undefined && marks !== '' ? [{ ...played, spotId: spot, date, marks, method }] : []
    )
  );
  return tries.sort((a, b) => (a.date < b.date ? -1 : a.date > b.date ? 1 : a.atMs - b.atMs));
}

export function triesBySpot(tries: readonly SpotTry[]): Map<string, SpotTry[]> {
  const groups = new Map<string, SpotTry[]>();
  for (const one of tries) {
    const group = groups.get(one.spotId);
    if (group) group.push(one);
    else groups.set(one.spotId, [one]);
  }
  return groups;
}

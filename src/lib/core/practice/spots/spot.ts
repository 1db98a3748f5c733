/** Spots as their events have made them, and what was tried on each, read from the log. */
import type { DeskEvent, Series, Spot, Touch } from '../../record';
import type { Tempo } from '../../units';
import { inOrder } from '../event-order';

/** A later take was heard beside an earlier one. */
type HeardAgain = {
  readonly take: string;
  /** Of that take. */
  readonly date: string;
  readonly atMs: number;
  readonly isSolved: boolean;
  /** What is tried next; empty where it is solved, or nobody has an idea. */
  readonly idea: string;
  readonly tempo: Tempo | null;
};

/** What the events say of a spot by now. */
export type KnownSpot = Spot & {
  readonly foundOn: string;
  /** Worked again, or laid to rest, by hand: the latest alone counts. */
  readonly hand: { readonly isOpen: boolean; readonly date: string; readonly atMs: number } | null;
  /** When the teacher laid it first. */
  readonly firstSinceMs: number | null;
  /** The method it is to be worked by; null where that is chosen. */
  readonly method: string | null;
  /** In the order in which it was heard; of one take the latest answer alone. */
  readonly heard: readonly HeardAgain[];
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
        method: null,
        heard: []
      });
    const again = event.kind === 'spot-heard' ? known.get(event.spot) : undefined;
    if (again && event.kind === 'spot-heard')
      known.set(again.id, { ...again, heard: heardAfter(again, event) });
    if (event.kind !== 'spot-set') continue;
    const spot = known.get(event.spot);
    if (!spot) continue;
    const { set } = event;
    if ('isGone' in set) gone[set.isGone ? 'add' : 'delete'](spot.id);
    else known.set(spot.id, setSpot(spot, set, event));
  }
  return [...known.values()].filter(({ id }) => !gone.has(id));
}

const heardAfter = (
  { heard }: KnownSpot,
  { take, date, atMs, isSolved, idea, tempo }: Extract<DeskEvent, { kind: 'spot-heard' }>
): HeardAgain[] => [...heard.filter((one) => one.take !== take), { take, date, atMs, isSolved, idea, tempo }];

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
  /** The take it was heard in, which is one attempt; missing where it was answered at the desk. */
  readonly take?: string;
  /** What came to mind to try next. */
  readonly idea?: string;
};

/** All tries of all spots, in the order in which they were played: of the log, and of what was heard in takes. */
export function triesIn(log: readonly Touch[], spots: readonly KnownSpot[]): SpotTry[] {
  const heard = spots.flatMap(({ id, fromBar, toBar, heard: takes }) =>
    takes.map(({ take, date, atMs, isSolved, idea, tempo }) => ({
      spotId: id,
      fromBar,
      toBar,
      date,
      atMs,
      marks: isSolved ? 'c' : 'n',
      method: null,
      take,
      idea,
      seconds: 0,
      ...(tempo ? { tempoBpm: tempo.bpm, unit: tempo.unit } : {})
    }))
  );
  const played = log.flatMap(({ date, series = [] }) =>
    series.flatMap(({ spot, method = null, attempts: marks = '', ...played }) =>
      spot !== undefined && marks !== '' ? [{ ...played, spotId: spot, date, marks, method }] : []
    )
  );
  return [...played, ...heard].sort((a, b) => (a.date < b.date ? -1 : a.date > b.date ? 1 : a.atMs - b.atMs));
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

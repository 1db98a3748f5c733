/**
 * A day at the desk, read from its events: the road map as it stands, and what was done in each block. Events come as a set, in any order and
 * any number of times; what they come to depends on neither. What is written to the log is desk-touch.ts's.
 */
import type { DeskEvent, RoadBlock, Spot } from '../record';
import type { BlockEnd } from '../record/words';
import type { BarRange, Bpm, Minutes } from '../units';
import { inOrder } from './event-order';
import { readSpots } from './spots/spot';
import type { ScaleAnswer } from './scales';
import type { Move } from './tempo-moves';

/** An event between the first and the last of a block that is longer after the one before than this was not practice (judgement). */
const LONGEST_GAP_MS = 240_000;

/** What in a block is worked at: a spot, or where none is named a part of the bars, by its number; one behind the last is all of them. */
export type Task = { readonly part: number; readonly spot?: string | undefined };
/** What is worked at, and by which method. */
export type TaskInHand = Task & { readonly method?: string | undefined };
export const isSameTask = (a: Task, b: Task) =>
  a.spot === b.spot && (a.spot !== undefined || a.part === b.part);

export type Answer = TaskInHand & {
  /** Elements that did not hold; empty where nothing is stated. */
  readonly notHeld: readonly string[];
  readonly id: string;
  readonly mark: 'c' | 'n';
  readonly bpm: Bpm;
  readonly atMs: number;
};

/** How a run straight through went. */
export type Ran = {
  readonly isStraight: boolean;
  readonly isClean: boolean;
  /** Where it was not clean; empty where nobody said. */
  readonly broke: readonly BarRange[];
};
type RanAndHeard = Ran & {
  /** The take of it; undefined where it was not recorded. */
  readonly take: string | undefined;
};

type Run = {
  readonly begunAtMs: number;
  /** In order, without those taken back. */
  readonly moves: readonly (TaskInHand & { readonly id: string; readonly move: Move })[];
  readonly answers: readonly Answer[];
  /** Keys of scales, as they were played. */
  readonly keys: readonly (ScaleAnswer & { readonly id: string })[];
  /** Pages read at sight. */
  readonly pages: readonly {
    readonly id: string;
    readonly mark: 'c' | 'n';
    readonly scanSeconds: number;
    readonly atMs: number;
  }[];
  /** Of the block's starts, how those went that were played, in their order. */
  readonly starts: readonly { readonly id: string; readonly mark: 'c' | 'n' }[];
  /** How it went straight through; null where nobody said. */
  readonly ran: RanAndHeard | null;
  readonly task: TaskInHand;
  /** Something was taken up by hand, or followed from an answer. */
  readonly isTaken: boolean;
  readonly moreMin: Minutes;
  /** Null while it goes on. */
  readonly end: { readonly atMs: number; readonly how: BlockEnd } | null;
  /** As the device counted them; while it goes on, those between its events. */
  readonly seconds: number;
};

export type DeskBlock = RoadBlock & {
  readonly place: number;
  readonly isDropped: boolean;
  /** Null before it is begun. */
  readonly run: Run | null;
};

export type DeskDay = {
  readonly date: string;
  readonly blocks: readonly DeskBlock[];
  /** Spots that were found in the course of it. */
  readonly found: readonly Spot[];
};

type EventOf<K extends DeskEvent['kind']> = Extract<DeskEvent, { kind: K }>;

/** The day of a date; null where it was not begun. Events of blocks it does not have are left out. */
export function readDeskDay(events: readonly DeskEvent[], date: string): DeskDay | null {
  const ofDay = inOrder(events.filter((event) => event.date === date));
  const [begun, ...also] = ofDay.filter((event): event is EventOf<'day'> => event.kind === 'day');
  if (!begun) return null;
  // what another device made of the day counts where it was played
  const played = new Set(ofDay.flatMap((event) => (event.kind === 'begin' ? [event.block] : [])));
  const known = new Map(begun.blocks.map((block) => [block.id, block]));
  for (const block of also.flatMap(({ blocks }) => blocks))
    if (played.has(block.id) && !known.has(block.id)) known.set(block.id, block);
  const own = eventsByBlock(ofDay);
  const made = [...known.values()].map((block, i) => readBlock(block, i, own.get(block.id)));
  const added = ofDay.flatMap((event) =>
    event.kind === 'add' ? [readBlock(event.added, event.place, own.get(event.added.id))] : []
  );
  const blocks = [...made, ...added];
  return { date, blocks: blocks.sort((a, b) => a.place - b.place), found: readSpots(ofDay) };
}

/** A road map that nobody has begun. */
export const asBegun = (blocks: readonly RoadBlock[]): DeskBlock[] =>
  blocks.map((block, place) => ({ ...block, place, isDropped: false, run: null }));

type OfBlock = Extract<DeskEvent, { block: string }>;

function eventsByBlock(events: readonly DeskEvent[]): ReadonlyMap<string, readonly OfBlock[]> {
  const by = new Map<string, OfBlock[]>();
  for (const event of events) {
    if (!('block' in event)) continue;
    const own = by.get(event.block);
    if (own) own.push(event);
    else by.set(event.block, [event]);
  }
  return by;
}

function readBlock(block: RoadBlock, place: number, own: readonly OfBlock[] = []): DeskBlock {
  const set = Object.assign(
    {},
    ...own.flatMap((event) => (event.kind === 'set' ? [event.set] : []))
  ) as Partial<{ minutes: Minutes; place: number; isDropped: boolean }>;
  return {
    ...block,
    minutes: set.minutes ?? block.minutes,
    place: set.place ?? place,
    isDropped: set.isDropped ?? false,
    run: readRun(block, own)
  };
}

function readRun(block: RoadBlock, own: readonly OfBlock[]): Run | null {
  const begin = own.find((event) => event.kind === 'begin');
  if (!begin) return null;
  const undone = new Set(own.flatMap((event) => (event.kind === 'undo' ? [event.event] : [])));
  const stated = new Map(
    own.flatMap((event) => (event.kind === 'elements' ? [[event.event, event.notHeld] as const] : []))
  );
  const moves = own.filter(
    (event): event is EventOf<'move'> => event.kind === 'move' && !undone.has(event.id)
  );
  const end = own.find((event): event is EventOf<'end'> => event.kind === 'end') ?? null;
  const played = own.filter((event) => event.kind !== 'set' && event.atMs <= (end?.atMs ?? Infinity));
  return {
    begunAtMs: begin.atMs,
    moves: moves.map(({ id, move, part, spot, method }) => ({ id, move, part, spot, method })),
    answers: moves.flatMap(({ id, move, part, spot, method, bpm, atMs }) =>
      (move.kind === 'clean' || move.kind === 'not-yet') && bpm !== undefined
        ? [
            {
              id,
              part,
              spot,
              method,
              mark: move.kind === 'clean' ? ('c' as const) : ('n' as const),
              bpm,
              atMs,
              notHeld: stated.get(id) ?? []
            }
          ]
        : []
    ),
    keys: own.flatMap((event) =>
      event.kind === 'key' && !undone.has(event.id)
        ? [{ id: event.id, key: event.key, bpm: event.bpm, stage: event.stage, mark: event.mark }]
        : []
    ),
    pages: own.flatMap((event) =>
      event.kind === 'page' && !undone.has(event.id)
        ? [{ id: event.id, mark: event.mark, scanSeconds: event.scanSeconds, atMs: event.atMs }]
        : []
    ),
    starts: own.flatMap((event) =>
      event.kind === 'start' && !undone.has(event.id) ? [{ id: event.id, mark: event.mark }] : []
    ),
    ran: ranOf(own),
    task: taskOf(block, own),
    isTaken: own.some(({ kind }) => kind === 'part'),
    moreMin: own.reduce((sum, event) => sum + (event.kind === 'more' ? event.minutes : 0), 0),
    end: end && { atMs: end.atMs, how: end.how },
    seconds: end ? end.seconds : secondsBetween(played)
  };
}

function ranOf(own: readonly OfBlock[]): Run['ran'] {
  const said = own.findLast((event): event is EventOf<'ran'> => event.kind === 'ran');
  return said
    ? { isStraight: said.isStraight, isClean: said.isClean, broke: said.broke, take: said.take }
    : null;
}

/** The latest that was taken up; before any was, the first spot, else the part that comes first. */
export function taskOf({ spots = [], firstPart = 0 }: RoadBlock, own: readonly DeskEvent[]): TaskInHand {
  const taken = own.findLast((event): event is EventOf<'part'> => event.kind === 'part');
  return taken
    ? { part: taken.part, spot: taken.spot, method: taken.method }
    : { part: firstPart, spot: spots[0]?.id, method: spots[0]?.methods[0] };
}

/** Seconds from the first to the last, without long gaps: a device that was put away in the middle did not play. */
function secondsBetween(events: readonly DeskEvent[]): number {
  const ms = events
    .slice(1)
    .reduce((sum, event, i) => sum + Math.min(LONGEST_GAP_MS, event.atMs - events[i]!.atMs), 0);
  return Math.round(ms / 1000);
}

/** The block that goes on; else the first that was not begun; null where all is done. */
export function blockInHand({ blocks }: DeskDay): DeskBlock | null {
  const open = blocks.filter((block) => !block.isDropped);
  return (
    open.find((block) => block.run && !block.run.end) ?? open.find((block) => block.run === null) ?? null
  );
}

/** Something liked lasts no longer. */
export const LIKED_MIN: Minutes = 5;
const MOST_MIN: Minutes = 360;
/** A block has no more minutes, however it is lengthened. */
export const mostMinutesOf = ({ kind }: Pick<RoadBlock, 'kind'>): Minutes =>
  kind === 'liked' ? LIKED_MIN : MOST_MIN;

/** Whether what a block begins with, the difficulty taken out of the music, goes on: until the bars are taken up. */
export const isAtDrill = ({ drillMin, run }: DeskBlock): boolean =>
  drillMin !== undefined && run !== null && run.end === null && !run.isTaken && run.answers.length === 0;

/** Minutes of the whole road map, as it stands. */
export const sumOfDay = ({ blocks }: Pick<DeskDay, 'blocks'>): Minutes =>
  blocks.reduce((sum, block) => sum + (block.isDropped ? 0 : block.minutes), 0);

/** What was answered last in a run, which undo takes back; undefined where nothing was. */
export const lastAnswered = ({ moves, keys, pages, starts }: Run): { readonly id: string } | undefined =>
  moves.at(-1) ?? keys.at(-1) ?? pages.at(-1) ?? starts.at(-1);

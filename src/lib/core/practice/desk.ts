/**
 * A day at the desk, read from its events: the road map as it stands, and what was done in each block. Events come as a set, in any order and
 * any number of times; what they come to depends on neither. What is written to the log is desk-touch.ts's.
 */
import type { DeskEvent, RoadBlock } from '../record';
import type { BlockEnd } from '../record/words';
import type { Bpm, Minutes } from '../units';
import { type Move, type Standing, type Work, standAfter } from './tempo-moves';

/** An event between the first and the last of a block that is longer after the one before than this was not practice (judgement). */
const LONGEST_GAP_MS = 240_000;

export type Answer = {
  readonly part: number;
  /** Elements that did not hold; empty where nothing is stated. */
  readonly notHeld: readonly string[];
  readonly id: string;
  readonly mark: 'c' | 'n';
  readonly bpm: Bpm;
  readonly atMs: number;
};

type Run = {
  readonly begunAtMs: number;
  /** In order, without those taken back. */
  readonly moves: readonly { readonly id: string; readonly move: Move; readonly part: number }[];
  readonly answers: readonly Answer[];
  /** The part in hand, by its number; one behind the last is all of the bars. */
  readonly part: number;
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

export type DeskDay = { readonly date: string; readonly blocks: readonly DeskBlock[] };

type EventOf<K extends DeskEvent['kind']> = Extract<DeskEvent, { kind: K }>;

/** In the order in which they happened: by the clock, then by device and its own number. Each id once. */
function inDeskOrder(events: readonly DeskEvent[]): DeskEvent[] {
  const once = new Map(events.map((event) => [event.id, event]));
  return [...once.values()].sort(
    (a, b) => a.atMs - b.atMs || (a.device < b.device ? -1 : a.device > b.device ? 1 : 0) || a.seq - b.seq
  );
}

/** The day of a date; null where it was not begun. Events of blocks it does not have are left out. */
export function readDeskDay(events: readonly DeskEvent[], date: string): DeskDay | null {
  const ofDay = inDeskOrder(events).filter((event) => event.date === date);
  const [begun, ...also] = ofDay.filter((event): event is EventOf<'day'> => event.kind === 'day');
  if (!begun) return null;
  // what another device made of the day counts where it was played
  const played = new Set(ofDay.flatMap((event) => (event.kind === 'begin' ? [event.block] : [])));
  const known = new Map(begun.blocks.map((block) => [block.id, block]));
  for (const block of also.flatMap(({ blocks }) => blocks))
    if (played.has(block.id) && !known.has(block.id)) known.set(block.id, block);
  const made = [...known.values()].map((block, i) => readBlock(block, i, ofDay));
  const added = ofDay.flatMap((event) =>
    event.kind === 'add' ? [readBlock(event.added, event.place, ofDay)] : []
  );
  const blocks = [...made, ...added];
  return { date, blocks: blocks.sort((a, b) => a.place - b.place) };
}

/** A road map that nobody has begun. */
export const asBegun = (blocks: readonly RoadBlock[]): DeskBlock[] =>
  blocks.map((block, place) => ({ ...block, place, isDropped: false, run: null }));

function readBlock(block: RoadBlock, place: number, ofDay: readonly DeskEvent[]): DeskBlock {
  const own = ofDay.flatMap((event) => ('block' in event && event.block === block.id ? [event] : []));
  const set = Object.assign(
    {},
    ...own.flatMap((event) => (event.kind === 'set' ? [event.set] : []))
  ) as Partial<{ minutes: Minutes; place: number; isDropped: boolean }>;
  return {
    ...block,
    minutes: set.minutes ?? block.minutes,
    place: set.place ?? place,
    isDropped: set.isDropped ?? false,
    run: readRun(own)
  };
}

function readRun(own: readonly Extract<DeskEvent, { block: string }>[]): Run | null {
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
    moves: moves.map(({ id, move, part }) => ({ id, move, part })),
    answers: moves.flatMap(({ id, move, part, bpm, atMs }) =>
      (move.kind === 'clean' || move.kind === 'not-yet') && bpm !== undefined
        ? [
            {
              id,
              part,
              mark: move.kind === 'clean' ? ('c' as const) : ('n' as const),
              bpm,
              atMs,
              notHeld: stated.get(id) ?? []
            }
          ]
        : []
    ),
    part: partInHand(own),
    moreMin: own.reduce((sum, event) => sum + (event.kind === 'more' ? event.minutes : 0), 0),
    end: end && { atMs: end.atMs, how: end.how },
    seconds: end ? end.seconds : secondsBetween(played)
  };
}

/** The latest that was taken up; the first before any was. */
const partInHand = (own: readonly DeskEvent[]): number =>
  own.findLast((event): event is EventOf<'part'> => event.kind === 'part')?.part ?? 0;

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

/** Minutes of the whole road map, as it stands. */
export const sumOfDay = ({ blocks }: Pick<DeskDay, 'blocks'>): Minutes =>
  blocks.reduce((sum, block) => sum + (block.isDropped ? 0 : block.minutes), 0);

/** Bars of one part of a block; all of them where it has none, or the part is all. */
export const barsOfPart = ({ parts, bars }: Pick<RoadBlock, 'parts' | 'bars'>, part: number) =>
  parts[part] ?? bars;

/**
 * A block's work as it is taken up, of one of its parts: what came to hold earlier that day at the same bars holds by now, and only the day's
 * first work at a section begins a click below. All parts together are run once, at today's rung.
 */
export function workNow(day: DeskDay, block: DeskBlock, part = block.run?.part ?? 0): Work | null {
  const { work, sectionId, parts } = block;
  if (!work) return null;
  const goal = Math.max(...work.way);
  if (parts.length > 0 && part >= parts.length)
    return {
      heldBpm: null,
      way: [goal],
      below: [...new Set([...work.way, ...work.below])].filter((bpm) => bpm < goal).sort((a, b) => b - a),
      furtherBpm: null,
      inARow: 1,
      isFirstToday: false
    };
  const bars = barsOfPart(block, part);
  const earlier = day.blocks.filter(
    (one) => one.sectionId === sectionId && beganAt(one) < beganAt(block) && one.run!.answers.length > 0
  );
  const shown = earlier.flatMap((one) =>
    [...one.parts.keys(), one.parts.length]
      .filter((n) => isSameBars(barsOfPart(one, n), bars))
      .map((n) => standingOf(day, one, n)?.heldBpm ?? 0)
  );
  const heldBpm = Math.max(work.heldBpm ?? 0, ...shown) || null;
  const from = heldBpm === null ? 0 : work.way.findIndex((bpm) => bpm >= heldBpm);
  return {
    ...work,
    heldBpm,
    way: from < 0 ? [goal] : work.way.slice(from),
    // one further is of the section, not of a part
    furtherBpm: parts.length > 0 ? null : work.furtherBpm,
    isFirstToday: earlier.length === 0 && part === 0
  };
}

/** Where a block's work stands in one of its parts; null where it has none, or was not begun. */
export function standingOf(day: DeskDay, block: DeskBlock, part = block.run?.part ?? 0): Standing | null {
  const work = workNow(day, block, part);
  if (!work || !block.run) return null;
  return standAfter(
    work,
    block.run.moves.flatMap((one) => (one.part === part ? [one.move] : []))
  );
}

/** The next part that does not yet hold at today's rung, all of it last; null where each does. */
export function nextPart(day: DeskDay, block: DeskBlock): number | null {
  const count = block.parts.length + (block.parts.length > 0 && block.isJoined ? 1 : 0);
  const ahead = Array.from({ length: count }, (_, n) => (n + 1 + (block.run?.part ?? 0)) % count);
  const open = ahead.filter((part) => !isThere(standingOf(day, block, part)));
  return open.find((part) => part < block.parts.length) ?? open[0] ?? null;
}
const isThere = (standing: Standing | null) =>
  standing !== null && standing.heldBpm !== null && standing.heldBpm >= standing.goalBpm;

const beganAt = ({ run }: DeskBlock) => run?.begunAtMs ?? Infinity;
const isSameBars = (a: DeskBlock['bars'], b: DeskBlock['bars']) =>
  a?.fromBar === b?.fromBar && a?.toBar === b?.toBar;

/**
 * What is worked at in a block of the desk: its spots first, then its bars or their parts; where each stands, and where an answer leads. How a
 * tempo moves is tempo-moves.ts's. Source: the practice model, section 2.
 */
import type { DeskWork, RoadBlock, SpotToDo } from '../record';
import { type BarRange, type Minutes, isSameBars, sayBars } from '../units';
import { type DeskBlock, type DeskDay, type Task, type TaskInHand, isSameTask, taskOf } from './desk';
import { type Standing, type Work, standAfter } from './tempo-moves';

/** A spot of a block: one that was laid into it, or found that day at its item; undefined where it has none of that id. */
export function spotOf(
  day: DeskDay,
  { spots = [], itemId }: RoadBlock,
  id: string | undefined
): SpotToDo | undefined {
  const laid = spots.find((spot) => spot.id === id);
  const found = day.found.find((spot) => spot.id === id && spot.itemId === itemId);
  return laid ?? (found && { ...found, isAsked: false, methods: [] });
}

/** All spots of a block, those found that day last. */
export const spotsOf = (day: DeskDay, block: RoadBlock): SpotToDo[] => [
  ...(block.spots ?? []),
  ...day.found.flatMap(({ id }) =>
    block.spots?.some((spot) => spot.id === id) ? [] : (spotOf(day, block, id) ?? [])
  )
];

/** What is in hand before anything was begun. */
const firstTask = (block: DeskBlock): TaskInHand => block.run?.task ?? taskOf(block, []);

/** The bars that are worked at. */
export function barsOfTask(day: DeskDay, block: DeskBlock, task: Task = firstTask(block)): BarRange | null {
  const spot = spotOf(day, block, task.spot);
  return spot ? { fromBar: spot.fromBar, toBar: spot.toBar } : barsOfPart(block, task.part);
}

/** Bars of one part of a block; all of them where it has none, or the part is all. */
export const barsOfPart = ({ parts, bars }: Pick<RoadBlock, 'parts' | 'bars'>, part: number) =>
  parts[part] ?? bars;

/**
 * A block's work as it is taken up, at one of its tasks: what came to hold earlier that day at the same bars holds by now, and only the day's
 * first work at a section begins a click below. All parts together are run once, at today's rung.
 */
export function workNow(day: DeskDay, block: DeskBlock, task: Task = firstTask(block)): Work | null {
  const { work, sectionId, parts } = block;
  if (!work) return null;
  const goal = Math.max(...work.way);
  const spot = spotOf(day, block, task.spot);
  if (spot) return workOfSpot(work, spot);
  if (parts.length > 0 && task.part >= parts.length)
    return {
      heldBpm: null,
      way: [goal],
      below: [...new Set([...work.way, ...work.below])].filter((bpm) => bpm < goal).sort((a, b) => b - a),
      furtherBpm: null,
      // parts of a long section are run once; a link is joined as often as its chunk was played
      inARow: block.link ? work.inARow : 1,
      isFirstToday: false
    };
  const bars = barsOfPart(block, task.part);
  const earlier = day.blocks.filter(
    (one) => one.sectionId === sectionId && beganAt(one) < beganAt(block) && one.run!.answers.length > 0
  );
  const shown = earlier.flatMap((one) =>
    [...one.parts.keys(), one.parts.length]
      .filter((part) => isSameBars(barsOfPart(one, part), bars))
      .map((part) => standingOf(day, one, { part })?.heldBpm ?? 0)
  );
  const heldBpm = Math.max(work.heldBpm ?? 0, ...shown) || null;
  const from = heldBpm === null ? 0 : work.way.findIndex((bpm) => bpm >= heldBpm);
  return {
    ...work,
    heldBpm,
    way: from < 0 ? [goal] : work.way.slice(from),
    // one further is of the section, not of a part
    furtherBpm: parts.length > 0 ? null : work.furtherBpm,
    isFirstToday: earlier.length === 0 && task.part === (block.firstPart ?? 0)
  };
}

/** A spot's own way: from a click below the section's tempo up to today's rung; one that rests is asked once, at the section's tempo. */
function workOfSpot(work: DeskWork, { isAsked }: SpotToDo): Work {
  const [first, ...lower] = work.below;
  const way = isAsked || first === undefined ? work.way : [first, ...work.way];
  return {
    heldBpm: null,
    way: isAsked ? way.slice(0, 1) : way,
    below: isAsked || first === undefined ? work.below : lower,
    furtherBpm: null,
    inARow: isAsked ? 1 : work.inARow,
    isFirstToday: false
  };
}

/** Where a block's work stands at one of its tasks; null where it has none, or was not begun. */
export function standingOf(day: DeskDay, block: DeskBlock, task: Task = firstTask(block)): Standing | null {
  const work = workNow(day, block, task);
  if (!work || !block.run) return null;
  return standAfter(
    work,
    block.run.moves.flatMap((one) => (isSameTask(one, task) ? [one.move] : []))
  );
}

/** The next part that does not yet hold at today's rung, all of it last; null where each does. */
function nextPart(day: DeskDay, block: DeskBlock): number | null {
  const count = block.parts.length + (block.parts.length > 0 && block.isJoined ? 1 : 0);
  const ahead = Array.from({ length: count }, (_, n) => (n + 1 + firstTask(block).part) % count);
  const open = ahead.filter((part) => !isThere(standingOf(day, block, { part })));
  return open.find((part) => part < block.parts.length) ?? open[0] ?? null;
}
const isThere = (standing: Standing | null) =>
  standing !== null && standing.heldBpm !== null && standing.heldBpm >= standing.goalBpm;

/** A spot has at most so long (judgement of the model), and all of them half of the block. */
export const SPOT_MIN: Minutes = 3;

/** What comes after the task in hand: after a part the next that does not hold; after a spot the next, and after the last the bars themselves. */
export function taskAfter(day: DeskDay, block: DeskBlock, seconds = 0): TaskInHand | null {
  const task = firstTask(block);
  if (task.spot === undefined) {
    const part = nextPart(day, block);
    return part === null ? null : { part };
  }
  const spots = block.spots ?? [];
  const place = spots.findIndex(({ id }) => id === task.spot);
  const next = place >= 0 && seconds < halfOf(block) ? spots[place + 1] : undefined;
  return next ? { part: task.part, spot: next.id, method: next.methods[0] } : { part: task.part };
}
const halfOf = ({ minutes }: RoadBlock) => minutes * 30;

/**
 * Where an answer leads besides the tempo: from what holds, and from a spot that was answered clean when its time is over, to what comes
 * after; within a spot from one method to the next. Null where it stays.
 */
export function nextTask(day: DeskDay, block: DeskBlock, seconds: number): TaskInHand | null {
  const task = firstTask(block);
  const isAtRest = standingOf(day, block)?.phase === 'at-rest';
  const spots = block.spots ?? [];
  const place = spots.findIndex(({ id }) => id === task.spot);
  if (isAtRest || place < 0) return isAtRest ? taskAfter(day, block, seconds) : null;
  const spot = spots[place]!;
  const last = block.run?.answers.at(-1);
  // what is only asked takes one attempt, whatever the answer
  if (spot.isAsked) return last?.spot === spot.id ? taskAfter(day, block, seconds) : null;
  // taken up again after the bars themselves it stays until it holds
  if (block.run?.answers.some((answer) => answer.spot === undefined)) return null;
  const worked = spots.filter(({ isAsked }) => !isAsked);
  const turn = worked.indexOf(spot);
  const share = Math.min(SPOT_MIN * 60, halfOf(block) / worked.length);
  const isOver = last?.mark === 'c' && seconds >= (turn + 1) * share;
  if (isOver || seconds >= halfOf(block)) return taskAfter(day, block, seconds);
  const [first, second] = spot.methods;
  const isTurn = last?.mark === 'c' && seconds >= (turn + 0.5) * share;
  return isTurn && second !== undefined && task.method === first ? { ...task, method: second } : null;
}

/** The bars of a task in words; "all of it" where a section's parts are joined. */
export function sayTask(day: DeskDay, block: DeskBlock, task: Task): string {
  const bars = barsOfTask(day, block, task);
  const isAll = task.spot === undefined && block.parts.length > 0 && task.part >= block.parts.length;
  if (isAll && bars && block.link) return `${sayBars(bars)} joined`;
  return isAll || !bars ? 'all of it' : sayBars(bars);
}

const beganAt = ({ run }: DeskBlock) => run?.begunAtMs ?? Infinity;

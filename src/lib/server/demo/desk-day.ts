/** A day of a demo's player at the desk: each block answered as somebody would who gets on with its item so well or so badly. */
import { type DeskBlock, keyInHand, nextTask, readDeskDay, standingOf } from '../../core/practice';
import type { DeskEvent, RoadBlock } from '../../core/record';
import { randomFrom, seedOf } from '../../core/units';
import { instantOf } from '../../core/units/zone';
import type { TodayView } from '../../core/season';
import type { App, Who } from '../app';
import { keepDeskEvents, readToday } from '../usecase/desk';
import { DEMO_ZONE } from './studio';

const ATTEMPT_SECONDS = 18;
const CLEAN_SHARE = 0.9;
const SPOT_CLEAN_SHARE = 0.9;
const SHARP_CLEAN_SHARE = 0.6;
/** A "not yet" in so many is worth a spot, while the item has few. */
const FOUND_SHARE = 0.16;
const MOST_SPOTS = 2;

export const TROUBLES = [
  'breath too late',
  'low after the leap',
  'left hand ahead of the tongue',
  'rushes into the downbeat'
];

export type Player = {
  readonly who: Who;
  readonly candidateId: string;
  readonly auditionId: string;
  readonly easeOf: ReadonlyMap<string, number>;
  readonly random: () => number;
};

/** Plays all blocks that are worked at; runs and the rest of the day's items are logged by hand. Returns the ids of the items that were played. */
export function playAtDesk(app: App, player: Player, date: string): ReadonlySet<string> {
  const { who, auditionId, candidateId } = player;
  const { events, played } = playDay(app, player, readToday(app, who, { auditionId }), date);
  keepDeskEvents(app, who, { candidateId, events });
  return played;
}

/** What a desk would keep of a day that is played so. */
export function playDay(app: Pick<App, 'newId'>, player: Player, view: TodayView, date: string) {
  const desk = new DemoDesk(instantOf(date, '17:00', DEMO_ZONE)!, date, app);
  desk.say({ kind: 'day', blocks: [...view.roadMap] });
  const counts = new Map<string, number>();
  for (const { itemId } of view.spots) counts.set(itemId, (counts.get(itemId) ?? 0) + 1);
  const played = view.roadMap.filter(
    ({ kind, work }) => work !== null || kind === 'warm-up' || kind === 'fundamentals'
  );
  for (const block of played) playBlock(desk, block, player, counts);
  return { events: desk.events, played: new Set(played.map(({ itemId }) => itemId ?? '')) };
}

class DemoDesk {
  readonly events: DeskEvent[] = [];
  constructor(
    private atMs: number,
    readonly date: string,
    private readonly app: Pick<App, 'newId'>
  ) {}

  say(event: Record<string, unknown>): void {
    const seq = this.events.length;
    const made = { id: this.app.newId(), device: 'demo tablet', seq, atMs: this.atMs, date: this.date };
    this.events.push({ ...made, ...event } as DeskEvent);
  }
  pass(seconds: number): void {
    this.atMs += seconds * 1000;
  }
}

function playBlock(
  desk: DemoDesk,
  { id, itemId, minutes, work, bars, fundamental, scales }: RoadBlock,
  { random, easeOf }: Player,
  counts: Map<string, number>
): void {
  desk.say({ kind: 'begin', block: id });
  const isReached = itemId !== null && random() < (easeOf.get(itemId) ?? 1);
  const blockNow = () => {
    const day = readDeskDay(desk.events, desk.date)!;
    return { day, block: day.blocks.find((one) => one.id === id)! };
  };
  let now = blockNow();
  for (let seconds = ATTEMPT_SECONDS; work && seconds < minutes * 60; seconds += ATTEMPT_SECONDS) {
    desk.pass(ATTEMPT_SECONDS);
    const { day, block } = now;
    const standing = standingOf(day, block)!;
    const { task } = block.run!;
    if (standing.phase === 'offer')
      desk.say({ kind: 'move', block: id, ...task, move: { kind: 'further', isTaken: false } });
    const isLast = standing.bpm >= standing.goalBpm && standing.counted === standing.needed - 1;
    const isSpot = task.spot !== undefined;
    const isClean = random() < (isSpot ? SPOT_CLEAN_SHARE : CLEAN_SHARE) && (isSpot || isReached || !isLast);
    desk.say({
      kind: 'move',
      block: id,
      ...task,
      move: { kind: isClean ? 'clean' : 'not-yet' },
      bpm: standing.bpm
    });
    if (!isClean && !isSpot && bars) findSpot(desk, block, random, counts);
    now = blockNow();
    const next = nextTask(now.day, now.block, seconds);
    if (!next) continue;
    desk.say({ kind: 'part', block: id, ...next });
    now = blockNow();
  }
  const chance = randomFrom(seedOf(`${id} ${desk.date}`));
  for (let seconds = ATTEMPT_SECONDS; scales && seconds < minutes * 60; seconds += ATTEMPT_SECONDS) {
    desk.pass(ATTEMPT_SECONDS);
    const { key, bpm, stage } = keyInHand(scales, blockNow().block.run!.keys);
    // what has many sharps or flats comes harder
    const isClean = chance() < (/sharp|flat/.test(key) ? SHARP_CLEAN_SHARE : CLEAN_SHARE);
    desk.say({ kind: 'key', block: id, fundamental, key, bpm, stage, mark: isClean ? 'c' : 'n' });
  }
  desk.pass(ATTEMPT_SECONDS);
  const done = fundamental === undefined ? {} : { fundamental };
  desk.say({ kind: 'end', block: id, seconds: minutes * 60, how: 'next', ...done });
}

function findSpot(
  desk: DemoDesk,
  { itemId, bars }: DeskBlock,
  random: () => number,
  counts: Map<string, number>
): void {
  const there = counts.get(itemId!) ?? 0;
  if (there >= MOST_SPOTS || random() > FOUND_SHARE) return;
  counts.set(itemId!, there + 1);
  const fromBar = bars!.fromBar + Math.floor(random() * (bars!.toBar - bars!.fromBar));
  const issue = TROUBLES[Math.floor(random() * TROUBLES.length)]!;
  const toBar = Math.min(bars!.toBar, fromBar + Math.floor(random() * 2));
  const spot = {
    id: desk.date + itemId!.slice(0, 30) + fromBar,
    itemId,
    fromBar,
    toBar,
    issue,
    notHeld: [],
    foundBy: 'self',
    elsewhere: []
  };
  desk.say({ kind: 'spot', spot });
}

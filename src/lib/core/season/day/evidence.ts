/**
 * What days at the desk say of readiness: runs straight through, the first attempt of a day, starts from bars that were named, probes, pages read
 * at sight, and scales key by key. Each is evidence of its day, for or against. Source: the mock model, section 6, and handbook section 8 (common practice).
 */
import { type DeskBlock, type DeskDay, KEY_IN_A_ROW, type ScaleKey, keysNow } from '../../practice';
import type { Evidence } from '../../readiness';
import type { Fundamental, PlanItem, ScalesToDo, Touch } from '../../record';
import { targetOf } from '../../tempo';
import { type BarRange, type Bpm, SAME_TEMPO, dayOf, isInside, tempoIn } from '../../units';
import { STARTS } from './asked';

/** What is not yet playing a piece. */
const BEFORE_PIECES = ['warm-up', 'fundamentals', 'rest', 'quiet'];
/** Fresh pages in a row at which it was kept going. */
const PAGES = 3;

type Facts = {
  readonly items: readonly PlanItem[];
  readonly log: readonly Touch[];
  readonly rotation: readonly Fundamental[];
};

/** By item. Days in the order of their dates; what was logged of a block says who vouches for it, and of which item it is here. */
export function evidenceOf(days: readonly DeskDay[], facts: Facts): Map<string, Evidence[]> {
  const { items, log } = facts;
  const logged = new Map(log.map((touch) => [touch.id, touch]));
  const all = new Map<string, Evidence[]>(items.map(({ id }) => [id, []]));
  const pagesInARow = new Map<string, number>();
  for (const day of days) {
    const played = day.blocks
      .filter(({ run }) => run !== null)
      .sort((a, b) => a.run!.begunAtMs - b.run!.begunAtMs);
    const first = played.find(({ kind }) => !BEFORE_PIECES.includes(kind));
    for (const block of played) {
      for (const [id, keys] of ofKeys(block, facts))
        all.get(id)!.push({ ...keys, check: 'keys', on: dayOf(day.date), by: 'self' });
      const touch = logged.get(block.id);
      const item = items.find(({ id }) => id === (touch?.itemId ?? block.itemId));
      if (!item) continue;
      const made = { on: dayOf(day.date), by: touch?.evidence ?? ('self' as const) };
      const say = (check: Evidence['check'], isHeld: boolean | null, says = '') =>
        isHeld === null ? 0 : all.get(item.id)!.push({ ...made, check, isHeld, says });
      say('straight', wholeRun(block, item)?.isStraight ?? null, 'a run at the desk');
      if (block === first) say('cold', isThereCold(block, item), 'the first attempt of its day');
      say('anywhere', isThereFromAnyBar(block), 'starts at the desk');
      if (block.kind === 'probe' && block.run!.end?.how === 'next')
        say(
          'probe',
          !day.found.some((spot) => spot.foundBy === 'probe' && spot.itemId === block.itemId),
          'a probe'
        );
      for (const { mark } of block.run!.pages) {
        const inARow = mark === 'c' ? (pagesInARow.get(item.id) ?? 0) + 1 : 0;
        pagesInARow.set(item.id, inARow);
        if (mark === 'n' || inARow >= PAGES)
          say('fresh', mark === 'c', mark === 'c' ? `${inARow} pages in a row` : 'stopped on a fresh page');
      }
    }
  }
  return all;
}

const covers = (bars: BarRange | null, item: BarRange) => bars === null || isInside(item, bars);

/** How the whole item went straight through; null where it was not run. */
const wholeRun = ({ run, bars }: DeskBlock, item: BarRange) =>
  run!.ran && covers(bars, item) ? run!.ran : null;

/** The first attempt at all of it, straight through or inside its range; null where it was of less, or slower. */
function isThereCold(block: DeskBlock, item: PlanItem): boolean | null {
  const ran = wholeRun(block, item);
  if (ran) return ran.isStraight && ran.isClean;
  const [answer] = block.run!.answers;
  const section = item.sections.find(({ id }) => id === block.sectionId);
  const target = section && targetOf(section.tempo);
  if (!answer || answer.spot !== undefined || block.parts.length > 0 || !target || !covers(block.bars, item))
    return null;
  const lowest = section.tempo.kind === 'range' ? section.tempo.lowBpm : target.bpm;
  return answer.bpm < lowest * (1 - SAME_TEMPO) ? null : answer.mark === 'c';
}

/** All bars that were named; null before as many were played as are asked. */
function isThereFromAnyBar({ starts, run }: DeskBlock): boolean | null {
  if (!starts || run!.starts.length < Math.min(STARTS, starts.length)) return null;
  return run!.starts.every(({ mark }) => mark === 'c');
}

/** The item of the list that an entry of the rotation is: the one of its name, or the only scales of both. */
function itemOfScales(entryId: string, { items, rotation }: Facts): PlanItem | null {
  const lists = items.filter(({ kind }) => kind === 'scales');
  const entries = rotation.filter(({ scales }) => scales);
  const name = entries.find(({ id }) => id === entryId)?.name.toLowerCase();
  const named = lists.find((item) => item.name.toLowerCase() === name);
  return named ?? (lists.length === 1 && entries.length === 1 && name !== undefined ? lists[0]! : null);
}

/** Whether every key of a block of scales is at the item's tempo, by the weakest of them. */
function ofKeys({ fundamental, scales, run }: DeskBlock, facts: Facts) {
  const item = scales && run!.keys.length > 0 && itemOfScales(fundamental ?? '', facts);
  if (!item) return [];
  const standing = keysNow(scales, run!.keys).map((key) => ({ key: key.key, bpm: heldBpm(scales, key) }));
  const weakest = standing.reduce((a, b) => (b.bpm < a.bpm ? b : a));
  const targets = item.sections.flatMap(({ tempo }) => targetOf(tempo) ?? []);
  const goal = Math.max(...targets.map((target) => tempoIn(target, scales.unit)), 0) || scales.way.at(-1)!;
  const isHeld = weakest.bpm >= goal * (1 - SAME_TEMPO);
  const says = isHeld ? 'the weakest key too' : `weakest: ${weakest.key}`;
  return [[item.id, { isHeld, says }]] as const;
}

/** The tempo at which a key held last; 0 where it has held at none. */
function heldBpm({ way, stage }: ScalesToDo, key: ScaleKey): Bpm {
  // only what holds with the click as it was at first goes on to less of it
  const isHeld = key.stage !== stage || key.marks.endsWith('c'.repeat(KEY_IN_A_ROW));
  return isHeld ? key.bpm : (way.findLast((bpm) => bpm < key.bpm * (1 - SAME_TEMPO)) ?? 0);
}

/** The days of a laying in their order: blocks with their clock times, and the rung each belongs to. */
import { type DayCapacity, orderBlocks, splitBlocks, startTimes } from '../../plan';
import { clickOf } from '../../tempo';
import { type DayNumber, type Minutes, type Tempo, formatDate } from '../../units';
import { type ItemCase, type LaidMinutes, type SeasonFrame, loggedOn } from './frame';
import type { ClimbRung } from '../climb/rungs';
import type { BlockPart, PlannedBlock, PlannedDay, PlannedItem } from '../laid/plan';
import { partOfBlock } from './block-part';
import { type SeasonRequest, schoolsOf } from '../facts/request';

/** What an item's ladder was given, in time order. */
export function ladderOf(laid: LaidMinutes, one: ItemCase) {
  return laid.minutes.filter((m) => m.owner === one && m.kind === 'ladder').flatMap((m) => m.allotments);
}

export function describeDays(
  request: SeasonRequest,
  frame: SeasonFrame,
  cases: readonly ItemCase[],
  items: readonly PlannedItem[],
  laid: LaidMinutes
): PlannedDay[] {
  const clicks = new Map(items.map((item) => [item.id, item.clicksToGo ?? 0]));
  const tires = new Map(cases.map(({ item }) => [item.id, schoolsOf(item, request.schools).tires]));
  const instruments = new Map(cases.map(({ item }) => [item.id, item.instrument]));
  const missed = missedYesterday(request, frame);
  const pinned = new Set(
    (request.pins ?? []).flatMap((p) => ('minutes' in p ? [`${p.itemId} ${p.date}`] : []))
  );
  const isWork = (kind: PlannedBlock['kind']) => kind === 'ladder' || kind === 'minutes';
  const blocks = blocksByDay(laid, frame.longest);
  const rungAt = new Map(cases.map((one) => [one.item.id, rungByDay(one, laid)]));
  return [...frame.capacities].map(([day, capacity]) => {
    const date = formatDate(day);
    const open = (blocks.get(day) ?? []).map((b) => ({
      ...b,
      clicksToGo: clicks.get(b.id) ?? 0,
      instrument: instruments.get(b.id),
      tires: tires.get(b.id) ?? [],
      wasMissed: day === frame.today && missed.has(b.id)
    }));
    const ordered = orderBlocks(open);
    const before = request.time.warmUpMin + request.time.fundamentalsMin;
    const starts = startTimes(
      ordered,
      capacity.spans,
      Math.max(before, day === frame.today ? loggedOn(request, day) : 0)
    );
    const planned = ordered.map((b, i): PlannedBlock => {
      const climbing = b.kind === 'ladder' ? rungAt.get(b.id)?.get(day) : undefined;
      const rung = climbing?.rung;
      return {
        itemId: b.id,
        kind: b.kind,
        minutes: b.minutes,
        start: sayTime(starts[i]!),
        sectionId: rung?.sectionId ?? null,
        bpm: rung?.bpm ?? null,
        fromClick: climbing?.fromClick ?? null,
        bars: rung?.bars ?? null,
        part: climbing?.part ? ofSeveral(climbing.part, b, ordered.slice(i + 1)) : null,
        isPinned: isWork(b.kind) && pinned.has(`${b.id} ${date}`)
      };
    });
    return describeDay(date, capacity, inClockOrder(planned));
  });
}

/** Of an item's blocks on a day the last joins its parts. */
function ofSeveral(part: BlockPart, block: DayBlock, after: readonly DayBlock[]): BlockPart {
  const isLast = !after.some((b) => b.id === block.id && b.kind === block.kind);
  return isLast ? part : { ...part, isJoined: false };
}

/** As the clock has them, where it has them all: a short one may stand in the rest of an earlier span. */
function inClockOrder(blocks: readonly PlannedBlock[]): readonly PlannedBlock[] {
  const isTimed = blocks.every((block) => block.start !== null);
  return isTimed
    ? [...blocks].sort((a, b) => (a.start! < b.start! ? -1 : a.start! > b.start! ? 1 : 0))
    : blocks;
}

function describeDay(date: string, capacity: DayCapacity, blocks: readonly PlannedBlock[]): PlannedDay {
  return {
    date,
    capacityMin: capacity.minutes,
    parts: capacity.parts,
    plannedMin: blocks.reduce((sum, b) => sum + b.minutes, 0),
    blocks
  };
}

type DayBlock = {
  readonly id: string;
  readonly kind: PlannedBlock['kind'];
  readonly minutes: Minutes;
  readonly isWarm: boolean;
  readonly isRun: boolean;
};

/** Every day's blocks: touches first, then the work of each item in the order of the list. */
function blocksByDay(laid: LaidMinutes, longest: Minutes): ReadonlyMap<DayNumber, readonly DayBlock[]> {
  const byDay = new Map<DayNumber, DayBlock[]>();
  const add = (day: DayNumber, block: DayBlock) => {
    const blocks = byDay.get(day);
    if (blocks) blocks.push(block);
    else byDay.set(day, [block]);
  };
  for (const { id, day, kind, minutes } of laid.touches)
    add(day, { id, kind, minutes, isWarm: kind === 'keep-warm', isRun: kind !== 'keep-warm' });
  for (const { owner, kind, allotments } of laid.minutes)
    for (const { day, minutes: ofDay } of allotments)
      for (const minutes of splitBlocks(ofDay, longest))
        add(day, { id: owner.item.id, kind, minutes, isWarm: false, isRun: false });
  return byDay;
}

type Climbing = {
  readonly rung: ClimbRung;
  readonly fromClick: Tempo | null;
  readonly part: BlockPart | null;
};

/** What an item's minutes of each day climb: from the first rung not complete before to the last of its section that is complete by then. */
function rungByDay(one: ItemCase, laid: LaidMinutes): ReadonlyMap<DayNumber, Climbing> {
  const byDay = new Map<DayNumber, Climbing>();
  const { rungs } = one.climb;
  const ends = endsOf(rungs);
  let before = 0;
  for (const { day, minutes } of ladderOf(laid, one)) {
    const after = before + minutes;
    const first = rungs.findIndex((_, i) => ends[i]! > before || i === rungs.length - 1);
    const rung = rungs[first];
    if (!rung) break;
    const last = rungs.findLast((r, i) => i >= first && ends[i]! <= after && r.sectionId === rung.sectionId);
    const at = last ? rungs.indexOf(last) : first;
    const begins = at === 0 ? 0 : ends[at - 1]!;
    const part = partOfBlock(one.item, rungs[at]!, {
      from: Math.max(0, before - begins),
      to: Math.min(after, ends[at]!) - begins,
      all: ends[at]! - begins
    });
    byDay.set(day, { rung: rungs[at]!, fromClick: clickBefore(one, first), part });
    before = after;
  }
  return byDay;
}

/** Minutes by which each rung is complete. */
function endsOf(rungs: readonly ClimbRung[]): Minutes[] {
  let sum = 0;
  return rungs.map((rung) => (sum += rung.minutes - rung.minutesDone));
}

/** The click of the rung before in the same section, or of what holds of it. */
function clickBefore({ climb }: ItemCase, first: number): Tempo | null {
  const rung = climb.rungs[first]!;
  if (rung.bars) return null;
  const before = climb.rungs.findLast((r, i) => i < first && r.sectionId === rung.sectionId);
  if (before) return before.click;
  const section = climb.sections.find((s) => s.id === rung.sectionId);
  return section?.held && section.startBpm && section.unit
    ? clickOf({ bpm: section.startBpm, unit: section.unit })
    : null;
}

/** Items that yesterday's plan asked for and the log does not have. */
function missedYesterday(request: SeasonRequest, frame: SeasonFrame): ReadonlySet<string> {
  const yesterday = formatDate(frame.today - 1);
  const planned = (request.previous?.allotments ?? [])
    .filter((a) => a.date === yesterday)
    .map((a) => a.itemId);
  return new Set(planned.filter((id) => loggedOn(request, frame.today - 1, id) === 0));
}

function sayTime(minutes: Minutes | null): string | null {
  if (minutes === null) return null;
  return `${String(Math.floor(minutes / 60)).padStart(2, '0')}:${String(minutes % 60).padStart(2, '0')}`;
}

/** The days of a laying in their order: blocks with their clock times, and the rung each belongs to. */
import { type DayCapacity, orderBlocks, splitBlocks, startTimes } from '../../plan';
import { type DayNumber, type Minutes, formatDate } from '../../units';
import { type ItemCase, type LaidMinutes, type SeasonFrame, loggedOn } from './frame';
import { schoolsOf } from '../climb/climb';
import type { PlannedBlock, PlannedDay, PlannedItem } from '../laid/plan';
import type { SeasonRequest } from '../facts/request';

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
  const missed = missedYesterday(request, frame);
  const pinned = new Set(
    (request.pins ?? []).flatMap((p) => ('minutes' in p ? [`${p.itemId} ${p.date}`] : []))
  );
  const isWork = (kind: PlannedBlock['kind']) => kind === 'ladder' || kind === 'minutes';
  const blocks = blocksByDay(laid);
  const rungAt = new Map(cases.map((one) => [one.item.id, rungByDay(one, laid)]));
  return [...frame.capacities].map(([day, capacity]) => {
    const date = formatDate(day);
    const open = (blocks.get(day) ?? []).map((b) => ({
      ...b,
      clicksToGo: clicks.get(b.id) ?? 0,
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
      const rung = b.kind === 'ladder' ? rungAt.get(b.id)?.get(day) : undefined;
      return {
        itemId: b.id,
        kind: b.kind,
        minutes: b.minutes,
        start: sayTime(starts[i]!),
        sectionId: rung?.sectionId ?? null,
        bpm: rung?.bpm ?? null,
        bars: rung?.bars ?? null,
        isPinned: isWork(b.kind) && pinned.has(`${b.id} ${date}`)
      };
    });
    return describeDay(date, capacity, planned);
  });
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
function blocksByDay(laid: LaidMinutes): ReadonlyMap<DayNumber, readonly DayBlock[]> {
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
      for (const minutes of splitBlocks(ofDay))
        add(day, { id: owner.item.id, kind, minutes, isWarm: false, isRun: false });
  return byDay;
}

/** Which rung an item's minutes of each day belong to: the first not complete before that day. */
function rungByDay(
  one: ItemCase,
  laid: LaidMinutes
): ReadonlyMap<DayNumber, ItemCase['climb']['rungs'][number]> {
  const byDay = new Map<DayNumber, ItemCase['climb']['rungs'][number]>();
  const { rungs } = one.climb;
  let at = 0;
  let upTo = rungs[0] ? rungs[0].minutes - rungs[0].minutesDone : 0;
  let before = 0;
  for (const { day, minutes } of ladderOf(laid, one)) {
    while (upTo <= before && at < rungs.length - 1) {
      at += 1;
      upTo += rungs[at]!.minutes - rungs[at]!.minutesDone;
    }
    if (rungs[at]) byDay.set(day, rungs[at]!);
    before += minutes;
  }
  return byDay;
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

/**
 * Where a plan could not be kept as a teacher would sign it, item by item, and what stands in its way. What fits is decided elsewhere; here
 * the plan is only read. The points: docs/plan.md.
 */
import { LEAST_BLOCK_MIN, MOST_BLOCKS_A_DAY, touchMinutes } from '../../plan';
import { dayOf, sayDate, saySpan } from '../../units';
import type { PlannedDay, PlannedItem, Unkept } from '../laid/plan';
import { sayRung } from '../laid/plan';
import type { ItemCase, LaidMinutes, SeasonFrame } from './frame';
import { readShape } from './in-shape';

/** Rungs of one item completed on a day (judgement). */
const MOST_RUNGS = 2;

export function readUnkept(
  frame: SeasonFrame,
  cases: readonly ItemCase[],
  items: readonly PlannedItem[],
  days: readonly PlannedDay[],
  laid: LaidMinutes
): Unkept[] {
  const byItem = cases.flatMap((one) => {
    const item = items.find(({ id }) => id === one.item.id)!;
    if (item.state !== 'climbing') return [];
    return [
      readContact(frame, one, days, laid),
      readSteps(item),
      readFarthest(frame, one, item, days)
    ].flatMap((unkept) => unkept ?? []);
  });
  return [...byItem, ...days.flatMap(readBlocks)];
}

/** The longest of the rests that are too long. */
function readContact(
  frame: SeasonFrame,
  { item, climb, stages }: ItemCase,
  days: readonly PlannedDay[],
  laid: LaidMinutes
): Unkept | null {
  const own = laid.minutes.find(({ owner, kind }) => owner.item === item && kind === 'ladder');
  const last = own?.allotments.at(-1)?.day;
  if (!own?.asked.climbing || last === undefined) return null;
  let [rest, longest]: [PlannedDay[], PlannedDay[]] = [[], []];
  for (const planned of days) {
    const day = dayOf(planned.date);
    if (day > last || day >= stages!.lastDaysFrom) break;
    if (day < stages!.began || (frame.open.get(day) ?? 0) === 0) continue;
    if (planned.blocks.some((block) => block.itemId === item.id)) {
      if (rest.length > own.asked.climbing.mostRest(day) && rest.length > longest.length) longest = rest;
      rest = [];
    } else rest.push(planned);
  }
  if (longest.length === 0) return null;
  const minutes = touchMinutes(climb.runSeconds);
  const isFull = longest.every((day) => day.plannedMin + minutes > frame.open.get(dayOf(day.date))!);
  const span = saySpan(dayOf(longest[0]!.date), dayOf(longest.at(-1)!.date));
  const why = isFull
    ? 'the days between are full'
    : `the days between are full or have ${MOST_BLOCKS_A_DAY} blocks`;
  return {
    itemId: item.id,
    date: null,
    point: 'contact',
    says: `It rests on ${longest.length} practice days, ${span}: ${why}.`
  };
}

function readSteps(item: PlannedItem): Unkept | null {
  const on = new Map<string, number>();
  for (const { date } of item.rungs) if (date) on.set(date, (on.get(date) ?? 0) + 1);
  const most = [...on].sort((a, b) => b[1] - a[1])[0];
  if (!most || most[1] <= MOST_RUNGS) return null;
  const [date, count] = most;
  const isPinned = item.rungs.some((rung) => rung.date === date && rung.pinnedTo !== null);
  const why = isPinned ? 'a date set by hand asks it' : 'its minutes found no better day';
  return {
    itemId: item.id,
    date: null,
    point: 'steps',
    says: `${count} rungs on ${sayDate(dayOf(date))}: ${why}.`
  };
}

/** The rung farthest from where its shape puts it. */
function readFarthest(
  frame: SeasonFrame,
  one: ItemCase,
  item: PlannedItem,
  days: readonly PlannedDay[]
): Unkept | null {
  if (item.shortMin > 0 || item.rungs.some((rung) => rung.pinnedTo)) return null;
  const { places, play } = readShape(one, frame.today);
  const off = item.rungs
    .map((rung, i) => ({
      rung,
      at: i,
      days: rung.date === null ? 0 : Math.round(dayOf(rung.date) - places[i]!)
    }))
    .sort((a, b) => Math.abs(b.days) - Math.abs(a.days))[0];
  if (!off || Math.abs(off.days) <= play) return null;
  const much = `${Math.abs(off.days)} days ${off.days > 0 ? 'later' : 'earlier'}`;
  const due = places[off.at]!;
  const between = days.filter(({ date }) => dayOf(date) >= due && date < off.rung.date!);
  const isFull = between.every(
    (day) => day.plannedMin + LEAST_BLOCK_MIN > (frame.open.get(dayOf(day.date)) ?? 0)
  );
  const later = isFull
    ? 'the days before are full'
    : 'sooner would make the days before heavier than they need be';
  const why = off.days > 0 ? later : 'it has few minutes, in whole blocks';
  return {
    itemId: item.id,
    date: null,
    point: 'shape',
    says: `${sayRung(off.rung)} comes ${much} than its shape would have it: ${why}.`
  };
}

function readBlocks({ date, blocks }: PlannedDay): Unkept[] {
  if (blocks.length <= MOST_BLOCKS_A_DAY) return [];
  const says = `${blocks.length} blocks: its minutes ask for them.`;
  return [{ itemId: null, date, point: 'blocks', says }];
}

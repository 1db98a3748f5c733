/**
 * Lays a season's plan: windows from the rounds, ladders from what holds, minutes into days, dates onto rungs.
 * The same request gives the same plan to the byte: no clock, no chance. Method: the plan model; the allotment
 * is core/plan/allot.ts's. When a previous laying is handed over, what was agreed stays where it still fits, unless
 * laying afresh would need less or lie much more evenly.
 */
import { type Asked, DayBook, allot, layStages, reserveTouches } from '../plan';
import { inTimeOrder } from '../practice';
import { type DayNumber, dayOf } from '../units';
import { askOfClimb, askOfMinutes, DEFAULT_MOST_PER_DAY_MIN } from './ask';
import { readClimb, schoolsOf, touchesOf } from './climb';
import { describePlan } from './describe';
import { type ItemCase, type ItemMinutes, type Laid, type SeasonFrame, loggedOn, readFrame } from './frame';
import type { SeasonPlan } from './plan';
import type { SeasonItem, SeasonRequest } from './request';

/** Laying all afresh is only worth the upheaval when the load becomes more even by this (judgement). */
const WORTH_UPHEAVAL = 1.05;

/** The plan for a request that its schema has found sound. Cost: about items x days x blocks. */
export function laySeason(request: SeasonRequest): SeasonPlan {
  const sorted: SeasonRequest = { ...request, log: inTimeOrder(request.log) };
  const frame = readFrame(sorted);
  const cases = sorted.items.map((item, rank) => readCase(sorted, item, rank, frame));
  const kept = layOnce(sorted, frame, cases, true);
  const laid = sorted.previous ? better(kept, () => layOnce(sorted, frame, cases, false)) : kept;
  return describePlan(sorted, frame, cases, laid);
}

function better(kept: Laid, layAfresh: () => Laid): Laid {
  const fresh = layAfresh();
  const sum = (laid: Laid) => laid.short.reduce((total, s) => total + s.minutes, 0);
  if (sum(fresh) !== sum(kept)) return sum(fresh) < sum(kept) ? fresh : kept;
  return kept.unevenness > fresh.unevenness * WORTH_UPHEAVAL ? fresh : kept;
}

function readCase(request: SeasonRequest, item: SeasonItem, rank: number, frame: SeasonFrame): ItemCase {
  const heard = request.rounds
    .filter((r) => r.itemIds === undefined || r.itemIds.includes(item.id))
    .map((r) => dayOf(r.date))
    .filter((day) => day >= frame.today)
    .sort((a, b) => a - b);
  const touches = touchesOf(request.log, item.id, frame.today);
  return {
    item,
    rank,
    climb: readClimb(item, touches, schoolsOf(item, request.schools), frame.today, request.previous),
    stages: heard[0] === undefined ? null : layStages(frame.began, heard[0]),
    lastDayZero: heard.at(-1) ?? null
  };
}

function layOnce(
  request: SeasonRequest,
  frame: SeasonFrame,
  cases: readonly ItemCase[],
  isKeeping: boolean
): Laid {
  const book = new DayBook(frame.open);
  const touches = reserveTouches(cases.flatMap(warmItems), frame.today, book);
  const owners: ItemCase[] = [];
  const kinds: ItemMinutes['kind'][] = [];
  const asked: Asked[] = [];
  const add = (owner: ItemCase, kind: ItemMinutes['kind'], asks: readonly Asked[]) => {
    for (const ask of asks) {
      owners.push(owner);
      kinds.push(kind);
      asked.push(ask);
    }
  };
  for (const one of cases) {
    if (!one.stages) continue;
    const kept = (kind: ItemMinutes['kind']) =>
      isKeeping ? keptOf(request, one.item, kind, frame.today) : pinsOf(request, one.item, kind, frame.today);
    add(one, 'ladder', askOfClimb(one.climb, one.item, one.stages, frame, kept('ladder')));
    add(one, 'minutes', askOfMinutes(request, one.item, one.stages, frame, kept('minutes')));
  }
  const { byAsked, short } = allot(asked, book);
  const minutes = byAsked.map((allotments, i) => ({
    itemId: owners[i]!.item.id,
    kind: kinds[i]!,
    allotments
  }));
  let unevenness = 0;
  for (const [day, capacity] of frame.open)
    if (capacity > 0) unevenness += (capacity - book.room(day)) ** 2 / capacity;
  return { touches, minutes, short, unevenness };
}

function warmItems(one: ItemCase) {
  const { item, rank, climb, stages, lastDayZero } = one;
  if (!stages || climb.sections.every((s) => s.unit === null)) return [];
  const warm = { id: item.id, rank, seconds: climb.runSeconds };
  const first = { ...warm, isHeld: climb.rungs.length === 0, stages };
  if (lastDayZero === null || lastDayZero === stages.dayZero) return [first];
  return [first, { ...warm, isHeld: true, stages: layStages(stages.dayZero, lastDayZero) }];
}

type Kept = Asked['kept'];

/** Pins by hand belong to the ladder; an item without one gets them for its weekly minutes. */
function pinsOf(request: SeasonRequest, item: SeasonItem, kind: ItemMinutes['kind'], today: DayNumber): Kept {
  const pinnedKind = item.sections.some((s) => s.tempo.kind !== 'free') ? 'ladder' : 'minutes';
  if (kind !== pinnedKind) return [];
  return (request.pins ?? [])
    .filter((pin) => pin.itemId === item.id && dayOf(pin.date) >= today)
    .map((pin) => ({
      day: dayOf(pin.date),
      minutes: Math.min(pin.minutes, item.mostPerDayMin ?? DEFAULT_MOST_PER_DAY_MIN),
      isPinned: true
    }));
}

/** What was agreed from today on; today's minutes that the log has used are done. */
function keptOf(request: SeasonRequest, item: SeasonItem, kind: ItemMinutes['kind'], today: DayNumber): Kept {
  const pins = pinsOf(request, item, kind, today);
  const agreed = (request.previous?.allotments ?? [])
    .filter((a) => a.itemId === item.id && a.kind === kind && dayOf(a.date) >= today)
    .map((a) => ({ day: dayOf(a.date), minutes: a.minutes, isPinned: false }))
    .map((a) => (a.day === today ? { ...a, minutes: a.minutes - loggedOn(request, today, item.id) } : a))
    .filter((a) => a.minutes > 0 && !pins.some((pin) => pin.day === a.day));
  return [...pins, ...agreed];
}

/**
 * Lays a season's plan: windows from the rounds, ladders from what holds, minutes into days, dates onto rungs.
 * The same request gives the same plan to the byte: no clock, no chance. Method: the plan model; the allotment
 * is core/plan/allot.ts's. When a previous laying is handed over, what was agreed stays where it can.
 */
import {
  type AskedDemand,
  IN_CONTEXT_SHARE,
  LEAST_BLOCK_MIN,
  allot,
  findFit,
  layStages,
  readDemands,
  reserveTouches
} from '../../plan';
import { inTimeOrder } from '../../practice';
import { type DayNumber, type Minutes, dayOf } from '../../units';
import { askOfClimb, askOfMinutes, mostPerDay, rungPinsOf } from './ask';
import { readClimb, schoolsOf, touchesOf } from '../climb/climb';
import { describePlan } from './describe';
import {
  type ItemCase,
  type ItemMinutes,
  type LaidMinutes,
  type SeasonFrame,
  nextRoundDayOf,
  loggedOn,
  readFrame
} from './frame';
import type { PlannedShortage, SeasonPlan } from '../laid/plan';
import type { BlockPin, SeasonItem, SeasonRequest } from '../facts/request';
import { isNarrowed, narrowToCuts } from '../facts/narrow';
import { describeShortage } from './shortage';
import { limitWeeks } from './weeks';

/** The plan for a request that its schema has found sound. Cost: some flows over items x days. */
export function laySeason(request: SeasonRequest): SeasonPlan {
  const asking = readAsking(request);
  return describePlan(asking.request, asking.frame, asking.cases, layMinutes(asking));
}

/**
 * One laying as each of several auditions looks at it, counted down to its own rounds; `rounds` has the ids of their rounds. What is laid
 * is the same for all of them.
 */
export function layForEach(
  given: SeasonRequest,
  rounds: readonly NonNullable<SeasonRequest['countsDownTo']>[]
): SeasonPlan[] {
  const { request, frame, cases, ...asking } = readAsking(given);
  const laid = layMinutes({ request, frame, cases, ...asking });
  return rounds.map((countsDownTo) => {
    const own = { ...request, countsDownTo };
    return describePlan(own, { ...frame, nextRoundDay: nextRoundDayOf(own) }, cases, laid);
  });
}

/** What a plan for the request would be short of, without the plan itself; null where it fits in whole blocks. */
export function layShort(request: SeasonRequest): PlannedShortage | null {
  const asking = readAsking(request);
  return describeShortage(layMinutes(asking), asking.frame);
}

type Ask = Pick<ItemMinutes, 'owner' | 'kind' | 'asked'>;

/** All that a request asks of its days, before any minute is placed. */
export type Asking = {
  /** With its log in time order. */
  readonly request: SeasonRequest;
  readonly frame: SeasonFrame;
  readonly cases: readonly ItemCase[];
  readonly touches: LaidMinutes['touches'];
  readonly asks: readonly Ask[];
  /** Minutes of each day beside the touches; none where there is no room for a block. */
  readonly capacity: ReadonlyMap<DayNumber, Minutes>;
};

export function readAsking(given: SeasonRequest): Asking {
  const request: SeasonRequest = {
    ...given,
    items: given.items.map(narrowToCuts),
    log: inTimeOrder(given.log)
  };
  const frame = readFrame(request);
  const cases = request.items.map((item, rank) => readCase(request, item, rank, frame));
  const touches = reserveTouches(cases.flatMap(warmItems), frame.today, frame.open, agreedByDay(request));
  const capacity = new Map(frame.open);
  for (const { day, minutes } of touches) capacity.set(day, capacity.get(day)! - minutes);
  for (const [day, minutes] of capacity) if (minutes < LEAST_BLOCK_MIN) capacity.set(day, 0);
  return {
    request,
    frame,
    cases,
    touches,
    capacity,
    asks: cases.flatMap((one) => asksOf(request, frame, one))
  };
}

function readCase(request: SeasonRequest, item: SeasonItem, rank: number, frame: SeasonFrame): ItemCase {
  const heard = request.rounds
    .filter((r) => r.itemIds === undefined || r.itemIds.includes(item.id))
    .map((r) => dayOf(r.date))
    .filter((day) => day >= frame.today)
    .sort((a, b) => a - b);
  const began = Math.min(item.began ? dayOf(item.began) : frame.began, heard[0] ?? Infinity);
  const touches = touchesOf(request.log, item.id, frame.today);
  const climb = readClimb(item, touches, schoolsOf(item, request.schools), frame, request.previous);
  const isInContext = (climb.heldShare ?? 0) >= IN_CONTEXT_SHARE;
  return {
    item,
    rank,
    climb,
    stages:
      heard[0] === undefined
        ? null
        : layStages(
            began,
            heard[0],
            Math.max(frame.today, began),
            isInContext,
            item.daysIntoMock ?? request.daysIntoMock
          ),
    lastDayZero: heard.at(-1) ?? null
  };
}

function layMinutes({ request, frame, touches, capacity, asks }: Asking): LaidMinutes {
  const asked = asks.map((ask) => ask.asked);
  const { byAsked, shortMin, pieceMin, reasons } = allot(
    asked,
    capacity,
    preferred(request, frame, asked, capacity)
  );
  const minutes = asks.map((ask, a): ItemMinutes => {
    const piece = pieceMin[a]!;
    const isBlock = piece >= LEAST_BLOCK_MIN;
    return {
      ...ask,
      allotments: byAsked[a]!,
      shortMin: shortMin[a]! + (isBlock ? piece : 0),
      pieceMin: isBlock ? piece : 0,
      leftOutMin: isBlock ? 0 : piece
    };
  });
  return { touches, minutes, reasons, usable: capacity };
}

function agreedByDay(request: SeasonRequest): Map<DayNumber, Minutes> {
  const byDay = new Map<DayNumber, Minutes>();
  for (const { date, minutes } of request.previous?.allotments ?? [])
    byDay.set(dayOf(date), (byDay.get(dayOf(date)) ?? 0) + minutes);
  return byDay;
}

/**
 * The minutes to use where nothing was agreed yet: within what lets no week jump, and nothing more of a day that has been
 * logged, where every window places as much so as with all minutes.
 */
function preferred(
  request: SeasonRequest,
  frame: SeasonFrame,
  asked: readonly AskedDemand[],
  capacity: ReadonlyMap<DayNumber, Minutes>
): ReadonlyMap<DayNumber, Minutes> {
  const isLogged = loggedOn(request, frame.today) > 0;
  const rested = isLogged && capacity.has(frame.today) ? new Map(capacity).set(frame.today, 0) : capacity;
  const placed = (minutes: ReadonlyMap<DayNumber, Minutes>) =>
    findFit(readDemands(asked, minutes), asked.length).placed.join();
  const whole = placed(capacity);
  const wishes = [limitWeeks(request, frame, rested), rested].filter((wish) => wish !== capacity);
  return wishes.find((wish) => placed(wish) === whole) ?? capacity;
}

function asksOf(request: SeasonRequest, frame: SeasonFrame, owner: ItemCase): Ask[] {
  const { item, climb, stages } = owner;
  if (!stages || item.isLeftOut) return [];
  const rungPins = rungPinsOf(request, item);
  const ladder = askOfClimb(
    climb,
    item,
    stages,
    frame,
    rungPins,
    keptOf(request, item, 'ladder', frame.today)
  );
  const minutes = askOfMinutes(request, item, stages, frame, keptOf(request, item, 'minutes', frame.today));
  const ask = (kind: Ask['kind'], asked: AskedDemand | null): Ask[] =>
    asked ? [{ owner, kind, asked }] : [];
  return [...ask('ladder', ladder), ...ask('minutes', minutes)];
}

function warmItems(one: ItemCase) {
  const { item, rank, climb, stages, lastDayZero } = one;
  if (!stages || item.isLeftOut || climb.sections.every((s) => s.unit === null)) return [];
  const warm = { id: item.id, rank, seconds: climb.runSeconds };
  const first = { ...warm, isHeld: climb.rungs.length === 0, isNarrowed: isNarrowed(item), stages };
  if (lastDayZero === null || lastDayZero === stages.dayZero) return [first];
  return [first, { ...warm, isHeld: true, stages: layStages(stages.dayZero, lastDayZero) }];
}

/**
 * Blocks pinned by hand belong to the ladder; an item without one gets them for its weekly minutes. Today's pinned minutes
 * that the log has used are done.
 */
function pinsOf(
  request: SeasonRequest,
  item: SeasonItem,
  kind: ItemMinutes['kind'],
  today: DayNumber
): AskedDemand['kept'] {
  const pinnedKind = item.sections.some((s) => s.tempo.kind !== 'free') ? 'ladder' : 'minutes';
  if (kind !== pinnedKind) return [];
  return (request.pins ?? [])
    .filter((pin): pin is BlockPin => 'minutes' in pin && pin.itemId === item.id && dayOf(pin.date) >= today)
    .map((pin) => ({
      day: dayOf(pin.date),
      minutes: leftToday(request, item, dayOf(pin.date), pin.minutes, today),
      isPinned: true
    }))
    .map((pin) => ({ ...pin, minutes: Math.min(pin.minutes, mostPerDay(item)[kind]) }))
    .filter((pin) => pin.minutes > 0);
}

function leftToday(
  request: SeasonRequest,
  item: SeasonItem,
  day: DayNumber,
  minutes: Minutes,
  today: DayNumber
): Minutes {
  return day === today ? minutes - loggedOn(request, today, item.id) : minutes;
}

/** What was pinned or agreed from today on; today's minutes that the log has used are done. */
function keptOf(
  request: SeasonRequest,
  item: SeasonItem,
  kind: ItemMinutes['kind'],
  today: DayNumber
): AskedDemand['kept'] {
  const pins = pinsOf(request, item, kind, today);
  const agreed = (request.previous?.allotments ?? [])
    .filter((a) => a.itemId === item.id && a.kind === kind && dayOf(a.date) >= today)
    .map((a) => ({
      day: dayOf(a.date),
      minutes: leftToday(request, item, dayOf(a.date), a.minutes, today),
      isPinned: false
    }))
    .filter((a) => a.minutes > 0 && !pins.some((pin) => pin.day === a.day));
  return [...pins, ...agreed];
}

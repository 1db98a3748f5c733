/**
 * Lays a season's plan: windows from the rounds, ladders from what holds, minutes into days, dates onto rungs.
 * The same request gives the same plan to the byte: no clock, no chance. Method: the plan model; the allotment
 * is core/plan/allot.ts's. When a previous laying is handed over, what was agreed stays where it can.
 */
import {
  type AskedDemand,
  IN_CONTEXT_SHARE,
  LEAST_BLOCK_MIN,
  LONGEST_BLOCK_MIN,
  allot,
  dayCapacity,
  findFit,
  isAgreed,
  layStages,
  type ReservedTouch,
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
import { groundOf } from '../facts/ground';
import { isNarrowed, narrowToCuts } from '../facts/narrow';
import { describeShortage } from './shortage';
import { limitWeeks } from './weeks';
import { touchesBetween } from './contact';

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
  /** What it stands on besides the log and the day. */
  readonly ground: string;
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
  const asks = cases.flatMap((one) => asksOf(request, frame, one));
  const touches = reserveTouches(
    cases.flatMap(warmItems),
    frame.today,
    frame.open,
    agreedByDay(request),
    usualMinutes(request, frame, asks)
  );
  const capacity = new Map(frame.open);
  for (const { day, minutes } of touches) capacity.set(day, capacity.get(day)! - minutes);
  for (const [day, minutes] of capacity) if (minutes < LEAST_BLOCK_MIN) capacity.set(day, 0);
  return {
    request,
    ground: groundOf(request),
    frame,
    cases,
    touches,
    capacity,
    asks: asks.map((ask) => withTouches(ask, touches))
  };
}

/** With the days on which the item is touched besides. */
function withTouches(ask: Ask, touches: readonly ReservedTouch[]): Ask {
  const { climbing } = ask.asked;
  if (!climbing) return ask;
  const touchedOn = new Set(touches.filter((t) => t.id === ask.owner.item.id).map((t) => t.day));
  return { ...ask, asked: { ...ask.asked, climbing: { ...climbing, touchedOn } } };
}

/** Days before the last fortnight by which it is said what is usual. */
const USUAL_DAYS = 28;

/** Mean minutes of a practice day in the four weeks before the last fortnight: as logged, and as what is asked comes to on the days ahead. */
function usualMinutes(request: SeasonRequest, frame: SeasonFrame, asks: readonly Ask[]): Minutes {
  const stages = asks.map((ask) => ask.owner.stages!).sort((a, b) => a.dayZero - b.dayZero)[0];
  if (!stages) return Infinity;
  const until = Math.max(stages.mockFrom, frame.today + 1);
  const ahead = [...frame.open].filter(([day, minutes]) => day < until && minutes > 0);
  const asked = asks
    .flatMap((ask) => ask.asked.windows)
    .reduce((sum, window) => sum + (window.from < until ? window.minutes : 0), 0);
  const there = ahead.reduce((sum, [, minutes]) => sum + minutes, 0);
  const perDay = ahead.length === 0 ? 0 : Math.min(asked, there) / ahead.length;
  const logged = new Map<string, Minutes>();
  for (const { date, minutes } of request.log)
    if (dayOf(date) >= stages.mockFrom - USUAL_DAYS && dayOf(date) < Math.min(stages.mockFrom, frame.today))
      logged.set(date, (logged.get(date) ?? 0) + minutes);
  const days = ahead.filter(([day]) => day >= stages.mockFrom - USUAL_DAYS && day < stages.mockFrom).length;
  const done = [...logged.values()].reduce((sum, minutes) => sum + minutes, 0);
  return days + logged.size === 0 ? Math.max(perDay, 1) : (done + perDay * days) / (days + logged.size);
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

/** Laid once, and where nothing was agreed once more around the touches that the first laying lacked. */
function layMinutes(asking: Asking): LaidMinutes {
  const first = layOnce(asking, asking.touches);
  const lacking = touchesBetween(asking.frame, first.minutes, asking.touches);
  const wasAgreed = isAgreed(asking.asks.map((ask) => ask.asked));
  if (lacking.length === 0 || wasAgreed) return { ...first, touches: [...asking.touches, ...lacking] };
  const touches = [...asking.touches, ...lacking];
  const capacity = new Map(asking.capacity);
  for (const { day, minutes } of lacking) capacity.set(day, Math.max(0, (capacity.get(day) ?? 0) - minutes));
  const asks = asking.asks.map((ask) => withTouches(ask, touches));
  const again = layOnce({ ...asking, asks, capacity }, touches);
  if (missing(again) > missing(first)) return { ...first, touches };
  return { ...again, touches: [...touches, ...touchesBetween(asking.frame, again.minutes, touches)] };
}

const missing = ({ minutes }: LaidMinutes) =>
  minutes.reduce((sum, one) => sum + one.shortMin + one.leftOutMin, 0);

function layOnce(
  { request, ground, frame, capacity, asks }: Asking,
  touches: readonly ReservedTouch[]
): LaidMinutes {
  const asked = asks.map((ask) => ask.asked);
  const touched = new Map<DayNumber, { minutes: Minutes; blocks: number }>();
  for (const { day, minutes } of touches) {
    const on = touched.get(day) ?? { minutes: 0, blocks: 0 };
    touched.set(day, { minutes: on.minutes + minutes, blocks: on.blocks + 1 });
  }
  const { byAsked, shortMin, pieceMin, reasons } = allot(
    asked,
    capacity,
    preferred(request, frame, asked, capacity),
    touched,
    request.previous?.ground !== ground
  );
  const minutes = asks.map((ask, a): ItemMinutes => {
    const piece = pieceMin[a]!;
    const isBlock = piece >= (ask.asked.least ?? LEAST_BLOCK_MIN);
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
  const minutes = askOfMinutes(request, item, stages, frame, keptOf(request, item, 'minutes', frame.today));
  const ladder = askOfClimb(
    climb,
    item,
    stages,
    frame,
    rungPins,
    keptOf(request, item, 'ladder', frame.today),
    minutes?.mostPerDay
  );
  const behind = climb.clicksToGo ?? 0;
  const ask = (kind: Ask['kind'], asked: AskedDemand | null): Ask[] =>
    asked
      ? [{ owner, kind, asked: { ...asked, missed: missedOf(request, item, kind, frame.today, behind) } }]
      : [];
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
    .map((pin) => ({ ...pin, minutes: Math.min(pin.minutes, mostPerDay(item)) }))
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

/**
 * The block that was agreed for a day before today and not played since: one at most, however many days were missed. A day away, or
 * without minutes by now, makes nothing missed.
 */
function missedOf(
  request: SeasonRequest,
  item: SeasonItem,
  kind: ItemMinutes['kind'],
  today: DayNumber,
  behind: number
): AskedDemand['missed'] {
  const agreed = (request.previous?.allotments ?? []).filter(
    (a) => a.itemId === item.id && a.kind === kind && dayOf(a.date) < today
  );
  const open = agreed.map(({ date, minutes }) => {
    const since = request.log.filter((t) => t.itemId === item.id && t.date >= date);
    const played = since.reduce((sum, t) => sum + t.minutes, 0);
    const isAway = dayCapacity(dayOf(date), request.time).minutes === 0;
    return isAway ? 0 : Math.min(minutes, LONGEST_BLOCK_MIN) - played;
  });
  const minutes = Math.max(0, ...open);
  return minutes >= LEAST_BLOCK_MIN ? { minutes, behind } : undefined;
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

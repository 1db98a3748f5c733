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
  isAgreed,
  layStages,
  type ReservedTouch,
  readDemands,
  reserveTouches
} from '../../plan';
import { inTimeOrder } from '../../practice';
import { type DayNumber, type Minutes, type Share, dayOf } from '../../units';
import { type Ask, asksOf } from './asks';
import { readClimb, touchesOf } from '../climb/climb';
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
import { type SeasonItem, type SeasonRequest, schoolsOf } from '../facts/request';
import { groundOf } from '../facts/ground';
import { isNarrowed, narrowToCuts } from '../facts/narrow';
import { describeShortage } from './shortage';
import { limitWeeks } from './weeks';
import { touchesBetween } from './contact';
import { askInShape } from './in-shape';

/** The plan for a request that its schema has found sound. Cost: some flows over items x days. */
export function laySeason(request: SeasonRequest): SeasonPlan {
  const asking = readAsking(request);
  const laid = layMinutes(asking);
  return describePlan(asking.request, asking.frame, asking.cases, laid, readPresumed(asking, laid));
}

/**
 * One laying as each of several auditions looks at it, counted down to its own rounds; `rounds` has the ids of their rounds. What is laid
 * is the same for all of them.
 */
export function layForEach(
  given: SeasonRequest,
  rounds: readonly NonNullable<SeasonRequest['countsDownTo']>[]
): SeasonPlan[] {
  const asking = readAsking(given);
  const { request, frame, cases } = asking;
  const laid = layMinutes(asking);
  const presumed = readPresumed(asking, laid);
  return rounds.map((countsDownTo) => {
    const own = { ...request, countsDownTo };
    return describePlan(own, { ...frame, nextRoundDay: nextRoundDayOf(own) }, cases, laid, presumed);
  });
}

/** What a plan for the request would be short of, without the plan itself; null where it fits in whole blocks. */
export function layShort(request: SeasonRequest): PlannedShortage | null {
  const asking = readAsking(request);
  return describeShortage(layMinutes(asking), asking.frame);
}

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

/**
 * What the plan presumes to hold at half its target, since nothing says what does, and how much of what is short would not be if it held at
 * its target; null where everything is known.
 */
function readPresumed(
  { request, frame, cases, touches, capacity }: Asking,
  laid: LaidMinutes
): SeasonPlan['presumed'] {
  const ahead = cases.filter((one) => one.stages && !one.item.isLeftOut);
  const sections = ahead.flatMap(({ item, climb }) =>
    climb.sections
      .filter((s) => s.unit !== null && s.held === null && item.holds?.[s.id] === undefined)
      .map((s) => ({ itemId: item.id, sectionId: s.id, bpm: s.startBpm! }))
  );
  if (sections.length === 0) return null;
  const short = laid.minutes.reduce((sum, one) => sum + one.shortMin, 0);
  if (short === 0) return { sections, shortMin: 0 };
  const unknown = new Set(sections.map((s) => s.sectionId));
  const known = ahead.map((one) => ({
    ...one,
    climb: { ...one.climb, rungs: one.climb.rungs.filter((rung) => !unknown.has(rung.sectionId)) }
  }));
  const demands = known
    .flatMap((one) => asksOf(request, frame, one))
    .map((ask) => withTouches(ask, touches).asked);
  const asked = demands.flatMap((one) => one.windows).reduce((sum, { minutes }) => sum + minutes, 0);
  const placed = findFit(readDemands(demands, capacity), demands.length).placed.reduce((a, b) => a + b, 0);
  return { sections, shortMin: Math.max(0, short - (asked - placed)) };
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
function layMinutes(given: Asking): LaidMinutes {
  const wasAgreed = isAgreed(given.asks.map((ask) => ask.asked));
  const { asking, first } = wasAgreed
    ? { asking: given, first: layOnce(given, given.touches) }
    : layInShape(given);
  const lacking = touchesBetween(asking.frame, first.minutes, asking.touches);
  if (lacking.length === 0 || wasAgreed) return { ...first, touches: [...asking.touches, ...lacking] };
  const touches = [...asking.touches, ...lacking];
  const capacity = new Map(asking.capacity);
  for (const { day, minutes } of lacking) capacity.set(day, Math.max(0, (capacity.get(day) ?? 0) - minutes));
  const asks = asking.asks.map((ask) => withTouches(ask, touches));
  const again = layOnce({ ...asking, asks, capacity }, touches);
  if (missing(again) > missing(first)) return { ...first, touches };
  return { ...again, touches: [...touches, ...touchesBetween(asking.frame, again.minutes, touches)] };
}

/** What the shape of a ladder may cost of the even load (judgement); anything where each day keeps a third of its minutes free. */
const WORTH_SHAPE = 1.1;
const LIGHT: Share = 2 / 3;

/** Evenly; ladders that then lie far behind their shape are brought nearer where all fits as well, and where it makes no full day much fuller. */
function layInShape(asking: Asking): { readonly asking: Asking; readonly first: LaidMinutes } {
  const first = layOnce(asking, asking.touches);
  const late = asking.asks.map((ask, a) => askInShape(ask, first.minutes[a]!, asking.frame));
  if (missing(first) > 0 || late.every((ask) => ask === null)) return { asking, first };
  const inShape = { ...asking, asks: asking.asks.map((ask, a) => late[a] ?? ask) };
  const again = layOnce(inShape, asking.touches);
  const isEven = unevenness(again) <= unevenness(first) * WORTH_SHAPE;
  const isLight = fillings(again).every((share) => share <= LIGHT);
  return missing(again) === 0 && (isEven || isLight) ? { asking: inShape, first: again } : { asking, first };
}

/** Sum of load^2 / capacity. */
const unevenness = (laid: LaidMinutes) =>
  loads(laid).reduce((sum, { planned, usable }) => sum + planned ** 2 / usable, 0);
/** How full each day is. */
const fillings = (laid: LaidMinutes): Share[] => loads(laid).map(({ planned, usable }) => planned / usable);

function loads({ minutes, usable }: LaidMinutes): { readonly planned: Minutes; readonly usable: Minutes }[] {
  const load = new Map<DayNumber, Minutes>();
  for (const { day, minutes: more } of minutes.flatMap((one) => one.allotments))
    load.set(day, (load.get(day) ?? 0) + more);
  return [...load].map(([day, planned]) => ({ planned, usable: usable.get(day)! }));
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

function warmItems(one: ItemCase) {
  const { item, rank, climb, stages, lastDayZero } = one;
  if (!stages || item.isLeftOut || climb.sections.every((s) => s.unit === null)) return [];
  const warm = { id: item.id, rank, seconds: climb.runSeconds };
  const first = { ...warm, isHeld: climb.rungs.length === 0, isNarrowed: isNarrowed(item), stages };
  if (lastDayZero === null || lastDayZero === stages.dayZero) return [first];
  return [first, { ...warm, isHeld: true, stages: layStages(stages.dayZero, lastDayZero) }];
}

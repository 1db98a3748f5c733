/**
 * All items together: which item gets how many minutes on which day. Whether it fits is decided exactly (fit.ts), the
 * load is made as even as can be (level.ts) and put into whole blocks (blocks.ts). Laid again, what was agreed stays and
 * only lost minutes flow; where those do not fit, what lies on the days of the reason is released, the lowest items
 * first; all of it only when the load has become much less even than it need be.
 */
import type { DayNumber, Minutes } from '../units';
import type { Touched } from './block-task';
import { fewerMissing, layBlocks } from './blocks';
import { type Around, type Measure, fitAround, measureEvenness, shortOf } from './around';
import type { Demand, Demands } from './demand';
import { LONGEST_BLOCK_MIN } from './block-task';
import { type AgreedMinutes, isAgreed, keepAgreed, leastBlock, sumMinutes } from './keep';
import { levelDemands } from './level';
import { fillForward } from './forward';
import { type Missed, putMissedFirst } from './missed';

/** Laying all afresh is only worth the upheaval when sum of load^2 / capacity falls by this (judgement). */
const WORTH_UPHEAVAL = 1.15;
/** Where days have too little for two blocks, where blocks happen to lie makes more of a difference than that. */
const WORTH_UPHEAVAL_COARSE = 1.2;
/** Lost minutes come back within so many days where they can, so that the dates after them stay. */
const SOON_DAYS: readonly number[] = [7, 14, 28];
/** Up to this part of what an item asks counts as lost; more is new work, and is spread over all its days (judgement). */
const LOST_SHARE = 0.25;

/** What is asked, and what is kept of it from the plan before or was set by hand; pinned minutes are never released. */
export type AskedDemand = Demand & {
  readonly kept: readonly AgreedMinutes[];
  readonly missed?: Missed | undefined;
};

export type Allotment = { readonly day: DayNumber; readonly minutes: Minutes };

/** Why minutes are short: see fit.ts. `days` have too little; without any, most-per-day is the limit. */
export type ShortReason = {
  readonly windows: readonly { readonly asked: number; readonly window: number }[];
  readonly days: readonly DayNumber[];
  readonly neededMin: Minutes;
  readonly thereMin: Minutes;
  readonly elsewhereMin: Minutes;
  readonly shortMin: Minutes;
};

export type Allotted = {
  readonly byAsked: readonly (readonly Allotment[])[];
  /** Minutes of each that do not fit on any days; their reasons. */
  readonly shortMin: readonly Minutes[];
  readonly reasons: readonly ShortReason[];
  /** Minutes of each that would fit, but in pieces shorter than a block. */
  readonly pieceMin: readonly Minutes[];
  /** Sum of load^2 / capacity over the days that can be used. */
  readonly uneven: number;
};

/**
 * Allots all that is asked; the first are served first. `capacity` are the minutes of each day, from the first on, and
 * `limited` those of them to use where nothing was agreed yet; `touched` are the touches beside them; where it may not be laid afresh, what was agreed stays however uneven it has become. The same call
 * gives the same.
 */
export function allot(
  given: readonly AskedDemand[],
  capacity: ReadonlyMap<DayNumber, Minutes>,
  limited: ReadonlyMap<DayNumber, Minutes> = capacity,
  touched: Touched = new Map(),
  mayBeAfresh = true
): Allotted {
  const asked = putMissedFirst(given, capacity);
  const within = allotWithin(asked, capacity, limited, touched, mayBeAfresh);
  if (limited === capacity || within.pieceMin.every((minutes) => minutes === 0)) return within;
  const beyond = allotWithin(asked, capacity, capacity, touched, mayBeAfresh);
  const pieces = (allotted: Allotted) => allotted.pieceMin.reduce((sum, minutes) => sum + minutes, 0);
  return pieces(beyond) < pieces(within) ? beyond : within;
}

/** With what was agreed kept, or laid afresh where nothing was, or keeping it costs too much. */
function allotWithin(
  asked: readonly AskedDemand[],
  capacity: ReadonlyMap<DayNumber, Minutes>,
  limited: ReadonlyMap<DayNumber, Minutes>,
  touched: Touched,
  mayBeAfresh: boolean
): Allotted {
  const pinned = keepAgreed(asked, capacity, (kept) => kept.isPinned);
  const whole = fitAround(pinned, limited);
  // beside what is pinned, the limit may leave less than fits
  if (limited !== capacity && shortOf(whole).join() !== shortOf(fitAround(pinned, capacity)).join())
    return allotWithin(asked, capacity, capacity, touched, mayBeAfresh);
  const measure = measureEvenness(whole);
  const agreed = isAgreed(asked) ? keepWhatBlocks(asked, capacity, whole, measure, touched) : null;
  const worth = !mayBeAfresh ? Infinity : measure.isFine ? WORTH_UPHEAVAL : WORTH_UPHEAVAL_COARSE;
  if (agreed && isWhole(asked, agreed) && agreed.uneven <= measure.least * worth) return agreed;
  const fresh = layAround(asked, whole, whole, measure, touched);
  return agreed ? lessUpheaval(asked, agreed, fresh, worth) : fresh;
}

/** What was agreed, unless laying afresh alone leaves no piece of a block, or is evener by what an upheaval is worth. */
function lessUpheaval(
  asked: readonly AskedDemand[],
  agreed: Allotted,
  fresh: Allotted,
  worth: number
): Allotted {
  if (isWhole(asked, fresh) !== isWhole(asked, agreed)) return isWhole(asked, fresh) ? fresh : agreed;
  return agreed.uneven > fresh.uneven * worth ? fresh : agreed;
}

/** Whether nothing as long as a block is left in pieces. */
const isWhole = (asked: readonly AskedDemand[], { pieceMin }: Allotted) =>
  asked.every((one, a) => pieceMin[a] === 0 || pieceMin[a]! < leastBlock(one));

/** Keeps what fits; items whose minutes then find no block let go of all they had, so that only they move. */
function keepWhatBlocks(
  asked: readonly AskedDemand[],
  capacity: ReadonlyMap<DayNumber, Minutes>,
  whole: Around,
  measure: Measure,
  touched: Touched
): Allotted | null {
  const released = asked.map(() => new Set<DayNumber>());
  for (;;) {
    const kept = keepWhatFits(asked, capacity, whole, released);
    if (!kept) return null;
    const agreed = layAround(asked, kept, whole, measure, touched);
    const stuck = asked.flatMap((one, a) =>
      agreed.pieceMin[a]! >= Math.max(1, leastBlock(one)) &&
      one.kept.some((k) => !k.isPinned && !released[a]!.has(k.day))
        ? [a]
        : []
    );
    if (stuck.length === 0) return agreed;
    for (const a of stuck) for (const { day } of asked[a]!.kept) released[a]!.add(day);
  }
}

/**
 * Keeps as much of what was agreed as lets everything fit that can. While more is short than need be, the lowest item
 * with minutes on the days of the reason lets go of them. Null where nothing is left to let go.
 */
function keepWhatFits(
  asked: readonly AskedDemand[],
  capacity: ReadonlyMap<DayNumber, Minutes>,
  whole: Around,
  released: readonly Set<DayNumber>[]
): Around | null {
  const least = shortOf(whole);
  for (;;) {
    const stay = keepAgreed(asked, capacity, (kept, a) => kept.isPinned || !released[a]!.has(kept.day));
    const around = fitAround(stay, whole.capacity);
    const short = shortOf(around);
    if (short.every((minutes, a) => minutes <= least[a]!)) return around;
    const days = daysOfReasons(around);
    const lowest = asked.findLastIndex((one, a) =>
      one.kept.some((kept) => !kept.isPinned && days.has(kept.day) && !released[a]!.has(kept.day))
    );
    if (lowest < 0) return null;
    for (const { day, isPinned } of asked[lowest]!.kept)
      if (!isPinned && days.has(day)) released[lowest]!.add(day);
  }
}

/** The days on which what is short could have lain: those of the cut, and those that are full already. */
function daysOfReasons({ demands, fit, stay, capacity }: Around): Set<DayNumber> {
  const days = new Set(fit.parts.flatMap((p) => p.columns.flatMap((c) => demands.columns[c]!.days)));
  const windows = fit.parts.flatMap((p) => p.rows.map((r) => windowOf(stay.demands, demands, r)));
  for (const [day, minutes] of capacity)
    if (minutes > 0 && stay.lying.on(day) >= minutes && windows.some((w) => w.from <= day && day <= w.to))
      days.add(day);
  return days;
}

function windowOf(asked: readonly Demand[], demands: Demands, row: number) {
  const { demand, window } = demands.rowOf[row]!;
  return asked[demand]!.windows[window]!;
}

/** Lays what is asked beside what stays, and says what is short, as `whole` found it. */
function layAround(
  asked: readonly AskedDemand[],
  around: Around,
  whole: Around,
  measure: Measure,
  touched: Touched
): Allotted {
  const { stay } = around;
  const soon = soonest(asked, around);
  const near = blocksOf(asked, soon, touched);
  // what finds no block within the nearest days may find one later
  const { demands, blocks } =
    soon === around || near.missing === 0 ? near : fewerMissing(near, blocksOf(asked, around, touched));
  const minutes = stay.minutes.map((days) => new Map(days));
  for (const { row, day, minutes: more } of blocks.placements) {
    const mine = minutes[demands.rowOf[row]!.demand]!;
    mine.set(day, (mine.get(day) ?? 0) + more);
  }
  const pieceMin = asked.map(() => 0);
  blocks.left.forEach((left, r) => (pieceMin[demands.rowOf[r]!.demand]! += left));
  const agreedOn = new Map<DayNumber, Minutes>();
  for (const { day, minutes: min } of asked.flatMap((one) => one.kept))
    agreedOn.set(day, (agreedOn.get(day) ?? 0) + min);
  const wasAgreed = isAgreed(asked);
  fillForward({
    minutes,
    asked,
    capacity: around.capacity,
    share: measure.even,
    isOpen: (day, load) => !wasAgreed || load < (agreedOn.get(day) ?? 0),
    isPinned: (a, day) => asked[a]!.kept.some((kept) => kept.isPinned && kept.day === day)
  });
  const load = new Map<DayNumber, Minutes>();
  for (const mine of minutes) for (const [day, min] of mine) load.set(day, (load.get(day) ?? 0) + min);
  return {
    byAsked: minutes.map((days) =>
      [...days].map(([day, min]) => ({ day, minutes: min })).sort((a, b) => a.day - b.day)
    ),
    shortMin: shortOf(around),
    reasons: whole.fit.parts.map((part) => ({
      windows: part.rows.map((r) => ({
        asked: whole.demands.rowOf[r]!.demand,
        window: whole.demands.rowOf[r]!.window
      })),
      days: part.columns.flatMap((c) => whole.demands.columns[c]!.days).sort((a, b) => a - b),
      neededMin: part.neededMin,
      thereMin: part.thereMin,
      elsewhereMin: part.elsewhereMin,
      shortMin: part.shortMin
    })),
    pieceMin,
    uneven: measure.unevenness(load)
  };
}

/** Everything that is still asked, in blocks. */
function blocksOf(asked: readonly AskedDemand[], { demands, fit, stay, capacity }: Around, touched: Touched) {
  const blocks = layBlocks({
    demands,
    placed: fit.placed,
    levels: levelDemands(demands, fit.placed),
    items: asked.length,
    mostPerDay: asked.map((one) => one.mostPerDay),
    least: asked.map(leastBlock),
    longest: Math.min(...asked.map((one) => one.longest ?? LONGEST_BLOCK_MIN)),
    before: (a, day) => asked[a]!.kept.some((kept) => kept.day === day),
    lying: stay.lying,
    touched,
    climbing: asked.map((one) => one.climbing ?? null),
    practiceDays: practiceDaysOf(capacity),
    opens: demands.rows.map((row) => new Set(row.cells.map((cell) => cell.column)))
  });
  return { demands, blocks, missing: blocks.left.reduce((sum, minutes) => sum + minutes, 0) };
}

const practiceDaysOf = (capacity: ReadonlyMap<DayNumber, Minutes>) =>
  [...capacity.keys()].filter((day) => capacity.get(day)! > 0).sort((a, b) => a - b);

/** Lost minutes within the nearest days that hold them all; where none do, or nothing was kept, within their windows. */
function soonest(asked: readonly AskedDemand[], around: Around): Around {
  const { stay, fit, capacity } = around;
  if (stay.minutes.every((days) => days.size === 0)) return around;
  const today = Math.min(...capacity.keys());
  for (const days of SOON_DAYS) {
    const demands = stay.demands.map((demand, a) => {
      const left = sumMinutes(demand.windows);
      // less than a block can only grow one that is there, wherever that is
      const isLost = left >= leastBlock(asked[a]!) && left <= LOST_SHARE * sumMinutes(asked[a]!.windows);
      return isLost
        ? { ...demand, windows: demand.windows.map((w) => ({ ...w, to: Math.min(w.to, today + days - 1) })) }
        : demand;
    });
    const soon = fitAround({ ...stay, demands }, capacity);
    if (soon.fit.placed.every((minutes, r) => minutes === fit.placed[r])) return soon;
  }
  return around;
}

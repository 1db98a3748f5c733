/**
 * All items together: which item gets how many minutes on which day, so that no day is exceeded.
 * Straightforward, in the teacher's order: what was agreed is kept where it still fits, the rest is dealt in pieces
 * spread over their days, each to the day it burdens least; a piece that finds no room may push an earlier piece
 * to another of its days, and in the end takes one from an item lower in the order. What still finds none is said. Whether it fits is not proven here: a shortage
 * found this way can be larger than the least possible one.
 */
import type { DayNumber, Minutes } from '../units';

/** Below this a block is not worth unpacking for; above, a mind wanders (judgement, common practice 3 to 25). */
export const LEAST_BLOCK_MIN: Minutes = 8;
export const LONGEST_BLOCK_MIN: Minutes = 25;
/** Aimed-for minutes of one item on one day: short and often rather than long and rare (judgement). */
const AIMED_MIN: Minutes = 12;

/** Minutes lost from an agreed plan come back within so many days, so that the dates after them can stay. */
const SOON_DAYS = 7;

export type Asked = {
  readonly id: string;
  readonly from: DayNumber;
  readonly to: DayNumber;
  readonly minutes: Minutes;
  readonly mostPerDay: Minutes;
  /** Up to `minutes` of the last ones may also go to the days after `to`, until `until`. */
  readonly spill?: { readonly until: DayNumber; readonly minutes: Minutes } | undefined;
  /** Kept from the plan before, or set by hand; pinned ones are never pushed. */
  readonly kept: readonly {
    readonly day: DayNumber;
    readonly minutes: Minutes;
    readonly isPinned: boolean;
  }[];
};

export type Allotment = { readonly day: DayNumber; readonly minutes: Minutes };
export type Shortage = { readonly id: string; readonly day: DayNumber; readonly minutes: Minutes };
export type Allotted = {
  readonly byAsked: readonly (readonly Allotment[])[];
  readonly short: readonly Shortage[];
};

type Piece = { asked: number; day: DayNumber; minutes: Minutes; isPinned: boolean };

export class DayBook {
  readonly #room = new Map<DayNumber, Minutes>();
  readonly #capacity = new Map<DayNumber, Minutes>();
  readonly #ofItem = new Map<string, Map<DayNumber, Minutes>>();

  constructor(capacities: ReadonlyMap<DayNumber, Minutes>) {
    for (const [day, minutes] of capacities) {
      this.#room.set(day, minutes);
      this.#capacity.set(day, minutes);
    }
  }

  room(day: DayNumber): Minutes {
    return this.#room.get(day) ?? 0;
  }

  /** Minutes of one item's own work on a day; the touches reserved for it are not counted. */
  ofItem(id: string, day: DayNumber): Minutes {
    return this.#ofItem.get(id)?.get(day) ?? 0;
  }

  take(day: DayNumber, minutes: Minutes): void {
    this.#room.set(day, this.room(day) - minutes);
  }

  takeFor(id: string, day: DayNumber, minutes: Minutes): void {
    this.take(day, minutes);
    const days = this.#ofItem.get(id) ?? new Map<DayNumber, Minutes>();
    this.#ofItem.set(id, days.set(day, (days.get(day) ?? 0) + minutes));
  }

  /** By how much sum of load^2 / capacity grows when `minutes` are put on `day`. */
  burden(day: DayNumber, minutes: Minutes): number {
    const capacity = this.#capacity.get(day) ?? 0;
    const load = capacity - this.room(day);
    return (2 * load * minutes + minutes * minutes) / capacity;
  }
}

/** Deals all that is asked, in the order given; the first are served first. Cost: asked x days x pieces. */
export function allot(asked: readonly Asked[], book: DayBook): Allotted {
  const pieces: Piece[] = [];
  const short: Shortage[] = [];
  asked.forEach((one, index) => keepAgreed(one, index, book, pieces));
  asked.forEach((one, index) => {
    const placed = ofAsked(pieces, index).reduce((sum, p) => sum + p.minutes, 0);
    if (one.minutes > placed) deal(asked, index, one.minutes - placed, book, pieces, short);
  });
  return { byAsked: asked.map((_, index) => byDay(ofAsked(pieces, index))), short };
}

function ofAsked(pieces: readonly Piece[], index: number): Piece[] {
  return pieces.filter((piece) => piece.asked === index);
}

function byDay(pieces: readonly Piece[]): Allotment[] {
  const sums = new Map<DayNumber, Minutes>();
  for (const piece of pieces) sums.set(piece.day, (sums.get(piece.day) ?? 0) + piece.minutes);
  return [...sums].map(([day, minutes]) => ({ day, minutes })).sort((a, b) => a.day - b.day);
}

/** Takes over what was agreed; a surplus is trimmed from the nearest days, so that dates stay as agreed. */
function keepAgreed(one: Asked, index: number, book: DayBook, pieces: Piece[]): void {
  let wanted = one.minutes;
  const latestFirst = [...one.kept].sort((a, b) => Number(b.isPinned) - Number(a.isPinned) || b.day - a.day);
  for (const { day, minutes, isPinned } of latestFirst) {
    if (day < one.from || day > one.to) continue;
    const kept = Math.min(minutes, wanted, book.room(day), one.mostPerDay - book.ofItem(one.id, day));
    if (kept < Math.min(LEAST_BLOCK_MIN, wanted) || kept <= 0) continue;
    pieces.push({ asked: index, day, minutes: kept, isPinned });
    book.takeFor(one.id, day, kept);
    wanted -= kept;
  }
}

function deal(
  asked: readonly Asked[],
  index: number,
  wanted: Minutes,
  book: DayBook,
  pieces: Piece[],
  short: Shortage[]
): void {
  const one = asked[index]!;
  if (wanted < LEAST_BLOCK_MIN && growOne(one, index, wanted, book, pieces)) return;
  const days = openDays(one.from, one.to, book);
  const later = one.spill ? openDays(one.to + 1, one.spill.until, book) : [];
  let spillLeft = one.spill?.minutes ?? 0;
  const isAgain = one.kept.length > 0;
  const size = Math.min(one.mostPerDay, Math.max(AIMED_MIN, Math.ceil(wanted / Math.max(1, days.length))));
  const count = Math.max(1, Math.round(wanted / size), Math.ceil(wanted / one.mostPerDay));
  for (let i = 0; i < count; i += 1) {
    const minutes = Math.floor(((i + 1) * wanted) / count) - Math.floor((i * wanted) / count);
    const segment = isAgain
      ? days.slice(0, SOON_DAYS)
      : days.slice(
          Math.floor((i * days.length) / count),
          Math.max(Math.floor(((i + 1) * days.length) / count), Math.floor((i * days.length) / count) + 1)
        );
    let left = placePiece(asked, index, minutes, segment, days, book, pieces);
    const spilling = Math.min(left, spillLeft);
    if (spilling > 0) {
      const notSpilt = placePiece(asked, index, spilling, later, later, book, pieces);
      spillLeft -= spilling - notSpilt;
      left -= spilling - notSpilt;
    }
    if (left > 0)
      short.push({ id: one.id, day: segment[Math.floor(segment.length / 2)] ?? one.to, minutes: left });
  }
}

/** Days that had any room to begin with, whether or not it is taken by now. */
function openDays(from: DayNumber, to: DayNumber, book: DayBook): DayNumber[] {
  const days: DayNumber[] = [];
  for (let day = from; day <= to; day += 1) if (Number.isFinite(book.burden(day, 1))) days.push(day);
  return days;
}

/** Puts one piece down and returns the minutes that found no day. */
function placePiece(
  asked: readonly Asked[],
  index: number,
  minutes: Minutes,
  segment: readonly DayNumber[],
  days: readonly DayNumber[],
  book: DayBook,
  pieces: Piece[]
): Minutes {
  const one = asked[index]!;
  const put = (day: DayNumber, part: Minutes) => {
    pieces.push({ asked: index, day, minutes: part, isPinned: false });
    book.takeFor(one.id, day, part);
  };
  const free = (day: DayNumber) => Math.min(book.room(day), one.mostPerDay - book.ofItem(one.id, day));
  const best = leastBurdened(segment, minutes, free, book) ?? leastBurdened(days, minutes, free, book);
  if (best !== null) {
    put(best, minutes);
    return 0;
  }
  const pushed = pushAside(asked, index, minutes, days, book, pieces);
  if (pushed !== null) {
    put(pushed, minutes);
    return 0;
  }
  const bumped = bumpLower(asked, index, minutes, days, book, pieces);
  if (bumped !== null) {
    put(bumped, minutes);
    return 0;
  }
  let left = minutes;
  for (const day of [...days].sort((a, b) => free(b) - free(a) || a - b)) {
    let part = Math.min(free(day), left);
    const rest = left - part;
    if (rest > 0 && rest < LEAST_BLOCK_MIN && part - (LEAST_BLOCK_MIN - rest) >= LEAST_BLOCK_MIN)
      part -= LEAST_BLOCK_MIN - rest;
    if (part < LEAST_BLOCK_MIN && book.ofItem(one.id, day) === 0) continue;
    if (part <= 0) continue;
    put(day, part);
    left -= part;
    if (left === 0) break;
  }
  return left;
}

function leastBurdened(
  days: readonly DayNumber[],
  minutes: Minutes,
  free: (day: DayNumber) => Minutes,
  book: DayBook
): DayNumber | null {
  let best: DayNumber | null = null;
  for (const day of days) {
    if (free(day) < minutes) continue;
    if (best === null || book.burden(day, minutes) < book.burden(best, minutes) - 1e-9) best = day;
  }
  return best;
}

/** Frees a day for a piece by moving one unpinned piece of another item to a day of its own that has room. */
function pushAside(
  asked: readonly Asked[],
  index: number,
  minutes: Minutes,
  days: readonly DayNumber[],
  book: DayBook,
  pieces: Piece[]
): DayNumber | null {
  const one = asked[index]!;
  for (const day of days) {
    if (book.ofItem(one.id, day) + minutes > one.mostPerDay) continue;
    for (const piece of pieces) {
      if (piece.day !== day || piece.isPinned || piece.asked === index) continue;
      if (book.room(day) + piece.minutes < minutes) continue;
      const owner = asked[piece.asked]!;
      const free = (other: DayNumber) =>
        other === day ? 0 : Math.min(book.room(other), owner.mostPerDay - book.ofItem(owner.id, other));
      const elsewhere = leastBurdened(openDays(owner.from, owner.to, book), piece.minutes, free, book);
      if (elsewhere === null) continue;
      book.takeFor(owner.id, day, -piece.minutes);
      book.takeFor(owner.id, elsewhere, piece.minutes);
      piece.day = elsewhere;
      return day;
    }
  }
  return null;
}

/**
 * Takes a day back from items lower in the order, the lowest first; their turn comes after, and what then finds no
 * day is theirs to be short of.
 */
function bumpLower(
  asked: readonly Asked[],
  index: number,
  minutes: Minutes,
  days: readonly DayNumber[],
  book: DayBook,
  pieces: Piece[]
): DayNumber | null {
  const one = asked[index]!;
  let best: { day: DayNumber; lower: Piece[] } | null = null;
  for (const day of days) {
    if (book.ofItem(one.id, day) + minutes > one.mostPerDay) continue;
    const lower = pieces
      .filter((p) => p.day === day && p.asked > index && !p.isPinned && asked[p.asked]!.id !== one.id)
      .sort((a, b) => b.asked - a.asked);
    if (book.room(day) + lower.reduce((sum, p) => sum + p.minutes, 0) < minutes) continue;
    if (best === null || lower[0]!.asked > best.lower[0]!.asked) best = { day, lower };
  }
  if (best === null) return null;
  for (const piece of best.lower) {
    if (book.room(best.day) >= minutes) break;
    book.takeFor(asked[piece.asked]!.id, best.day, -piece.minutes);
    pieces.splice(pieces.indexOf(piece), 1);
  }
  return best.day;
}

/** Lets one of the item's own days grow by a remainder that is too small for a block. */
function growOne(one: Asked, index: number, wanted: Minutes, book: DayBook, pieces: Piece[]): boolean {
  const free = (day: DayNumber) =>
    book.ofItem(one.id, day) === 0 ? 0 : Math.min(book.room(day), one.mostPerDay - book.ofItem(one.id, day));
  const day = leastBurdened(
    ofAsked(pieces, index)
      .map((p) => p.day)
      .sort((a, b) => a - b),
    wanted,
    free,
    book
  );
  if (day === null) return false;
  pieces.push({ asked: index, day, minutes: wanted, isPinned: false });
  book.takeFor(one.id, day, wanted);
  return true;
}

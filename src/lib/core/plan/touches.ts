/**
 * Reserved first: the touches that keep what holds warm, runs, and the easy run of the last days. Their days are counted back from the
 * round, so they do not wander when the plan is laid again. In the last fortnight every item is run every second practice day, in the order
 * of the list, up to a share of the usual minutes.
 */
import type { DayNumber, Minutes, Share } from '../units';
import { MOST_BLOCKS_A_DAY } from './block-task';
import type { Stages } from './stage';

/** A held item is touched every four days and run once a week (judgement). */
export const KEEP_WARM_EVERY_DAYS = 4;
const RUN_EVERY_DAYS = 7;
/** Practice days on end on which an item rests in the last fortnight: one, or more where a day would have too many things (judgement). */
export const closeRest = (items: number) => Math.max(1, Math.ceil(items / MOST_BLOCKS_A_DAY) - 1);
/** A touch lasts half as long again as the music, and a minute to begin (judgement). */
const TOUCH_TIMES = 1.5;
const TO_BEGIN_MIN: Minutes = 1;
const LEAST_TOUCH_MIN: Minutes = 2;
/** Of the usual minutes of a day: at most in the last fortnight, at least where there is as much to run, and on the last two days together (judgement). */
const MOST_OF_USUAL: Share = 0.8;
const LEAST_OF_USUAL: Share = 0.6;
const LAST_DAYS_OF_USUAL: Share = 0.4;

export type TouchKind = 'keep-warm' | 'run' | 'easy-run';
export type ReservedTouch = {
  readonly id: string;
  readonly day: DayNumber;
  readonly minutes: Minutes;
  readonly kind: TouchKind;
};

export type WarmItem = {
  readonly id: string;
  /** Place in the list, from 0: staggers the touches of several items. */
  readonly rank: number;
  readonly seconds: number;
  readonly isHeld: boolean;
  /** Narrowed to cuts: the rest of it is run once a week from now on. */
  readonly isNarrowed?: boolean;
  readonly stages: Stages;
};

/** Minutes of a touch that plays the item once. */
export function touchMinutes(seconds: number): Minutes {
  return Math.max(LEAST_TOUCH_MIN, Math.ceil((TOUCH_TIMES * seconds) / 60) + TO_BEGIN_MIN);
}

/**
 * Touches from `today` on; each may slip by a day where its own has no room, and is left out where that has none either.
 * `capacity` are the minutes of each day, `agreed` those of them promised to other work, which is only asked to yield
 * where no day near has room beside it; `usual` are the minutes of a usual day.
 */
export function reserveTouches(
  items: readonly WarmItem[],
  today: DayNumber,
  capacity: ReadonlyMap<DayNumber, Minutes>,
  agreed: ReadonlyMap<DayNumber, Minutes> = new Map(),
  usual: Minutes = Infinity
): ReservedTouch[] {
  const reserving = new Reserving(today, capacity, agreed);
  for (const item of items)
    for (const { day, kind } of wantedTouches(item, today)) reserving.near(item, day, kind);
  for (const group of byRound(items)) {
    reserving.lastFortnight(group, usual);
    reserving.lastDays(group, usual);
  }
  return reserving.touches.sort((a, b) => a.day - b.day);
}

const byRound = (items: readonly WarmItem[]): WarmItem[][] => {
  const rounds = new Map<DayNumber, WarmItem[]>();
  for (const item of items)
    rounds.set(item.stages.dayZero, [...(rounds.get(item.stages.dayZero) ?? []), item]);
  return [...rounds.values()];
};

class Reserving {
  readonly touches: ReservedTouch[] = [];
  readonly #today: DayNumber;
  readonly #room: Map<DayNumber, Minutes>;
  readonly #agreed: ReadonlyMap<DayNumber, Minutes>;
  readonly #on = new Map<DayNumber, Set<string>>();

  constructor(
    today: DayNumber,
    capacity: ReadonlyMap<DayNumber, Minutes>,
    agreed: ReadonlyMap<DayNumber, Minutes>
  ) {
    [this.#today, this.#room, this.#agreed] = [today, new Map(capacity), agreed];
  }

  /** On its day or one beside it. */
  near(item: WarmItem, day: DayNumber, kind: TouchKind): void {
    const minutes = touchMinutes(item.seconds);
    const near = [day, day + 1, day - 1].filter((d) => d >= this.#today && d < item.stages.dayZero);
    const free =
      near.find((d) => this.#roomOn(d) - (this.#agreed.get(d) ?? 0) >= minutes) ??
      near.find((d) => this.#roomOn(d) >= minutes);
    if (free !== undefined) this.#put(item, free, kind);
  }

  /** Every second practice day each, in turn; more of the list where the day is still light. */
  lastFortnight(items: readonly WarmItem[], usual: Minutes): void {
    const { mockFrom, lastDaysFrom } = items[0]!.stages;
    const days = [...this.#room.keys()]
      .filter(
        (day) => day >= Math.max(mockFrom, this.#today) && day < lastDaysFrom && this.#room.get(day)! > 0
      )
      .sort((a, b) => b - a);
    days.forEach((day, back) => {
      const isTurn = (item: WarmItem) => (back + item.rank) % (closeRest(items.length) + 1) === 0;
      const fill = (some: readonly WarmItem[], upTo: Minutes) => {
        for (const item of some)
          if (this.#loadOn(day) + touchMinutes(item.seconds) <= upTo) this.#put(item, day, 'run');
      };
      fill(items.filter(isTurn), MOST_OF_USUAL * usual);
      if (usual < Infinity && this.#loadOn(day) < LEAST_OF_USUAL * usual)
        fill(
          items.filter((item) => !isTurn(item)),
          LEAST_OF_USUAL * usual
        );
    });
  }

  /** One easy run, of the longest first. */
  lastDays(items: readonly WarmItem[], usual: Minutes): void {
    const { lastDaysFrom: day, dayZero } = items[0]!.stages;
    if (day < this.#today || day >= dayZero) return;
    let left = LAST_DAYS_OF_USUAL * usual;
    for (const item of [...items].sort((a, b) => b.seconds - a.seconds || a.rank - b.rank)) {
      const minutes = touchMinutes(item.seconds);
      if (minutes > left) continue;
      const free = [day, day + 1].find((d) => d < dayZero && this.#roomOn(d) >= minutes);
      if (free === undefined) continue;
      this.#put(item, free, 'easy-run');
      left -= minutes;
    }
  }

  #put(item: WarmItem, day: DayNumber, kind: TouchKind): void {
    const minutes = touchMinutes(item.seconds);
    const on = this.#on.get(day) ?? new Set();
    if (on.has(item.id) || on.size >= MOST_BLOCKS_A_DAY || this.#roomOn(day) < minutes) return;
    this.#on.set(day, on.add(item.id));
    this.#room.set(day, this.#roomOn(day) - minutes);
    this.touches.push({ id: item.id, day, minutes, kind });
  }

  #roomOn(day: DayNumber): Minutes {
    return this.#room.get(day) ?? 0;
  }

  #loadOn(day: DayNumber): Minutes {
    return this.touches.reduce((sum, t) => sum + (t.day === day ? t.minutes : 0), 0);
  }
}

/** Before the last fortnight: what holds is kept warm, what is in context or narrowed to cuts is run once a week. */
function wantedTouches(item: WarmItem, today: DayNumber): { day: DayNumber; kind: TouchKind }[] {
  const { dayZero, mockFrom, contextFrom, began } = item.stages;
  const wanted: { day: DayNumber; kind: TouchKind }[] = [];
  for (let day = Math.max(today, began); day < mockFrom; day += 1) {
    const back = dayZero - day + item.rank;
    const isRun = back % RUN_EVERY_DAYS === 0 && (day >= contextFrom || item.isNarrowed === true);
    if (isRun) wanted.push({ day, kind: 'run' });
    else if (item.isHeld && back % KEEP_WARM_EVERY_DAYS === 0) wanted.push({ day, kind: 'keep-warm' });
  }
  return wanted;
}

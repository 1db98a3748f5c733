/**
 * Reserved first: the short touches that keep an item warm, its weekly run in context, the easy run of the last days.
 * Their days are counted back from the round, so they do not wander when the plan is laid again.
 */
import type { DayNumber, Minutes } from '../units';
import type { Stages } from './stage';

/** A held item is touched every four days and run once a week (judgement). */
const KEEP_WARM_EVERY_DAYS = 4;
const RUN_EVERY_DAYS = 7;
const LEAST_TOUCH_MIN: Minutes = 5;
const MOST_TOUCH_MIN: Minutes = 10;

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

/** Minutes of a touch that plays the item once, within 5 to 10. */
export function touchMinutes(seconds: number): Minutes {
  return Math.min(MOST_TOUCH_MIN, Math.max(LEAST_TOUCH_MIN, Math.ceil(seconds / 60) + 2));
}

/**
 * Touches from `today` on; each may slip by a day where its own has no room, and is left out where that has none either.
 * `capacity` are the minutes of each day, `agreed` those of them promised to other work, which is only asked to yield
 * where no day near has room beside it.
 */
export function reserveTouches(
  items: readonly WarmItem[],
  today: DayNumber,
  capacity: ReadonlyMap<DayNumber, Minutes>,
  agreed: ReadonlyMap<DayNumber, Minutes> = new Map()
): ReservedTouch[] {
  const reserved: ReservedTouch[] = [];
  const room = new Map(capacity);
  for (const item of items) {
    const minutes = touchMinutes(item.seconds);
    for (const { day, kind } of wantedTouches(item, today)) {
      const near = [day, day + 1, day - 1].filter((d) => d >= today && d < item.stages.dayZero);
      const free =
        near.find((d) => (room.get(d) ?? 0) - (agreed.get(d) ?? 0) >= minutes) ??
        near.find((d) => (room.get(d) ?? 0) >= minutes);
      if (free === undefined || reserved.some((r) => r.id === item.id && r.day === free)) continue;
      room.set(free, room.get(free)! - minutes);
      reserved.push({ id: item.id, day: free, minutes, kind });
    }
  }
  return reserved;
}

function wantedTouches(item: WarmItem, today: DayNumber): { day: DayNumber; kind: TouchKind }[] {
  const { dayZero, lastDaysFrom, mockFrom, contextFrom } = item.stages;
  const wanted: { day: DayNumber; kind: TouchKind }[] = [];
  for (let day = Math.max(today, item.stages.began); day < lastDaysFrom; day += 1) {
    const back = dayZero - day + item.rank;
    const isWarm = back % KEEP_WARM_EVERY_DAYS === 0 && (item.isHeld || day >= mockFrom);
    const isRun = back % RUN_EVERY_DAYS === 0 && (day >= contextFrom || item.isNarrowed === true);
    if (isRun) wanted.push({ day, kind: 'run' });
    else if (isWarm) wanted.push({ day, kind: 'keep-warm' });
  }
  if (lastDaysFrom >= today && lastDaysFrom < dayZero) wanted.push({ day: lastDaysFrom, kind: 'easy-run' });
  return wanted;
}

/** What is asked beside what stays: how much of it fits, and how even the load could be and is. */
import type { DayNumber, Minutes } from '../units';
import { LEAST_LONG_BLOCK_MIN } from './block-task';
import { type Demands, readDemands } from './demand';
import { type Fit, findFit } from './fit';
import { type Stay, sumMinutes } from './keep';
import { levelDemands } from './level';

/** Everything around what stays: what is still asked of the days, and how much of it fits. */
export type Around = {
  readonly stay: Stay;
  readonly capacity: ReadonlyMap<DayNumber, Minutes>;
  readonly demands: Demands;
  readonly fit: Fit;
};

export function fitAround(stay: Stay, capacity: ReadonlyMap<DayNumber, Minutes>): Around {
  const demands = readDemands(stay.demands, capacity, stay.lying);
  return { stay, capacity, demands, fit: findFit(demands, stay.demands.length) };
}

/** Minutes of each demand that did not fit. */
export function shortOf({ stay, demands, fit }: Around): Minutes[] {
  const short = stay.demands.map((demand) => sumMinutes(demand.windows));
  demands.rowOf.forEach(({ demand }, r) => (short[demand]! -= fit.placed[r]!));
  return short;
}

/** Stretches longer than a week would hide a heavy day. */
const MOST_STRETCH_DAYS = 7;

export type Measure = {
  readonly unevenness: (load: ReadonlyMap<DayNumber, Minutes>) => number;
  readonly least: number;
  /** The even load of each day. */
  readonly even: ReadonlyMap<DayNumber, Minutes>;
  /** Measured day by day. */
  readonly isFine: boolean;
};

/**
 * Sum of load^2 / capacity, and the least it can be. Where the days have too little for two blocks each, blocks cannot be even day
 * by day, and stretches of days that have room for two are measured instead.
 */
export function measureEvenness({ demands, fit, stay, capacity }: Around): Measure {
  const levels = levelDemands(demands, fit.placed);
  const even = new Map(
    demands.columns.flatMap(({ days }, c) => {
      const { minutes, room } = levels.ofColumn[c]!;
      return days.map((day) => [day, (minutes * capacity.get(day)!) / room] as const);
    })
  );
  const days = [...even.keys()].sort((a, b) => a - b);
  const placed =
    fit.placed.reduce((sum, minutes) => sum + minutes, 0) +
    days.reduce((sum, d) => sum + stay.lying.on(d), 0);
  const stretch = Math.min(
    MOST_STRETCH_DAYS,
    Math.ceil((2 * LEAST_LONG_BLOCK_MIN * days.length) / Math.max(1, placed))
  );
  const unevenness = (load: ReadonlyMap<DayNumber, Minutes>) => {
    let sum = 0;
    for (let at = 0; at < days.length; at += stretch) {
      const together = days.slice(at, at + stretch);
      const minutes = together.reduce((total, day) => total + (load.get(day) ?? 0), 0);
      sum += minutes ** 2 / together.reduce((total, day) => total + capacity.get(day)!, 0);
    }
    return sum;
  };
  return { unevenness, least: unevenness(even), even, isFine: stretch === 1 };
}

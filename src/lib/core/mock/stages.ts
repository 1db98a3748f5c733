/**
 * Where the stages of mock performance stand before a round: counted back from it, within what days there are, each on a day that can be one.
 * Source: the mock model, section 1; places and gaps are its judgement.
 */
import type { DayNumber } from '../units';

/** Stages 1 to 5. */
type Stage = {
  /** Days before the round, where there are two weeks of mocks. */
  readonly place: number;
  /** Always within the mock window. */
  readonly isInside: boolean;
  /** Minutes of its day, to begin with. */
  readonly minutes: number;
  /** What has to be there before; it is played all the same. */
  readonly expects: string;
  readonly passes: string;
};
export const STAGES: readonly Stage[] = [
  {
    place: 21,
    isInside: false,
    minutes: 20,
    expects: 'every item at 90 % of its target',
    passes: 'straight through, nothing stopped, listened to once'
  },
  {
    place: 16,
    isInside: false,
    minutes: 20,
    expects: 'the run alone is behind you',
    passes: 'played through, remarks kept'
  },
  {
    place: 12,
    isInside: true,
    minutes: 30,
    expects: 'all tempos hold',
    passes: 'no element “not yet” on more than one item'
  },
  {
    place: 8,
    isInside: true,
    minutes: 40,
    expects: 'the teacher’s panel is behind you',
    passes: 'no gap wider than one word'
  },
  { place: 4, isInside: true, minutes: 60, expects: '', passes: 'nothing is “not yet” because of it' }
];

/** Places are for so long a window. */
const USUAL_WINDOW = 14;
/** The two days before the round are light. */
const FREE_BEFORE = 2;
/** From one stage to the next: a day between them. */
const LEAST_STEP = 2;
/** What is left out first, where days are few: the first ones tell the least of the slot. */
const LEFT_OUT_FIRST = [2, 1, 4, 3, 5];

export type StageFrame = {
  readonly today: DayNumber;
  /** Of the round that hears the list. */
  readonly roundOn: DayNumber;
  /** Days of the mock window. */
  readonly windowDays: number;
  /** Stages to be placed, by number, in order. */
  readonly stages: readonly number[];
  /** Stages that stand, booked or played: they never move. */
  readonly fixed: ReadonlyMap<number, DayNumber>;
  readonly canBe: (day: DayNumber) => boolean;
};
export type PlacedStages = {
  readonly days: ReadonlyMap<number, DayNumber>;
  /** Stages for which no day is left. */
  readonly without: readonly number[];
};

/**
 * The day of each stage that is not fixed: as near to its place as can be, in their order, with a day between two. Where fewer days remain than
 * the places ask, they are squeezed evenly; where even so there is no day, as few stages as can be are left out and named.
 */
export function placeStages(frame: StageFrame): PlacedStages {
  for (const without of leftOut(frame.stages)) {
    const days = nearest(
      frame,
      frame.stages.filter((stage) => !without.includes(stage))
    );
    if (days) return { days, without: without.sort((a, b) => a - b) };
  }
  return { days: new Map(), without: frame.stages };
}

/** All that can be left out, the fewest first; of as many, those first that are left out first. */
function leftOut(stages: readonly number[]): number[][] {
  const among = LEFT_OUT_FIRST.filter((stage) => stages.includes(stage));
  // each after those that are made of earlier ones alone
  const all = among.reduce<number[][]>(
    (sets, stage) => [...sets, ...sets.map((set) => [...set, stage])],
    [[]]
  );
  return all.sort((a, b) => a.length - b.length);
}

/** Where each stage would stand if any day could be one; not whole days. */
export function wantedDays({ today, roundOn, windowDays }: StageFrame, stages: readonly number[]) {
  const share = windowDays / USUAL_WINDOW;
  const away = (stage: number) => {
    const { place, isInside } = STAGES[stage - 1]!;
    return isInside ? Math.min(windowDays, place * share) : place * share;
  };
  const farthest = Math.max(...stages.map(away), 0);
  const squeeze = Math.min(1, farthest === 0 ? 1 : (roundOn - today) / farthest);
  return new Map(stages.map((stage) => [stage, roundOn - away(stage) * squeeze]));
}

type Way = { readonly days: readonly DayNumber[]; readonly off: number };

/** The assignment with the least sum of days away from where they want to be, the earliest of equals; null where there is none. */
function nearest(frame: StageFrame, stages: readonly number[]): ReadonlyMap<number, DayNumber> | null {
  const wanted = wantedDays(frame, stages);
  let ways: readonly Way[] = [{ days: [], off: 0 }];
  for (const [i, stage] of stages.entries()) {
    const [from, to] = spanOf(frame, stage);
    const next: Way[] = [];
    for (let day = from; day <= to; day += 1) {
      if (!frame.canBe(day)) continue;
      const before = ways
        .filter(({ days }) => i === 0 || day - days[i - 1]! >= LEAST_STEP)
        .reduce<Way | null>((best, way) => (best === null || way.off < best.off - 1e-9 ? way : best), null);
      if (before)
        next.push({ days: [...before.days, day], off: before.off + Math.abs(day - wanted.get(stage)!) });
    }
    ways = next;
  }
  const best = ways.reduce<Way | null>(
    (least, way) => (least === null || way.off < least.off - 1e-9 ? way : least),
    null
  );
  return best && new Map(stages.map((stage, i) => [stage, best.days[i]!]));
}

/** First and last day of a stage: between what is fixed before and behind it, and within the window where it belongs there. */
function spanOf({ today, roundOn, windowDays, fixed }: StageFrame, stage: number): [DayNumber, DayNumber] {
  const days = [...fixed];
  const before = days.filter(([other]) => other < stage).map(([, day]) => day + LEAST_STEP);
  const behind = days.filter(([other]) => other > stage).map(([, day]) => day - LEAST_STEP);
  const opens = STAGES[stage - 1]!.isInside ? roundOn - windowDays : today;
  return [Math.max(today, opens, ...before), Math.min(roundOn - FREE_BEFORE - 1, ...behind)];
}

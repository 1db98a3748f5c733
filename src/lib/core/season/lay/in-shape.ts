/**
 * Where a ladder's shape puts its rungs; and ladders that the even load would put far behind it, as it does with what only a later round
 * hears: asked for part by part, each by the day on which its shape may have it at the latest.
 */
import { IN_CONTEXT_SHARE, type Window } from '../../plan';
import type { DayNumber, Minutes } from '../../units';
import type { Ask } from './asks';
import type { ItemCase, ItemMinutes, SeasonFrame } from './frame';

/** How far a rung may lie from where its shape puts it, as a share of the ramp (judgement). */
const FROM_SHAPE = 0.25;
/** Rungs nearer to each other than this share of the ramp are due together (judgement). */
const PART = 1 / 12;

export type Shape = {
  /** Where each rung lies if the ladder is practised evenly, in days and parts of one. */
  readonly places: readonly DayNumber[];
  /** Days that a rung may lie from its place. */
  readonly play: number;
};

/** The shape of an item's ladder from today to the end of its ramp; those below 80 % are due before context. */
export function readShape({ climb, stages }: ItemCase, today: DayNumber): Shape {
  const from = Math.max(today, stages!.began);
  const ramp = stages!.rampTo - from;
  const beforeContext = stages!.contextFrom - 1 - from;
  const early = climb.rungs.findLastIndex((rung) => rung.share < IN_CONTEXT_SHARE) + 1;
  const sums = sumsOf(climb.rungs.map((rung) => rung.minutes - rung.minutesDone));
  const places = sums.map((sum, rung) => {
    const whole = from + (ramp * sum) / sums.at(-1)!;
    return rung < early ? Math.min(whole, from + (beforeContext * sum) / sums[early - 1]!) : whole;
  });
  return { places, play: Math.max(1, FROM_SHAPE * ramp) };
}

/** What is to be done of a ladder by the end of a day, in minutes from its beginning. */
type Due = { readonly by: DayNumber; readonly minutes: Minutes };

/** The same ask with a window for each part, where what was laid of it comes later than its shape may have it; null where it does not. */
export function askInShape(ask: Ask, laid: ItemMinutes, { today }: SeasonFrame): Ask | null {
  const { windows, climbing } = ask.asked;
  const { rampTo } = ask.owner.stages!;
  const from = windows[0]!.from;
  // who set a rung by hand has set the pace
  const isByHand = windows.some((window) => window.from !== from);
  if (!climbing || isByHand || today > rampTo) return null;
  const latest = latestOf(readShape(ask.owner, today), climbing.rungs, rampTo);
  if (latest.every((due) => laidBy(laid, due.by) >= due.minutes)) return null;
  return { ...ask, asked: { ...ask.asked, windows: windowsOf([...latest, ...duesOf(windows)], from) } };
}

/** The day by which each rung has to be reached to be in shape; those that may come with the ramp's end are due there. */
function latestOf({ places, play }: Shape, rungs: readonly Minutes[], rampTo: DayNumber): Due[] {
  const latest: Due[] = [];
  let next = -Infinity;
  sumsOf(rungs).forEach((minutes, rung) => {
    const by = Math.floor(places[rung]! + play);
    if (minutes === 0 || by < next || by >= rampTo) return;
    latest.push({ by, minutes });
    next = by + PART * (play / FROM_SHAPE);
  });
  return latest;
}

const sumsOf = (minutes: readonly Minutes[]): Minutes[] => {
  let sum = 0;
  return minutes.map((more) => (sum += more));
};

function laidBy({ allotments }: ItemMinutes, day: DayNumber): Minutes {
  return allotments.reduce((sum, one) => sum + (one.day <= day ? one.minutes : 0), 0);
}

function duesOf(windows: readonly Window[]): Due[] {
  const sums = sumsOf(windows.map(({ minutes }) => minutes));
  return windows.map(({ to }, i) => ({ by: to, minutes: sums[i]! }));
}

/** Windows that ask by each day what is due by then and was not due before. */
function windowsOf(dues: readonly Due[], from: DayNumber): Window[] {
  const windows: Window[] = [];
  let asked = 0;
  for (const { by, minutes } of [...dues].sort((a, b) => a.by - b.by || b.minutes - a.minutes)) {
    if (minutes <= asked) continue;
    windows.push({ from, to: by, minutes: minutes - asked });
    asked = minutes;
  }
  return windows;
}

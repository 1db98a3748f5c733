/**
 * The stairs of the countback: where an item stood below its target, and where the plan puts it, in clicks.
 * The slowest section sets the item, then as now. An item counts as seen once every section has held once.
 */
import { type Touch, inTimeOrder, isTelling } from '../../practice';
import { clicksBetween } from '../../tempo';
import { type Bpm, type Clicks, type DayNumber, dayOf } from '../../units';
import { eveningsOf } from './held-sections';
import type { Bars } from '../facts/chain';
import { partsOf } from '../facts/parts';
import { narrowToCuts } from '../facts/narrow';
import type { PlannedItem } from '../laid/plan';
import { type Schools, type SeasonItem, schoolsOf } from '../facts/request';

export type Step = {
  readonly date: string;
  readonly sectionId: string;
  readonly bpm: Bpm;
  /** Of a link of a chunk chain: the bars joined on that date. */
  readonly bars?: Bars | undefined;
  readonly clicksBelow: Clicks;
};

type Level = {
  readonly sectionId: string;
  readonly bpm: Bpm;
  readonly targetBpm: Bpm;
  readonly unit: Parameters<typeof clicksBetween>[2];
};

function stepAt(date: string, levels: readonly Level[]): Step {
  const slowest = levels.reduce((a, b) => (b.bpm / b.targetBpm < a.bpm / a.targetBpm ? b : a));
  const below = Math.max(0, clicksBetween(slowest.bpm, slowest.targetBpm, slowest.unit));
  return { date, sectionId: slowest.sectionId, bpm: slowest.bpm, clicksBelow: Math.round(below * 100) / 100 };
}

/** The steps of one section among several. */
export type SectionStair = { readonly sectionId: string; readonly steps: readonly Step[] };
type HeldStairs = {
  /** Of the item: its slowest section at the time. */
  readonly steps: Step[];
  /** Of each section; empty where there is but one. */
  readonly sections: readonly SectionStair[];
};

/** Steps at the dates on which what held changed, oldest first. */
export function heldStairs(
  whole: SeasonItem,
  touches: readonly Touch[],
  general: Partial<Schools> | undefined
): HeldStairs {
  const item = narrowToCuts(whole);
  const schools = schoolsOf(item, general);
  // what held can change only by such touches
  const isInParts = item.sections.some((section) => partsOf(item, section) !== null);
  const ordered = inTimeOrder(touches).filter((touch) => isTelling(touch, schools, isInParts));
  const read = eveningsOf(item, ordered, schools);
  const dates = [...new Set(read.flatMap(({ evenings }) => [...evenings.keys()]))].sort();
  const steps: Step[] = [];
  const bySection = new Map<string, Step[]>(item.sections.map(({ id }) => [id, []]));
  const standing = new Map<string, Level>();
  for (const date of dates) {
    for (const { sectionId, target, evenings } of read) {
      const bpm = evenings.get(date);
      if (bpm === undefined) continue;
      if (bpm === null) standing.delete(sectionId);
      else standing.set(sectionId, { sectionId, bpm, targetBpm: target.targetBpm, unit: target.unit });
    }
    // in the order of the list, whichever came to hold first
    const levels = read.flatMap(({ sectionId }) => standing.get(sectionId) ?? []);
    for (const level of levels) addStep(bySection.get(level.sectionId)!, stepAt(date, [level]));
    // an item counts as seen once every section has held
    if (read.length > 0 && levels.length === read.length) addStep(steps, stepAt(date, levels));
  }
  const sections = [...bySection].map(([sectionId, own]) => ({ sectionId, steps: own }));
  return { steps, sections: sections.length > 1 ? sections : [] };
}

function addStep(steps: Step[], step: Step): void {
  const before = steps.at(-1);
  if (!before || before.bpm !== step.bpm || before.sectionId !== step.sectionId) steps.push(step);
}

/** Where the item stands today and on each date a rung is planned for; empty for items without a tempo. */
export function plannedStairs(item: PlannedItem, today: string): Step[] {
  const levels = new Map<string, Level>();
  for (const s of item.sections) {
    if (s.unit && s.targetBpm !== null && s.startBpm !== null)
      levels.set(s.id, {
        sectionId: s.id,
        bpm: Math.min(s.startBpm, s.targetBpm),
        targetBpm: s.targetBpm,
        unit: s.unit
      });
  }
  if (levels.size === 0) return [];
  const steps = [stepAt(today, [...levels.values()])];
  for (const rung of item.rungs) {
    if (!rung.date) continue;
    const level = levels.get(rung.sectionId)!;
    // a link stands as high as the share of the way it leads
    const reached = rung.bars ? Math.max(level.bpm, rung.share * level.targetBpm) : rung.bpm;
    levels.set(rung.sectionId, { ...level, bpm: reached });
    const at = stepAt(rung.date, [...levels.values()]);
    const step =
      rung.bars && at.sectionId === rung.sectionId ? { ...at, bpm: rung.bpm, bars: rung.bars } : at;
    if (step.clicksBelow === steps.at(-1)!.clicksBelow) continue;
    if (steps.at(-1)!.date === rung.date && steps.length > 1) steps.pop();
    steps.push(step);
  }
  return steps;
}

/** The planned stairs of each section; empty where there is but one with a tempo. */
export function sectionStairs(item: PlannedItem, today: string): SectionStair[] {
  const timed = item.sections.filter(({ unit }) => unit !== null);
  if (timed.length < 2) return [];
  return timed.map((section) => {
    const rungs = item.rungs.filter(({ sectionId }) => sectionId === section.id);
    return { sectionId: section.id, steps: plannedStairs({ ...item, sections: [section], rungs }, today) };
  });
}

/** The farthest an item was, is or will be from its target, in clicks; 0 where it has none. */
export function deepest(steps: readonly Step[], since: DayNumber): Clicks {
  return Math.max(0, ...steps.filter((s) => dayOf(s.date) >= since).map((s) => s.clicksBelow));
}

/** The plan as a chart for the wall: what each item should hold at the end of every week, week by week down to the round. */
import { type BeatUnit, type Bpm, type DayNumber, type Minutes, dayOf } from '../../units';
import { type PlannedItem, type PlannedSection, type SeasonPlan, sayRung } from './plan';

export type WallWeek = {
  readonly weeksToGo: number;
  readonly from: string;
  readonly to: string;
  readonly minutes: Minutes;
};

/** One section with a tempo, or an item without any. */
export type WallRow = {
  readonly itemId: string;
  readonly name: string;
  /** Bars, where the item has several sections. */
  readonly bars: string;
  readonly unit: BeatUnit | null;
  readonly held: Bpm | null;
  readonly target: Bpm | null;
  /** The day it is due by, where a later round than this chart's hears it. */
  readonly dueLater: string | null;
  /** What is reached in each week, a tempo or the bars joined; null where nothing is. */
  readonly cells: readonly (string | null)[];
};

export function readWall(plan: SeasonPlan): { weeks: WallWeek[]; rows: WallRow[] } {
  const weeks = plan.weeks
    .filter((week) => week.weeksToGo > 0)
    .map(({ weeksToGo, from, to, plannedMin }) => ({ weeksToGo, from, to, minutes: plannedMin }));
  const roundOn = dayOf(plan.today) + (plan.daysToGo ?? 0);
  const rows = plan.items
    .filter((item) => item.state !== 'past' && item.state !== 'left-out')
    .flatMap((item) => {
      const timed = item.sections.filter((s) => s.unit !== null);
      return timed.length === 0
        ? [{ ...rowOf(item, weeks, roundOn, null), bars: '' }]
        : timed.map((section) => rowOf(item, weeks, roundOn, section, timed.length > 1));
    });
  return { weeks, rows };
}

function rowOf(
  item: PlannedItem,
  weeks: readonly WallWeek[],
  roundOn: DayNumber,
  section: PlannedSection | null,
  isOneOfSeveral = false
): WallRow {
  const rungs = item.rungs.filter((r) => r.sectionId === section?.id && r.date !== null);
  return {
    itemId: item.id,
    name: item.name,
    bars: section && isOneOfSeveral ? `${section.fromBar}–${section.toBar}` : '',
    unit: section?.unit ?? null,
    held: section?.held?.bpm ?? null,
    target: section?.targetBpm ?? null,
    dueLater: item.dayZero && dayOf(item.dayZero) > roundOn ? item.dayZero : null,
    cells: weeks.map(({ from, to }) => {
      const last = rungs.findLast((r) => r.date! >= from && r.date! <= to);
      return last ? sayRung(last) : null;
    })
  };
}

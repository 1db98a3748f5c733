/** A plan as today's road map has it by now: what was moved, lengthened, dropped or added by hand stands on paper and in the calendar too. */
import type { DeskBlock, DeskDay } from '../../practice';
import type { Minutes } from '../../units';
import type { PlannedBlock, SeasonPlan } from '../laid/plan';

/** Kinds of a road map that a plan has as well. */
const OF_PLAN = ['ladder', 'minutes', 'keep-warm', 'run', 'easy-run'] as const;
type KindOfPlan = (typeof OF_PLAN)[number];
const isOfPlan = (kind: string): kind is KindOfPlan => OF_PLAN.some((one) => one === kind);

/** Null: the day was not begun, nor changed. */
export function followDay(plan: SeasonPlan, day: DeskDay | null): SeasonPlan {
  if (!day) return plan;
  const days = plan.days.map((planned) =>
    planned.date === day.date
      ? { ...planned, blocks: blocksOf(day.blocks, planned.blocks, new Set(plan.items.map(({ id }) => id))) }
      : planned
  );
  return { ...plan, days };
}

/** In the day's order. Where the plan says when it begins, each begins when the one before is over, rests and warm-up included. */
function blocksOf(
  blocks: readonly DeskBlock[],
  planned: readonly PlannedBlock[],
  known: ReadonlySet<string>
): PlannedBlock[] {
  const left = [...planned];
  let clock = startOf(planned);
  return blocks.flatMap((block) => {
    if (block.isDropped || block.itemId === null) {
      // what comes before the first of the list lies before its start
      if (!block.isDropped && clock !== null && left.length < planned.length) clock += block.minutes;
      return [];
    }
    const { itemId, kind, minutes } = block;
    const start = clock === null ? null : sayClock(clock);
    if (clock !== null) clock += minutes;
    if (!isOfPlan(kind) || !known.has(itemId)) return [];
    const place = left.findIndex((one) => one.itemId === itemId && one.kind === kind);
    const [of] = place < 0 ? [] : left.splice(place, 1);
    return [{ ...(of ?? blankOf(block, itemId, kind)), minutes, start }];
  });
}

const blankOf = ({ sectionId, work }: DeskBlock, itemId: string, kind: KindOfPlan): PlannedBlock => ({
  itemId,
  kind,
  minutes: 0,
  start: null,
  sectionId,
  bpm: work ? Math.max(...work.way) : null,
  bars: null,
  isPinned: false
});

/** Minutes from midnight at which the first of them begins; null where none says so. */
function startOf(planned: readonly PlannedBlock[]): Minutes | null {
  const [first] = planned.flatMap(({ start }) => (start === null ? [] : [start])).sort();
  if (first === undefined) return null;
  const [hours, minutes] = first.split(':').map(Number) as [number, number];
  return hours * 60 + minutes;
}

/** A day that runs past midnight ends at its last minute. */
function sayClock(minutes: Minutes): string {
  const at = Math.min(minutes, 23 * 60 + 59);
  return `${String(Math.floor(at / 60)).padStart(2, '0')}:${String(at % 60).padStart(2, '0')}`;
}

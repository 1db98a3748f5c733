/** One block of a day's road map, from the plan's. Source: the practice model, section 1; the constants are judgement. */
import type { DeskWork, PlanItem, PracticeTime, RoadBlock, Schools, Touch } from '../../record';
import { MOST_SHORT_TEXT } from '../../record/words';
import { seriesOf } from '../../practice';
import { clicksLower, fitLadder } from '../../tempo';
import { type BarRange, SAME_TEMPO, dayOf, formatDate } from '../../units';
import { schoolsOf } from '../facts/request';
import { drillMinutes } from '../climb/rungs';
import { linkOf } from '../facts/chain';
import { partsOf } from '../facts/parts';
import type { Asked } from './asked';
import type { KeysPlayed } from './scales';
import { type SpotNow, spotsForBlock } from './spots';
import { throughOf } from './through';
import { dueOf, sayWhy } from './why';
import {
  type BlockPart,
  type PlannedBlock,
  type PlannedItem,
  type PlannedSection,
  type SeasonPlan,
  barsOf,
  rungOfBlock
} from '../laid/plan';

/** How hard a part is, is read from so many days. */
const HARD_DAYS = 14;
/** Settings below where the work begins, to step back to. */
const SETTINGS_BELOW = 5;

/** What a day is made from, besides the plan. */
export type DayFacts = {
  readonly items: readonly PlanItem[];
  readonly time: Pick<PracticeTime, 'warmUpMin' | 'fundamentalsMin' | 'rotation'>;
  /** When each entry of the rotation was last done, by id. */
  readonly doneOn?: ReadonlyMap<string, string>;
  readonly keysPlayed?: KeysPlayed;
  readonly schools?: Partial<Schools> | undefined;
  readonly log: readonly Touch[];
  /** As a plan is laid with them. */
  readonly hurtDays?: readonly string[] | undefined;
  /** Hardest first. */
  readonly spots?: readonly SpotNow[];
  /** Wanted on the day besides what the plan has. */
  readonly asked?: readonly Asked[];
};
export type BlockWithoutId = Omit<RoadBlock, 'id'>;

/** A planned block as the desk takes it up: its bars and parts, its way up, its spots, and why it is there. */
export function roadBlockOf(
  plan: SeasonPlan,
  facts: DayFacts,
  date: string,
  block: PlannedBlock
): BlockWithoutId {
  const item = plan.items.find(({ id }) => id === block.itemId)!;
  const section = sectionOf(item, block);
  const own = facts.items.find(({ id }) => id === item.id)!;
  const schools = schoolsOf(own, facts.schools);
  const whole = section && barsOf(item, { ...block, sectionId: section.id });
  const isBackward = schools.strategy === 'combined';
  const link = section && block.bars ? linkOf(section, block.bars, isBackward) : undefined;
  const parts = link
    ? [link.chunk]
    : section && block.part
      ? partsOfBlock(facts, item, section, block.part)
      : [];
  const work = section ? workOf(item, section, block, schools) : null;
  const place = { itemId: item.id, sectionId: section?.id ?? null, minutes: block.minutes };
  const rung = block.kind === 'ladder' ? rungOfBlock(item, block) : undefined;
  const drillMin = rung ? drillMinutes(rung, block.minutes, schools, item.cleanShare) : 0;
  const through = block.kind === 'keep-warm' && !work ? throughOf(item, own) : undefined;
  const spots = work ? spotsForBlock(facts.spots ?? [], place, date) : [];
  return {
    kind: block.kind,
    itemId: item.id,
    sectionId: section?.id ?? null,
    name: nameIn(plan, item),
    bars: plainBars(block.part?.isJoined ? whole : (block.part?.bars ?? whole)),
    parts,
    isJoined: link !== undefined || (parts.length > 0 && block.part?.isJoined === true),
    minutes: block.minutes,
    why: sayWhy(plan, facts, date, item, block, link !== undefined),
    dueOn: dueOf(plan, item, block),
    work,
    ...(parts.length > 1 ? { firstPart: hardestOf(facts.log, item.id, parts, date) } : {}),
    ...(through ? { through } : {}),
    ...(isRun(block.kind) ? { sections: sectionsAt(item) } : {}),
    ...(link ? { link } : {}),
    ...(drillMin > 0 ? { drillMin } : {}),
    ...(spots.length > 0 ? { spots } : {})
  };
}

const isRun = (kind: PlannedBlock['kind']) => kind === 'run' || kind === 'easy-run';

/** What is run: each section with a tempo at what holds of it, or at what its ladder begins with; never above its target. */
const sectionsAt = ({ sections }: PlannedItem) =>
  sections.flatMap(({ fromBar, toBar, unit, held, startBpm, targetBpm }) =>
    unit === null || startBpm === null || targetBpm === null
      ? []
      : [{ fromBar, toBar, unit, bpm: Math.min(held?.bpm ?? startBpm, targetBpm) }]
  );

/** Parts of the section that the block works on; none where it is but one, and not all of it is played besides. */
function partsOfBlock(
  { items }: DayFacts,
  item: PlannedItem,
  { id, fromBar, toBar }: PlannedSection,
  { bars, isJoined }: BlockPart
) {
  const facts = items.find((one) => one.id === item.id);
  const section = facts?.sections.find((one) => one.id === id);
  const cut = (section && partsOf(facts!, { ...section, fromBar, toBar })?.bars) ?? [];
  const own = cut.filter((part) => !bars || (part.fromBar >= bars.fromBar && part.toBar <= bars.toBar));
  return own.length === 1 && !isJoined
    ? []
    : own.map(({ fromBar: from, toBar: to }) => ({ fromBar: from, toBar: to }));
}

/** Of the parts, by number, the one with the most attempts of lately that were not clean; the first where none was. */
function hardestOf(log: readonly Touch[], itemId: string, parts: readonly BarRange[], date: string): number {
  const since = formatDate(dayOf(date) - HARD_DAYS);
  const lately = log.filter((touch) => touch.itemId === itemId && touch.date >= since && touch.date < date);
  const series = lately.flatMap(seriesOf);
  const notClean = parts.map((part) =>
    series
      .filter(({ fromBar, toBar }) => fromBar === part.fromBar && toBar === part.toBar)
      .reduce((sum, { attempts = '' }) => sum + attempts.split('n').length - 1, 0)
  );
  return notClean.indexOf(Math.max(...notClean));
}

const plainBars = (bars: { readonly fromBar: number; readonly toBar: number } | null | undefined) =>
  bars ? { fromBar: bars.fromBar, toBar: bars.toBar } : null;

/** What is touched to keep it warm is clicked where one tempo says all of it. */
function sectionOf(item: PlannedItem, block: PlannedBlock): PlannedSection | null {
  const timed = item.sections.filter((section) => section.unit !== null);
  if (block.kind === 'keep-warm') return timed.length === 1 ? timed[0]! : null;
  return timed.find((section) => section.id === block.sectionId) ?? null;
}

function workOf(
  item: PlannedItem,
  { id, unit, held, startBpm, targetBpm }: PlannedSection,
  block: PlannedBlock,
  { step, inARow, among, back }: Schools
): DeskWork | null {
  if (unit === null || startBpm === null || targetBpm === null) return null;
  const start = Math.min(startBpm, targetBpm);
  const goal = block.bpm ?? start;
  // a link of bars is played at its tempo from the start
  const way = block.bars ? [goal] : fitLadder(Math.min(start, goal), goal, unit, step, item.cleanShare);
  const below = Array.from({ length: SETTINGS_BELOW }, (_, n) => clicksLower(way[0]!, unit, n + 1));
  const further = block.bars
    ? undefined
    : item.rungs.find((rung) => rung.sectionId === id && !rung.bars && rung.bpm > goal * (1 + SAME_TEMPO));
  return {
    unit,
    targetBpm,
    heldBpm: held && !block.bars ? start : null,
    way,
    below: below.filter((bpm, i) => bpm < (below[i - 1] ?? way[0]!)),
    furtherBpm: further?.bpm ?? null,
    inARow,
    ...(among > inARow ? { among } : {}),
    ...(back === 'step' ? {} : { back })
  };
}

/** An item's name; where another of the plan has the same, with the audition that brings it, if both have room on one line. */
export function nameIn(plan: Pick<SeasonPlan, 'items'>, { id, name, broughtBy }: PlannedItem): string {
  const hasTwin = plan.items.some((one) => one.id !== id && one.name === name);
  const full = broughtBy && hasTwin ? `${name}, for ${broughtBy.name}` : name;
  return full.length <= MOST_SHORT_TEXT ? full : name;
}

/**
 * One day's road map: the plan's blocks of that day in their order, with the warm-up before them and rests between, each with its minutes, how
 * its tempo moves and why it is there. What is changed of it by hand, and what is done, are the desk's (core/practice). Source: the practice
 * model, section 1; the constants are judgement.
 */
import type { DeskWork, PlanItem, PracticeTime, RoadBlock, Schools, Touch } from '../../record';
import { LIKED_MIN, rotationOn, seriesOf } from '../../practice';
import { clicksLower, fitLadder } from '../../tempo';
import { type BarRange, type Minutes, SAME_TEMPO, dayOf, formatDate } from '../../units';
import { schoolsOf } from '../climb/climb';
import { drillMinutes } from '../climb/rungs';
import { linkOf } from '../facts/chain';
import { partsOf } from '../facts/parts';
import { type KeysPlayed, scalesOn } from './scales';
import { ANY_BAR_MIN, type Asked, doesAnswer, drawStarts, runMinutesOf } from './asked';
import { huntsFor } from './hunts';
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

/** So long a rest after so much play. */
const REST_MIN: Minutes = 5;
const PLAY_BEFORE_REST_MIN: Minutes = 55;
/** To take up another instrument; and what is left of a block that gives it. */
const SWITCH_MIN: Minutes = 1;
const LEAST_BLOCK_MIN: Minutes = 3;
/** A block added by hand, to begin with. */
const ADDED_MIN: Minutes = 8;
/** How hard a part is, is read from so many days. */
const HARD_DAYS = 14;
/** Settings below where the work begins, to step back to. */
const SETTINGS_BELOW = 5;

type Facts = {
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
type BlockWithoutId = Omit<RoadBlock, 'id'>;

/** `idOf` names a block by its number and item, the same for whoever makes the day. Empty on a day without minutes. */
export function makeRoadMap(
  plan: SeasonPlan,
  facts: Facts,
  date: string,
  idOf: (index: number, itemId: string | null) => string
): RoadBlock[] {
  const day = plan.days.find((one) => one.date === date);
  if (!day || (day.capacityMin === 0 && day.blocks.length === 0)) return [];
  const { warmUpMin } = facts.time;
  const planned = day.blocks.map((block) => roadBlockOf(plan, facts, date, block));
  const asked = askedOn(plan, facts, date, planned);
  const blocks = [
    ...ofNoItem('warm-up', warmUpMin, 'Warm-up', 'from the middle of the range outwards'),
    ...fundamentalsOn(facts, date),
    ...withSwitches([...asked, ...planned.map((block) => lessFor(asked, planned, block))], facts.items)
  ];
  return withRests(blocks).map((block, i) => ({ id: idOf(i, block.itemId), ...block }));
}

const turnsOn = ({ time, doneOn = new Map() }: Pick<Facts, 'time' | 'doneOn'>, date: string) =>
  rotationOn(time.rotation ?? [], doneOn, date, time.fundamentalsMin);

/** What is wanted besides, a run first: it asks whether it is there cold. What the plan has anyway is not put in again. */
function askedOn(
  plan: SeasonPlan,
  facts: Facts,
  date: string,
  planned: readonly BlockWithoutId[]
): BlockWithoutId[] {
  const putIn = ({ itemId, as }: Asked): BlockWithoutId[] => {
    const item = plan.items.find(({ id }) => id === itemId);
    const own = facts.items.find(({ id }) => id === itemId);
    if (!item || !own || item.state === 'past') return [];
    if (as === 'probe')
      return huntsFor(plan, facts).filter((hunt) => hunt.kind === 'probe' && hunt.itemId === itemId);
    if (as === 'work') {
      if (planned.some((block) => block.itemId === itemId && doesAnswer(block, as))) return [];
      return blocksToAdd(plan, facts, date)
        .filter((block) => block.itemId === itemId)
        .map((block) => ({ ...block, why: 'asked for: its tempo' }));
    }
    const minutes = as === 'run' ? runMinutesOf(own) : ANY_BAR_MIN;
    const place = { start: null, sectionId: null, bpm: null, bars: null, isPinned: false };
    const run = roadBlockOf(plan, facts, date, { ...place, itemId, kind: 'run', minutes });
    if (as === 'run') return [{ ...run, why: 'asked for: first thing, first attempt, straight through' }];
    const { sections: _all, ...blank } = run;
    const starts = drawStarts(own, `${itemId} ${date}`);
    return [{ ...blank, kind: 'any-bar', why: 'asked for: from any bar that is named', starts }];
  };
  const blocks = (facts.asked ?? []).flatMap((one) =>
    putIn(one).map((block) => ({ ...block, asked: one.as }))
  );
  return blocks.sort((a, b) => Number(b.kind === 'run') - Number(a.kind === 'run'));
}

/** What is put in takes its minutes from the item's own longest block of the day, else from the longest of all, as far as that stays a block. */
function lessFor(
  asked: readonly BlockWithoutId[],
  planned: readonly BlockWithoutId[],
  block: BlockWithoutId
): BlockWithoutId {
  const longest = (some: readonly BlockWithoutId[]) =>
    some.reduce<BlockWithoutId | undefined>((a, b) => (a && a.minutes >= b.minutes ? a : b), undefined);
  const taken = asked
    .filter(({ itemId }) => {
      const own = planned.filter((one) => one.itemId === itemId);
      return longest(own.length > 0 ? own : planned) === block;
    })
    .reduce((sum, { minutes }) => sum + minutes, 0);
  return taken === 0
    ? block
    : { ...block, minutes: Math.max(Math.min(block.minutes, LEAST_BLOCK_MIN), block.minutes - taken) };
}

/** Those whose turn it is; one block of them all where there is no rotation. */
function fundamentalsOn(facts: Facts, date: string): BlockWithoutId[] {
  const { fundamentalsMin, rotation = [] } = facts.time;
  if (rotation.length === 0)
    return ofNoItem('fundamentals', fundamentalsMin, 'Fundamentals', 'each day some of them');
  return turnsOn(facts, date).turns.flatMap(({ id, name, minutes, why, scales }) =>
    ofNoItem('fundamentals', minutes, name, why).map((block) => ({
      ...block,
      fundamental: id,
      ...(scales ? { scales: scalesOn(scales, facts.keysPlayed?.get(id) ?? [], `${id} ${date}`) } : {})
    }))
  );
}

/** Names of the fundamentals that are due on a date and have no minutes. */
export const waitingOn = (facts: Pick<Facts, 'time' | 'doneOn'>, date: string): string[] =>
  turnsOn(facts, date).wait.map(({ name }) => name);

/** What is of no item and can be added. */
const OF_NO_ITEM = [
  ['liked', LIKED_MIN, 'Something you like', 'for its own sake'],
  ['free', ADDED_MIN, 'Free', 'whatever comes'],
  ['quiet', ADDED_MIN, 'Quiet, no instrument', 'the score, listening, silent fingering'],
  ['rest', REST_MIN, 'Rest', 'lips, hands, ears']
] as const;

/** A block of an item that the plan does not have that day: at what holds, or towards its next rung; in the list's order. Then what is of none. */
export function blocksToAdd(plan: SeasonPlan, facts: Facts, date: string): Omit<RoadBlock, 'id'>[] {
  const ofItems = plan.items
    .filter((item) => item.state !== 'past')
    .map((item) => {
      const rung = item.rungs[0];
      const block: PlannedBlock = {
        itemId: item.id,
        kind: rung ? 'ladder' : item.state === 'minutes' ? 'minutes' : 'keep-warm',
        minutes: ADDED_MIN,
        start: null,
        sectionId: rung?.sectionId ?? null,
        bpm: rung?.bpm ?? null,
        bars: rung?.bars ?? null,
        isPinned: false
      };
      return { ...roadBlockOf(plan, facts, date, block), why: 'added by hand' };
    });
  return [
    ...ofItems,
    ...OF_NO_ITEM.flatMap(([kind, minutes, name, why]) => ofNoItem(kind, minutes, name, why))
  ];
}

/** What the clock gives that day: its minutes less lessons and mocks. */
export function clockMinutes(plan: SeasonPlan, date: string): Minutes {
  const parts = plan.days.find((one) => one.date === date)?.parts ?? [];
  const asked = ['warm-up', 'fundamentals', 'breaks'];
  const there = parts.filter(({ what }, i) => i === 0 || !asked.includes(what));
  return Math.max(
    0,
    there.reduce((sum, part) => sum + part.minutes, 0)
  );
}

function ofNoItem(
  kind: 'warm-up' | 'fundamentals' | 'liked' | 'free' | 'quiet' | 'rest',
  minutes: Minutes,
  name: string,
  why: string
): BlockWithoutId[] {
  if (minutes === 0) return [];
  return [
    {
      kind,
      itemId: null,
      sectionId: null,
      name,
      bars: null,
      parts: [],
      isJoined: false,
      minutes,
      why,
      dueOn: null,
      work: null
    }
  ];
}

/** Where the next block is played on another instrument, a minute to take it up, which that block gives where it can. */
function withSwitches(blocks: readonly BlockWithoutId[], items: readonly PlanItem[]): BlockWithoutId[] {
  const playedOn = ({ itemId }: BlockWithoutId) => items.find(({ id }) => id === itemId)?.instrument ?? '';
  let inHand = '';
  return blocks.flatMap((block) => {
    const instrument = playedOn(block);
    if (instrument === inHand) return [block];
    inHand = instrument;
    const name = instrument === '' ? 'Back to the first instrument' : `Take up the ${instrument}`;
    const minutes = Math.max(Math.min(block.minutes, LEAST_BLOCK_MIN), block.minutes - SWITCH_MIN);
    return [
      ...ofNoItem('rest', SWITCH_MIN, name, 'another instrument: warm it, tune, play a scale'),
      { ...block, minutes }
    ];
  });
}

/** A rest before the block that would make it too long; none after the last. */
function withRests(blocks: readonly BlockWithoutId[]): BlockWithoutId[] {
  let played = 0;
  return blocks.flatMap((block) => {
    const isLong = played > 0 && played + block.minutes > PLAY_BEFORE_REST_MIN;
    played = (isLong ? 0 : played) + block.minutes;
    return isLong ? [...ofNoItem('rest', REST_MIN, 'Rest', 'lips, hands, ears'), block] : [block];
  });
}

function roadBlockOf(plan: SeasonPlan, facts: Facts, date: string, block: PlannedBlock): BlockWithoutId {
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
    name: item.name,
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
  { items }: Facts,
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

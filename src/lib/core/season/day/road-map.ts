/**
 * One day's road map: the plan's blocks of that day in their order, with the warm-up before them and rests between, each with its minutes, how
 * its tempo moves and why it is there. What is changed of it by hand, and what is done, are the desk's (core/practice). Source: the practice
 * model, section 1; the constants are judgement.
 */
import type { PlanItem, RoadBlock } from '../../record';
import { LIKED_MIN, rotationOn } from '../../practice';
import type { Minutes } from '../../units';
import { scalesOn } from './scales';
import { ANY_BAR_MIN, type Asked, doesAnswer, drawStarts, runMinutesOf } from './asked';
import { huntsFor } from './hunts';
import { type BlockWithoutId, type DayFacts, roadBlockOf } from './road-block';
import type { PlannedBlock, SeasonPlan } from '../laid/plan';

/** So long a rest after so much play. */
const REST_MIN: Minutes = 5;
const PLAY_BEFORE_REST_MIN: Minutes = 55;
/** To take up another instrument; and what is left of a block that gives it. */
const SWITCH_MIN: Minutes = 1;
const LEAST_BLOCK_MIN: Minutes = 3;
/** A block added by hand, to begin with. */
const ADDED_MIN: Minutes = 8;

/** `idOf` names a block by its number and item, the same for whoever makes the day. Empty on a day without minutes. */
export function makeRoadMap(
  plan: SeasonPlan,
  facts: DayFacts,
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

const turnsOn = ({ time, doneOn = new Map() }: Pick<DayFacts, 'time' | 'doneOn'>, date: string) =>
  rotationOn(time.rotation ?? [], doneOn, date, time.fundamentalsMin);

/** What is wanted besides, a run first: it asks whether it is there cold. What the plan has anyway is not put in again. */
function askedOn(
  plan: SeasonPlan,
  facts: DayFacts,
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
function fundamentalsOn(facts: DayFacts, date: string): BlockWithoutId[] {
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
export const waitingOn = (facts: Pick<DayFacts, 'time' | 'doneOn'>, date: string): string[] =>
  turnsOn(facts, date).wait.map(({ name }) => name);

/** What is of no item and can be added. */
const OF_NO_ITEM = [
  ['liked', LIKED_MIN, 'Something you like', 'for its own sake'],
  ['free', ADDED_MIN, 'Free', 'whatever comes'],
  ['quiet', ADDED_MIN, 'Quiet, no instrument', 'the score, listening, silent fingering'],
  ['rest', REST_MIN, 'Rest', 'lips, hands, ears']
] as const;

/** A block of an item that the plan does not have that day: at what holds, or towards its next rung; in the list's order. Then what is of none. */
export function blocksToAdd(plan: SeasonPlan, facts: DayFacts, date: string): BlockWithoutId[] {
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

/**
 * Which strategy an item asks for: recommended with its reason in a sentence, from target speed, notes a second, the share of hard
 * bars in the log and what the panel tests. The teacher's choice stays. Source: handbook section 3 (common practice, no published source);
 * the limits are judgement.
 */
import { type Touch, inTimeOrder } from '../../practice';
import { targetOf } from '../../tempo';
import type { Share } from '../../units';
import type { SeasonItem, Strategy } from '../facts/request';

export type Recommendation = { readonly strategy: Strategy; readonly reason: string };

/** From so many notes a second on, an item is fast; under half of it, slow (judgement). */
const FAST_NOTES = 6;
/** Beats a minute that stand in where nobody has said how many notes a beat has. */
const FAST_BEATS = 108;
const SLOW_BEATS = 72;
/** Up to this share of hard bars they are spots; from HARD_THROUGHOUT on the item is hard throughout. */
const HARD_SPOTS: Share = 0.25;
const HARD_THROUGHOUT: Share = 0.5;
/** One element that fails in so many of at least LEAST_FAULTS touches is one motion's matter. */
const ONE_MOTION: Share = 0.6;
const LEAST_FAULTS = 3;
const MOTIONS: readonly string[] = ['articulation', 'fingers', 'air', 'ease'];
const DETAIL = /\b(sound|tone|line|phras|colour|color|intonation|rhythm|detail|character)/i;
const STAMINA = /\b(stamina|endurance|breath)/i;

export function recommendStrategy(
  item: SeasonItem & { readonly tested?: string | undefined },
  log: readonly Touch[]
): Recommendation | null {
  const touches = inTimeOrder(log);
  const speed = speedOf(item);
  if (!speed) return null;
  const hard = hardShare(item, touches);
  const motion = oneMotion(touches);
  const tested = item.tested ?? '';
  if (motion)
    return {
      strategy: 'drills',
      reason: `${motion.times} of ${motion.among} touches that did not hold yet name ${motion.element}: one motion is the obstacle, train it beside the item.`
    };
  if (speed.isFast && hard !== null && hard >= HARD_THROUGHOUT)
    return {
      strategy: 'combined',
      reason: `${speed.says}, and ${percent(hard)} of its bars have not held yet: a ramp to 80 %, then small chunks at tempo.`
    };
  if (speed.isFast && hard !== null && hard > 0 && hard <= HARD_SPOTS)
    return {
      strategy: 'chunks',
      reason: `${speed.says}, but only ${percent(hard)} of its bars have not held yet: work those chunks at tempo rather than ramp all of it.`
    };
  if (speed.isFast)
    return {
      strategy: 'ramp',
      reason: `${speed.says}${STAMINA.test(tested) ? ' and stamina is tested' : ''}: fast and dense, so it rises steadily.`
    };
  if (DETAIL.test(tested))
    return {
      strategy: 'chunks',
      reason: `${speed.says} and the panel tests ${tested}: detail at tempo from the start, in small chunks.`
    };
  if (speed.isSlow)
    return {
      strategy: 'chunks',
      reason: `${speed.says}: weeks of ramping a slow item are wasted and hide its details.`
    };
  return { strategy: 'ramp', reason: `${speed.says}: neither fast nor slow, a steady ramp is the safe way.` };
}

/** By the fastest section: notes a second where known, else beats. Null where nothing is clicked. */
function speedOf(item: SeasonItem): { says: string; isFast: boolean; isSlow: boolean } | null {
  const speeds = item.sections.flatMap((section) => {
    const target = targetOf(section.tempo);
    return target ? [{ ...target, notes: section.notesPerBeat ?? null }] : [];
  });
  const fastest = speeds.sort((a, b) => b.bpm * (b.notes ?? 1) - a.bpm * (a.notes ?? 1))[0];
  if (!fastest) return null;
  const { bpm, notes, unit } = fastest;
  if (notes !== null) {
    const second = Math.round((bpm * notes) / 6) / 10;
    return {
      says: `${second} notes a second`,
      isFast: second >= FAST_NOTES,
      isSlow: second < FAST_NOTES / 2
    };
  }
  // a dotted beat lasts half as long again as a plain one
  const parts = unit.startsWith('dotted') ? 1.5 : 1;
  const beats = bpm * parts;
  return { says: `A target of ${bpm}`, isFast: beats >= FAST_BEATS, isSlow: beats <= SLOW_BEATS };
}

/** Share of the item's bars whose latest touch by bars did not hold; null where no touch names bars. */
function hardShare(item: SeasonItem, touches: readonly Touch[]): Share | null {
  const latest = new Map<number, boolean>();
  for (const touch of touches) {
    if (touch.fromBar === undefined) continue;
    for (let bar = touch.fromBar; bar <= (touch.toBar ?? touch.fromBar); bar += 1)
      latest.set(bar, isOpen(touch));
  }
  if (latest.size === 0) return null;
  return [...latest.values()].filter(Boolean).length / (item.toBar - item.fromBar + 1);
}

function isOpen({ attempts, notHeld }: Touch): boolean {
  return (notHeld?.length ?? 0) > 0 || attempts?.endsWith('n') === true;
}

function oneMotion(touches: readonly Touch[]): { element: string; times: number; among: number } | null {
  const open = touches.filter((touch) => (touch.notHeld?.length ?? 0) > 0);
  if (open.length < LEAST_FAULTS) return null;
  const counted = MOTIONS.map((element) => ({
    element,
    times: open.filter((touch) => touch.notHeld!.includes(element)).length,
    among: open.length
  })).sort((a, b) => b.times - a.times);
  return counted[0]!.times / open.length >= ONE_MOTION ? counted[0]! : null;
}

const percent = (share: Share) => `${Math.round(share * 100)} %`;

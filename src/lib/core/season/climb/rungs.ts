/**
 * The rungs of one section by its strategy: a tempo ladder, with drills beside or not, a chunk chain at tempo, or both; each with
 * the minutes it asks for. What holds and where it starts is climb.ts's.
 */
import {
  IN_CONTEXT_SHARE,
  type RampShape,
  dealMinutes,
  expectedAttempts,
  rampProgress,
  rungMinutes
} from '../../plan';
import { type Held, type HeldSection, type HoldRules, type Touch, heldTempo } from '../../practice';
import { clickOf, fitLadder, sectionSeconds } from '../../tempo';
import { type Bpm, type DayNumber, type Minutes, type Share, SAME_TEMPO } from '../../units';
import { type Bars, layChain } from '../facts/chain';
import { type Rung, rungKey } from '../laid/plan';
import type { Agreed, Schools, SeasonItem, SeasonSection } from '../facts/request';

export type ClimbRung = Rung & {
  /** The facts its minutes stand on: while they are the same, so are the minutes. */
  readonly basis: string;
};

/** A section with a tempo: what holds of it, and where its way up starts. */
export type TimedSection = {
  section: SeasonSection;
  target: HeldSection;
  bars: number;
  pickup: number;
  held: Held | null;
  start: Bpm;
  isStartHeld: boolean;
};

/** What the rungs of a section are made with. */
export type ClimbFacts = {
  readonly item: SeasonItem;
  readonly touches: readonly Touch[];
  readonly schools: Schools;
  readonly rules: HoldRules;
  readonly share: Share;
  readonly agreed: Agreed | undefined;
  readonly today: DayNumber;
};

/** The section's rungs by its strategy: a ladder, a chunk chain, a ladder with drills, or a ladder and then a chain from the end. */
export function sectionRungs(facts: ClimbFacts, p: TimedSection): ClimbRung[] {
  if (p.isStartHeld && p.start >= p.target.targetBpm * (1 - SAME_TEMPO)) return [];
  const { strategy } = facts.schools;
  if (strategy === 'chunks') return chainRungs(facts, p, false);
  const ladder = ladderRungs(facts, p);
  if (strategy !== 'combined') return ladder;
  return [...ladder.filter((rung) => rung.share < IN_CONTEXT_SHARE), ...chainRungs(facts, p, true)];
}

/** A drill lasts about so long once through (judgement). */
const DRILL_SECONDS = 20;

/** Of a block's minutes, a drill has no more (judgement). */
const MOST_DRILL: Share = 0.5;

/** Minutes of a block in which the difficulty is taken out of the music first, as the rung asks them; 0 where it has no drill. */
export function drillMinutes(
  { asksMin, seconds, bars }: Pick<ClimbRung, 'asksMin' | 'seconds' | 'bars'>,
  minutes: Minutes,
  { inARow }: Pick<Schools, 'inARow'>,
  cleanShare: Share
): Minutes {
  // a link asks for its chunk besides, and has no drill
  const share = bars ? 0 : (asksMin - rungMinutes(seconds, cleanShare, inARow)) / asksMin;
  if (share <= 0 || minutes < 2) return 0;
  return Math.max(1, Math.round(minutes * Math.min(share, MOST_DRILL)));
}

function ladderRungs({ item, schools, share, agreed }: ClimbFacts, p: TimedSection): ClimbRung[] {
  const { targetBpm: target, unit } = p.target;
  const path = fitLadder(p.start, target, unit, schools.step, share);
  const seconds = (bpm: Bpm) => sectionSeconds(p.section.tempo, item.metre, p.bars, p.pickup, bpm);
  const hasDrill = (bpm: Bpm) => schools.strategy === 'drills' && bpm < target * IN_CONTEXT_SHARE;
  const asks = (bpm: Bpm) =>
    rungMinutes(seconds(bpm), share, schools.inARow) +
    (hasDrill(bpm) ? rungMinutes(DRILL_SECONDS, share, schools.inARow) : 0);
  const steps = p.isStartHeld ? newMaxima(path.slice(1), p.start, asks) : newMaxima(path, 0, asks);
  const basis = basisOf(p, schools, share);
  const minutes =
    agreedMinutes(
      steps.map(({ bpm }) => ({ sectionId: p.section.id, bpm, bars: null })),
      basis,
      agreed
    ) ?? shaped(steps, p, schools.shape, target);
  return steps.map(({ bpm, minutes: asksMin }, i) => ({
    sectionId: p.section.id,
    bpm,
    bars: null,
    asksMin,
    share: bpm / target,
    click: clickOf({ bpm, unit })!,
    minutes: minutes[i]!,
    minutesDone: 0,
    seconds: seconds(bpm),
    attempts: expectedAttempts(share, schools.inARow),
    basis
  }));
}

/** What a rung's minutes stand on: while it is the same they are kept. A plain ramp is not named, as it was before there were others. */
function basisOf(p: TimedSection, { strategy, step, shape, inARow }: Schools, share: Share): string {
  const { targetBpm, unit } = p.target;
  const way = strategy === 'ramp' ? [] : [strategy];
  return [p.bars, targetBpm, unit, inARow, share, JSON.stringify(step), shape, ...way].join(' ');
}

/** Near enough to the final tempo for a link to be joined (judgement; handbook: at or near final tempo). */
const AT_TEMPO: Share = 0.95;

/** Links not yet joined, in order; each asks for its chunk and for the join. They lead up from where the ladder leaves off, by number. */
function chainRungs(facts: ClimbFacts, p: TimedSection, isBackward: boolean): ClimbRung[] {
  const { item, schools, share, agreed } = facts;
  const { targetBpm: target, unit } = p.target;
  const links = layChain(p.section, isBackward);
  const startShare = p.start / target;
  const base = isBackward ? Math.max(startShare, IN_CONTEXT_SHARE) : startShare;
  const whole = sectionSeconds(p.section.tempo, item.metre, p.bars, p.pickup, target);
  const secondsOf = (bars: Bars) =>
    sectionSeconds(p.section.tempo, item.metre, bars.toBar - bars.fromBar + 1, 0, target);
  const basis = basisOf(p, schools, share);
  const rungs = links.map(({ chunk, joined }, i): ClimbRung => {
    const seconds = chunk ? secondsOf(joined) : whole;
    const alone = chunk && i > 0 ? rungMinutes(secondsOf(chunk), share, schools.inARow) : 0;
    const asksMin = alone + rungMinutes(seconds, share, schools.inARow);
    return {
      sectionId: p.section.id,
      bpm: target,
      bars: chunk ? joined : null,
      asksMin,
      share: chunk ? base + ((1 - base) * (i + 1)) / links.length : 1,
      click: clickOf({ bpm: target, unit })!,
      minutes: asksMin,
      minutesDone: 0,
      seconds,
      attempts: expectedAttempts(share, schools.inARow),
      basis
    };
  });
  const kept = agreedMinutes(rungs, basis, agreed);
  return rungs
    .map((rung, i) => (kept ? { ...rung, minutes: kept[i]! } : rung))
    .filter((rung) => rung.bars === null || joinedAt(facts, p, rung.bars) < 0);
}

/** The latest touch that joined these bars at tempo, -1 where none has. */
export function joinedAt(
  { touches, rules, today }: Pick<ClimbFacts, 'touches' | 'rules' | 'today'>,
  p: TimedSection,
  bars: Bars
): number {
  const held = heldTempo(touches, { ...p.target, ...bars, parts: undefined }, p.target, rules, today);
  if (!held || held.bpm < p.target.targetBpm * AT_TEMPO) return -1;
  return touches.findLastIndex((touch) => touch.id === held.touchId);
}

/** Only new heights are milestones; the minutes of a step back belong to the next new height. */
function newMaxima(
  path: readonly Bpm[],
  above: Bpm,
  asks: (bpm: Bpm) => Minutes
): { bpm: Bpm; minutes: Minutes }[] {
  const maxima: { bpm: Bpm; minutes: Minutes }[] = [];
  let back = 0;
  for (const bpm of path) {
    if (bpm > (maxima.at(-1)?.bpm ?? above)) {
      maxima.push({ bpm, minutes: back + asks(bpm) });
      back = 0;
    } else back += asks(bpm);
  }
  return maxima;
}

/** Rungs that were agreed keep their minutes while the facts they stand on are the same. */
function agreedMinutes(
  rungs: readonly Pick<ClimbRung, 'sectionId' | 'bpm' | 'bars'>[],
  basis: string,
  agreed: Agreed | undefined
): Minutes[] | null {
  const before = new Map(
    agreed?.rungs.filter((r) => r.basis === basis).map((r) => [rungKey(r), r.minutes]) ?? []
  );
  const minutes = rungs.map((rung) => before.get(rungKey(rung)));
  return minutes.every((m): m is number => m !== undefined) ? minutes : null;
}

/** The first tempo keeps its own minutes when it still has to be shown; the way up from it is dealt by shape. */
function shaped(
  steps: readonly { bpm: Bpm; minutes: Minutes }[],
  p: TimedSection,
  shape: RampShape,
  target: Bpm
): Minutes[] {
  const first = p.isStartHeld ? [] : steps.slice(0, 1);
  const way = steps.slice(first.length);
  const progress = way.map(({ bpm }) => rampProgress(shape, p.start, bpm, target));
  return [
    ...first.map((s) => s.minutes),
    ...dealMinutes(
      way.map((s) => s.minutes),
      progress
    )
  ];
}

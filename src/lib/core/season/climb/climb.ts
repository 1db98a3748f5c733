/**
 * One item's way up: what holds in each section, the ladders that follow, merged so that what is due first and then the
 * section furthest from its target is climbed first, and the minutes every rung asks for.
 */
import {
  type Away,
  CLICKS_AFTER_AWAY,
  isBeforeAway,
  PRESUMED_CLEAN_SHARE,
  touchMinutes as runMinutes
} from '../../plan';
import {
  type Held,
  type HeldSection,
  type Touch,
  cleanShare,
  heldEvenings,
  heldMornings,
  heldTempo,
  holdingTouches
} from '../../practice';
import { clickableRange, clicksBetween, clicksLower, sectionSeconds, targetOf } from '../../tempo';
import {
  type Bpm,
  type Clicks,
  type DayNumber,
  type Minutes,
  type Share,
  SAME_TEMPO,
  dayOf,
  formatDate,
  perList,
  sayBpm
} from '../../units';
import { layChain } from '../facts/chain';
import { partsOf } from '../facts/parts';
import type { PlannedSection } from '../laid/plan';
import { holdRules } from './hold-rules';
import { type ClimbRung, type ClimbFacts, type TimedSection, joinedAt, sectionRungs } from './rungs';
import {
  type Agreed,
  type Schools,
  type SeasonItem,
  type SeasonSection,
  DEFAULT_SCHOOLS
} from '../facts/request';

export type Climb = {
  readonly sections: readonly PlannedSection[];
  readonly slowestSectionId: string | null;
  readonly heldShare: Share | null;
  readonly clicksToGo: Clicks | null;
  readonly cleanShare: Share;
  readonly rungs: readonly ClimbRung[];
  /** Minutes beyond the rung reached last that count for the next one. */
  readonly carried: Agreed['carried'][number] | null;
  /** Seconds of one run of the whole item at its targets. */
  readonly runSeconds: number;
  readonly lastPlayed: DayNumber | null;
};

/** `touches` are this item's, in time order. Throws RangeError where a target is off every click. */
export function readClimb(
  item: SeasonItem,
  touches: readonly Touch[],
  schools: Schools,
  { today, aways }: { readonly today: DayNumber; readonly aways: readonly Away[] },
  agreed: Agreed | undefined
): Climb {
  const share = cleanShare(touches, PRESUMED_CLEAN_SHARE);
  const timed = readSections(item, touches, schools, today, aways);
  const rules = holdRules(schools, aways);
  const facts = { item, touches, schools, rules, share, agreed, today };
  const ladders = timed.map((p) => sectionRungs(facts, p));
  const slowest = [...timed].sort((a, b) => a.start / a.target.targetBpm - b.start / b.target.targetBpm)[0];
  const isSeen = timed.every((p) => p.held !== null);
  const due = new Map(item.sections.map((s) => [s.id, s.dueOn ? dayOf(s.dueOn) : Infinity]));
  const later = (a: ClimbRung, b: ClimbRung) => {
    const [first, second] = [due.get(a.sectionId)!, due.get(b.sectionId)!];
    return first === second ? a.share - b.share : first - second;
  };
  const rungs = ladders.flat().sort(later);
  const runSeconds = timed.reduce(
    (sum, p) => sum + sectionSeconds(p.section.tempo, item.metre, p.bars, p.pickup, p.target.targetBpm),
    0
  );
  const work = readWork(facts, timed, runMinutes(runSeconds));
  return {
    sections: item.sections.map((s) =>
      describeSection(
        s,
        timed.find((p) => p.section === s)
      )
    ),
    slowestSectionId: slowest?.section.id ?? null,
    heldShare: slowest && isSeen ? slowest.held!.bpm / slowest.target.targetBpm : null,
    clicksToGo: slowest
      ? Math.max(0, clicksBetween(slowest.start, slowest.target.targetBpm, slowest.target.unit))
      : null,
    cleanShare: share,
    rungs: withWorkDone(rungs, work.spent),
    carried: work.carried,
    runSeconds,
    lastPlayed: touches.length > 0 ? dayOf(touches.at(-1)!.date) : null
  };
}

/** Schools in force: the item's own, else the candidate's, else the defaults. */
export function schoolsOf(item: SeasonItem, general: Partial<Schools> | undefined): Schools {
  return { ...DEFAULT_SCHOOLS, ...general, ...item.schools };
}

/** An item's sections that have a tempo, as what holds is read of them; the first is its lead. */
function heldSections(item: SeasonItem): { readonly section: SeasonSection; readonly target: HeldSection }[] {
  return item.sections.flatMap((section) => {
    const target = targetOf(section.tempo);
    if (!target) return [];
    const read: HeldSection = {
      fromBar: section.fromBar,
      toBar: section.toBar,
      unit: target.unit,
      targetBpm: target.bpm,
      stated: item.holdsNow?.find((stated) => stated.sectionId === section.id),
      parts: partsOf(item, section) ?? undefined
    };
    return [{ section, target: read }];
  });
}

/** What held of a section in the morning of any date; `touches` in time order. */
export function morningsOf(
  item: SeasonItem,
  touches: readonly Touch[],
  sectionId: string,
  schools: Schools,
  aways: readonly Away[]
): (date: string) => Bpm | null {
  const sections = heldSections(item);
  const target = sections.find(({ section }) => section.id === sectionId)?.target;
  return target ? heldMornings(touches, target, sections[0]!.target, holdRules(schools, aways)) : () => null;
}

/** What held of each section with a tempo in the evening of each date that could change it; `touches` in time order. */
export function eveningsOf(item: SeasonItem, touches: readonly Touch[], schools: Schools) {
  const sections = heldSections(item);
  const rules = holdRules(schools, []);
  return sections.map(({ section, target }) => ({
    sectionId: section.id,
    target,
    evenings: heldEvenings(touches, target, sections[0]!.target, rules)
  }));
}

export function readSections(
  item: SeasonItem,
  touches: readonly Touch[],
  schools: Schools,
  today: DayNumber,
  aways: readonly Away[]
): TimedSection[] {
  const withTarget = heldSections(item);
  return withTarget.map(({ section, target }) => {
    const held = heldTempo(touches, target, withTarget[0]!.target, holdRules(schools, aways), today);
    const { lowest, highest } = clickableRange(target.unit);
    const half = Math.max(lowest, Math.round(target.targetBpm / 2));
    // a whole run at some share of the lead's target may stand for a tempo here that no click can say
    const reached = held && Math.min(highest, Math.max(lowest, held.bpm));
    const lent = item.holds?.[section.id];
    const own =
      held === null || reached === null
        ? Math.min(half, target.targetBpm)
        : Math.max(clicksLower(reached, target.unit, clicksDown(held, today, aways)), held.shownSince ?? 0);
    const start = lent === undefined ? own : Math.max(own, Math.min(lent, target.targetBpm));
    return {
      section,
      target,
      bars: barsPlayed(item, section),
      pickup: pickupOf(item, section),
      held,
      start,
      isStartHeld: (held !== null && held.bpm >= lowest) || lent !== undefined
    };
  });
}

/** After a long time away two clicks below what held, else one where the evidence has aged. */
function clicksDown(held: Held, today: DayNumber, aways: readonly Away[]): Clicks {
  if (isBeforeAway(held.on, today, aways)) return CLICKS_AFTER_AWAY;
  return held.isAged ? 1 : 0;
}

/** Bars of a section with the item's repeats that lie in it counted again. */
function barsPlayed(item: SeasonItem, section: SeasonSection): number {
  const again = (item.repeats ?? []).map(
    (r) => Math.min(r.toBar, section.toBar) - Math.max(r.fromBar, section.fromBar) + 1
  );
  return section.toBar - section.fromBar + 1 + again.filter((n) => n > 0).reduce((sum, n) => sum + n, 0);
}

function pickupOf(item: SeasonItem, section: SeasonSection): number {
  return section.fromBar === item.fromBar ? (item.pickupBeats ?? 0) : 0;
}

/**
 * Minutes logged since something last came to hold count for the next rung; one that is worked out and does not hold stays.
 * Of the touch that made it hold, what it had beyond the rungs it reached is carried over to the next.
 */
function readWork(
  given: ClimbFacts,
  sections: readonly TimedSection[],
  runMin: Minutes
): { spent: Minutes; carried: Agreed['carried'][number] | null } {
  const { item, agreed } = given;
  const touches = given.touches.filter((t) => isForLadder(t, item, runMin));
  const facts = { ...given, touches };
  const latest = latestHolding(facts, sections);
  const last = latest(touches.length);
  const since = sumMinutes(touches.slice(last + 1));
  if (last < 0) return { spent: since, carried: null };
  const carriedBy = (touch: Touch | undefined) =>
    agreed?.carried.find((c) => c.itemId === item.id && c.touchId === touch?.id);
  const known = carriedBy(touches[last]);
  if (known) return { spent: known.minutes + since, carried: known };

  const before = latest(last);
  const brought = carriedBy(touches[before])?.minutes ?? 0;
  const worked = brought + sumMinutes(touches.slice(before + 1, last + 1));
  const asked = sections.flatMap((p) => reachedRungs(p, agreed)).reduce((sum, minutes) => sum + minutes, 0);
  const over = asked === 0 ? 0 : Math.max(0, Math.min(worked - asked, touches[last]!.minutes));
  return { spent: over + since, carried: { itemId: item.id, touchId: touches[last]!.id, minutes: over } };
}

/** Which of the first `count` touches was the latest to make something hold, of any section or of a chunk's link; -1 where none did. */
function latestHolding(facts: ClimbFacts, sections: readonly TimedSection[]): (count: number) => number {
  const { schools, rules, today } = facts;
  const isLadderAlone = schools.strategy === 'ramp' || schools.strategy === 'drills';
  const held = sections.map(({ target }) =>
    holdingTouches(facts.touches, target, sections[0]!.target, rules, today)
  );
  return (count) => {
    const touches = facts.touches.slice(0, count);
    const places = sections.flatMap((section, i) => {
      const id = held[i]![count - 1] ?? null;
      const whole = id === null ? -1 : touches.findLastIndex((t) => t.id === id);
      if (isLadderAlone) return [whole];
      const links = layChain(section.section).map(({ joined }) =>
        joinedAt({ ...facts, touches }, section, joined)
      );
      return [whole, ...links];
    });
    return Math.max(-1, ...places);
  };
}

export function minutesPerWeek(item: SeasonItem): Minutes {
  const free = item.sections.map((s) => (s.tempo.kind === 'free' ? s.tempo.minutesPerWeek : 0));
  return free.reduce((sum, minutes) => sum + minutes, item.minutesPerWeek ?? 0);
}

/** Whether a touch is of an item's weekly minutes: on free bars, or without a click where none are free. */
export function isForMinutes(touch: Touch, item: SeasonItem): boolean {
  if (minutesPerWeek(item) === 0) return false;
  const free = item.sections.filter((s) => s.tempo.kind === 'free');
  if (free.length === item.sections.length) return true;
  if (free.length === 0) return touch.tempoBpm === undefined;
  const { fromBar } = touch;
  return fromBar !== undefined && free.some((s) => fromBar >= s.fromBar && fromBar <= s.toBar);
}

/** Work on the ladder is neither of the weekly minutes nor a run: the whole, without a click or marks, no longer than a run lasts. */
function isForLadder(touch: Touch, item: SeasonItem, runMin: Minutes): boolean {
  const isWhole = touch.fromBar === undefined && touch.tempoBpm === undefined && !touch.attempts;
  return !isForMinutes(touch, item) && !(isWhole && touch.minutes <= runMin);
}

/**
 * What is spent counts for the first rung alone. While that does not hold it is not done, however much was played: work in vain brings no
 * date nearer, and none later either.
 */
function withWorkDone(rungs: readonly ClimbRung[], spent: Minutes): ClimbRung[] {
  return rungs.map((rung, i) =>
    i === 0 ? { ...rung, minutesDone: Math.min(spent, rung.minutes - 1) } : rung
  );
}

/** Minutes of the agreed rungs that now hold. */
function reachedRungs(p: TimedSection, agreed: Agreed | undefined): Minutes[] {
  const rungs = agreed?.rungs.filter((r) => r.sectionId === p.section.id) ?? [];
  return p.held
    ? rungs.filter((r) => !r.bars && r.bpm <= p.held!.bpm * (1 + SAME_TEMPO)).map((r) => r.minutes)
    : [];
}

function sumMinutes(touches: readonly Touch[]): Minutes {
  return touches.reduce((sum, t) => sum + t.minutes, 0);
}

function describeSection(section: SeasonSection, p: TimedSection | undefined): PlannedSection {
  const { id, name, fromBar, toBar } = section;
  if (!p)
    return {
      id,
      name,
      fromBar,
      toBar,
      unit: null,
      targetBpm: null,
      held: null,
      startBpm: null,
      says: 'free: by ear, minutes only'
    };
  const held = p.held && {
    bpm: p.held.bpm,
    on: formatDate(p.held.on),
    isAged: p.held.isAged,
    isInParts: p.held.isInParts,
    evidence: p.held.evidence
  };
  const how = held?.isInParts ? ' in parts, run once' : '';
  const says = !held
    ? `no evidence for bars ${fromBar}–${toBar}`
    : held.bpm >= p.target.targetBpm * (1 - SAME_TEMPO)
      ? `holds at ${sayBpm(held.bpm)}${how}`
      : `holds at ${sayBpm(held.bpm)}${how}, target ${sayBpm(p.target.targetBpm)}`;
  return {
    id,
    name,
    fromBar,
    toBar,
    unit: p.target.unit,
    targetBpm: p.target.targetBpm,
    held,
    startBpm: p.start,
    says
  };
}

/** A log is read for each of its items: it is dealt among them once. */
const byItem = perList((log: readonly Touch[]): ReadonlyMap<string, readonly Touch[]> => {
  const by = new Map<string, Touch[]>();
  for (const touch of log) {
    const own = by.get(touch.itemId);
    if (own) own.push(touch);
    else by.set(touch.itemId, [touch]);
  }
  return by;
});

/** The touches of one item, in time order and not after today. */
export function touchesOf(log: readonly Touch[], itemId: string, today: DayNumber): Touch[] {
  const last = formatDate(today);
  return (byItem(log).get(itemId) ?? []).filter(({ date }) => date <= last);
}

/**
 * One item's way up: what holds in each section, the ladders that follow, merged so that what is due first and then the
 * section furthest from its target is climbed first, and the minutes every rung asks for.
 */
import { type Away, PRESUMED_CLEAN_SHARE, touchMinutes as runMinutes } from '../../plan';
import { type Touch, cleanShare } from '../../practice';
import { clicksBetween, sectionSeconds } from '../../tempo';
import {
  type Clicks,
  type DayNumber,
  SAME_TEMPO,
  type Share,
  dayOf,
  formatDate,
  perList,
  sayBpm
} from '../../units';
import type { PlannedSection } from '../laid/plan';
import { readSections } from './held-sections';
import { holdRules } from './hold-rules';
import { type ClimbRung, type TimedSection, sectionRungs } from './rungs';
import type { Agreed, Schools, SeasonItem, SeasonSection } from '../facts/request';
import { readWork, withWorkDone } from './work-done';

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

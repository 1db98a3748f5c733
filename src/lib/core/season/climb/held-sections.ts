/** What holds of each section of an item that has a tempo, on any date, and where its ladder begins. */
import { type Away, CLICKS_AFTER_AWAY, isBeforeAway } from '../../plan';
import {
  type Held,
  type HeldSection,
  type Touch,
  heldEvenings,
  heldMornings,
  heldTempo
} from '../../practice';
import { clickableRange, clicksLower, targetOf } from '../../tempo';
import type { Bpm, Clicks, DayNumber } from '../../units';
import { partsOf } from '../facts/parts';
import type { Schools, SeasonItem, SeasonSection } from '../facts/request';
import { holdRules } from './hold-rules';
import type { TimedSection } from './rungs';

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

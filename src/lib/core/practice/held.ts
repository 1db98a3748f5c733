/**
 * What holds, read from the log: per section the fastest tempo at which N in a row (or of the last M) were clean with all elements, until two
 * "not yet" in a row at that tempo lower it; what was stated by ear counts as evidence of its day. Per item the section with the
 * least share of its target. Evidence ages after a fortnight; one clean attempt at what holds, or faster, renews it.
 * A touch counts for a section when it covers all its bars; a clean whole run counts for every section.
 */
import type { HoldsNow } from '../record';
import { type Bpm, type BeatUnit, type DayNumber, type Share, SAME_TEMPO, dayOf, tempoIn } from '../units';
import { type Counting, type Evidence, type Touch, cameToHold, seriesOf } from './touch';

/** After this many days without evidence a held tempo is shown as aged and planned from one click lower (judgement). */
const AGES_AFTER_DAYS = 14;

export type Held = {
  readonly bpm: Bpm;
  /** The day of the latest evidence that it holds. */
  readonly on: DayNumber;
  readonly isAged: boolean;
  /** Every part held within a fortnight, and one straight run of the whole was clean. */
  readonly isInParts: boolean;
  readonly evidence: Evidence;
  /** The fastest slower tempo shown to hold since it had aged; null where none was. */
  readonly shownSince: Bpm | null;
  /** The touch that brought it up, or up again after it had aged, or at which it was lowered; null where it was stated. */
  readonly touchId: string | null;
};

export type HeldSection = {
  readonly fromBar: number;
  readonly toBar: number;
  readonly unit: BeatUnit;
  readonly targetBpm: Bpm;
  /** What was said to hold when no touch showed it. */
  readonly stated?: HoldsNow | undefined;
  /** A long section may be held in parts, at tempos at which one attempt lasts too long to be repeated: those below `under`. */
  readonly parts?: { readonly bars: readonly Bars[]; readonly under: Bpm } | undefined;
};
type Bars = { readonly fromBar: number; readonly toBar: number };

export type HoldRules = Counting & {
  /** Where a tempo that is lost goes back to. */
  readonly oneLower: (bpm: Bpm, unit: BeatUnit) => Bpm;
  /** Whether what held on a day is as good as aged on a later one. */
  readonly isInterrupted: (on: DayNumber, later: DayNumber) => boolean;
};

/** Date order, tempo by tempo; touches of one date keep the order of the log. */
export function inTimeOrder(touches: readonly Touch[]): Touch[] {
  return [...touches].sort((a, b) => (a.date < b.date ? -1 : a.date > b.date ? 1 : 0)).flatMap(seriesOf);
}

function covers(touch: Touch, section: Bars): boolean {
  return (
    touch.fromBar === undefined ||
    (touch.fromBar <= section.fromBar && (touch.toBar ?? touch.fromBar) >= section.toBar)
  );
}

/**
 * The section's speed in a touch, in its own unit; null where nothing was clicked. A whole run through sections of
 * different targets states its tempo for `lead`; every other section was played at the same share of its target.
 */
function playedTempo(touch: Touch, section: HeldSection, lead: HeldSection): Bpm | null {
  if (touch.tempoBpm === undefined) return null;
  if (touch.fromBar !== undefined || section === lead)
    return tempoIn({ bpm: touch.tempoBpm, unit: touch.unit ?? section.unit }, section.unit);
  const share = tempoIn({ bpm: touch.tempoBpm, unit: touch.unit ?? lead.unit }, lead.unit) / lead.targetBpm;
  return Math.round(share * section.targetBpm * 100) / 100;
}

/** Whether a touch can show that something holds: clean as often as it takes, and every element held. */
const isEvidence = (touch: Touch, counting: Counting): boolean =>
  cameToHold(touch.attempts ?? '', counting) && allElements(touch);
const allElements = (touch: Touch): boolean => (touch.notHeld?.length ?? 0) === 0;
/** Whether any attempt was clean, in all elements. */
const isClean = (touch: Touch): boolean => touch.attempts?.includes('c') === true && allElements(touch);
/** Two "not yet" in a row, and no row of clean ones: what held at this tempo does so no more. */
const isLost = (touch: Touch, counting: Counting): boolean =>
  touch.attempts?.includes('nn') === true && !isEvidence(touch, counting);

/** Whether what holds can change by a touch; where a section is held in parts, one clean run may join them. */
export const isTelling = (touch: Touch, counting: Counting, isInParts: boolean): boolean =>
  isEvidence(touch, counting) || isLost(touch, counting) || (isInParts && isClean(touch));

type Standing = Omit<Held, 'isAged'>;

/** Held tempo of a section from its item's touches (in time order), or null: no evidence. */
export function heldTempo(
  touches: readonly Touch[],
  section: HeldSection,
  lead: HeldSection,
  rules: HoldRules,
  today: DayNumber
): Held | null {
  let last: Standing | null = null;
  for (const { standing } of standings(touches, openOn(section, today), lead, rules)) last = standing;
  return last && { ...last, isAged: today - last.on > AGES_AFTER_DAYS };
}

/** For each touch the `touchId` of what would hold if it were the last; null where that is nothing, or what was stated. */
export function holdingTouches(
  touches: readonly Touch[],
  section: HeldSection,
  lead: HeldSection,
  rules: HoldRules,
  today: DayNumber
): (string | null)[] {
  const after: (string | null)[] = [];
  const open = openOn(section, today);
  let last: string | null = null;
  for (const { at, standing } of standings(touches, open, lead, rules)) {
    while (after.length < at) after.push(last);
    last = standing?.touchId ?? null;
  }
  while (after.length < touches.length) after.push(last);
  // behind them all stands what is stated for a later day
  const { stated } = open;
  return stated ? after.map((id, i) => (touches[i]!.date < stated.on ? null : id)) : after;
}

/** What is stated for a later day does not count yet. */
const openOn = (section: HeldSection, today: DayNumber): HeldSection =>
  section.stated && dayOf(section.stated.on) > today ? { ...section, stated: undefined } : section;

/** What held of a section in the morning of any date, read from its item's touches (in time order) at one go; null: nothing. */
export function heldMornings(
  touches: readonly Touch[],
  section: HeldSection,
  lead: HeldSection,
  rules: HoldRules
): (date: string) => Bpm | null {
  const days = byDay(touches, section, lead, rules);
  // what is said to hold on a day does so from its morning on
  return (date) => days.findLast((day) => (day.isStated ? day.date <= date : day.date < date))?.bpm ?? null;
}

/** What held of a section in the evening of each date that could change it, from its item's touches (in time order). */
export function heldEvenings(
  touches: readonly Touch[],
  section: HeldSection,
  lead: HeldSection,
  rules: HoldRules
): ReadonlyMap<string, Bpm | null> {
  return new Map(byDay(touches, section, lead, rules).map(({ date, bpm }) => [date, bpm]));
}

/** What stands at the end of what was stated for a date, and of what was played on it, in order. */
function byDay(touches: readonly Touch[], section: HeldSection, lead: HeldSection, rules: HoldRules) {
  const days: { readonly date: string; readonly isStated: boolean; readonly bpm: Bpm | null }[] = [];
  for (const { date, isStated, standing } of standings(touches, section, lead, rules)) {
    const last = days.at(-1);
    const day = { date, isStated, bpm: standing?.bpm ?? null };
    if (last?.date === date && last.isStated === isStated) days[days.length - 1] = day;
    else days.push(day);
  }
  return days;
}

/** What stands after each touch, and where something was stated, in order; `at` is the number of touches before it. */
function* standings(touches: readonly Touch[], section: HeldSection, lead: HeldSection, rules: HoldRules) {
  const { stated } = section;
  const partsHeld = section.parts && new PartsHeld(section.parts);
  let standing: Standing | null = null;
  let isOpen = stated !== undefined;
  let at = -1;
  for (const touch of touches) {
    at += 1;
    if (isOpen && stated!.on <= touch.date) {
      standing = standingOf(stated!, section);
      isOpen = false;
      yield { at, date: stated!.on, isStated: true, standing };
    }
    const bpm = playedTempo(touch, section, lead);
    if (bpm === null) continue;
    partsHeld?.note(touch, bpm, rules);
    if (!covers(touch, section)) continue;
    const isJoined = partsHeld?.areJoinedBy(touch, bpm) === true;
    standing = standingAfter(standing, { touch, bpm, isJoined }, section.unit, rules);
    yield { at, date: touch.date, isStated: false, standing };
  }
  if (isOpen)
    yield {
      at: touches.length,
      date: stated!.on,
      isStated: true,
      standing: standingOf(stated!, section)
    };
}

function standingOf({ bpm, unit, evidence, on }: HoldsNow, section: HeldSection): Standing {
  return {
    bpm: tempoIn({ bpm, unit }, section.unit),
    on: dayOf(on),
    evidence,
    isInParts: false,
    shownSince: null,
    touchId: null
  };
}

/** What stands after a touch at `bpm`, in the section's unit. A slower one changes nothing. */
function standingAfter(
  before: Standing | null,
  { touch, bpm, isJoined }: { readonly touch: Touch; readonly bpm: Bpm; readonly isJoined: boolean },
  unit: BeatUnit,
  rules: HoldRules
): Standing | null {
  const [on, evidence] = [dayOf(touch.date), touch.evidence ?? 'self'];
  const isInParts = !isEvidence(touch, rules);
  const isShown = !isInParts || isJoined;
  const isFaster = before === null || bpm > before.bpm * (1 + SAME_TEMPO);
  if (isShown && isFaster) return { bpm, on, evidence, isInParts, shownSince: null, touchId: touch.id };
  if (before === null) return null;
  const isOld = on - before.on > AGES_AFTER_DAYS || rules.isInterrupted(before.on, on);
  if (bpm < before.bpm * (1 - SAME_TEMPO))
    return isShown && isOld ? shownAgain(before, bpm, touch.id) : before;
  const renewed = { ...before, on, shownSince: null };
  if (isShown) return { ...renewed, evidence, isInParts, touchId: isOld ? touch.id : before.touchId };
  if (isLost(touch, rules) && !isFaster)
    return { ...before, bpm: rules.oneLower(before.bpm, unit), touchId: touch.id };
  return isClean(touch) ? renewed : before;
}

/** What holds of each part of a long section. */
class PartsHeld {
  readonly #bars: readonly Bars[];
  readonly #under: Bpm;
  readonly #held: { readonly bpm: Bpm; readonly on: DayNumber }[][];

  constructor({ bars, under }: NonNullable<HeldSection['parts']>) {
    [this.#bars, this.#under] = [bars, under];
    this.#held = bars.map(() => []);
  }

  note(touch: Touch, bpm: Bpm, counting: Counting): void {
    if (!isEvidence(touch, counting)) return;
    const on = dayOf(touch.date);
    this.#bars.forEach((part, i) => {
      if (!covers(touch, part)) return;
      // touches come in time order: one that is slower and older than another tells nothing more
      const held = this.#held[i]!;
      while (held.length > 0 && held.at(-1)!.bpm <= bpm) held.pop();
      held.push({ bpm, on });
    });
  }

  /** Whether a clean straight run of the whole joins parts that each held at its tempo, or faster, within a fortnight. */
  areJoinedBy(touch: Touch, bpm: Bpm): boolean {
    if (!isClean(touch) || bpm >= this.#under) return false;
    const since = dayOf(touch.date) - AGES_AFTER_DAYS;
    return this.#held.every((held) => held.some((h) => h.bpm >= bpm * (1 - SAME_TEMPO) && h.on >= since));
  }
}

/** What has aged is led up to again: a slower tempo that holds is where it stands meanwhile. */
function shownAgain(before: Standing, bpm: Bpm, touchId: string): Standing {
  return bpm > (before.shownSince ?? 0) ? { ...before, shownSince: bpm, touchId } : before;
}

/** A learned share moves a plan only when it differs by more than this from the one the plan stands on. */
const SHARE_MOVES_BY: Share = 0.05;
/** Attempts the presumption weighs as much as: enough that one bad evening does not move a season (judgement). */
const PRESUMED_ATTEMPTS = 20;

/**
 * Share of clean attempts an item's plan stands on: the presumption until the log, touch by touch, says otherwise
 * by more than 0.05. `touches` in time order.
 */
export function cleanShare(touches: readonly Touch[], presumed: Share): Share {
  let stands = presumed;
  let clean = presumed * PRESUMED_ATTEMPTS;
  let all = PRESUMED_ATTEMPTS;
  for (const { attempts = '' } of touches) {
    clean += attempts.split('c').length - 1;
    all += attempts.length;
    if (Math.abs(clean / all - stands) > SHARE_MOVES_BY + 1e-9)
      stands = Math.round((clean / all) * 1000) / 1000;
  }
  return stands;
}

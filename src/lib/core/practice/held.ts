/**
 * What holds, read from the log: per section the tempo of the latest block in which N in a row were clean with
 * all elements; per item the section with the least share of its target. Evidence ages after a fortnight.
 * A touch counts for a section when it covers all its bars; a clean whole run counts for every section.
 */
import { type Bpm, type BeatUnit, type DayNumber, type Share, dayOf, tempoIn } from '../units';
import { type Evidence, type Touch, cleanRun } from './touch';

/** After this many days without evidence a held tempo is shown as aged and planned from one click lower (judgement). */
const AGES_AFTER_DAYS = 14;

export type Held = {
  readonly bpm: Bpm;
  readonly on: DayNumber;
  readonly isAged: boolean;
  readonly evidence: Evidence;
  readonly touchId: string;
};

export type HeldSection = {
  readonly fromBar: number;
  readonly toBar: number;
  readonly unit: BeatUnit;
  readonly targetBpm: Bpm;
};

/** Date order; touches of one date keep the order of the log. */
export function inTimeOrder(touches: readonly Touch[]): Touch[] {
  return [...touches].sort((a, b) => (a.date < b.date ? -1 : a.date > b.date ? 1 : 0));
}

function covers(touch: Touch, section: { readonly fromBar: number; readonly toBar: number }): boolean {
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

/** Whether a touch can show that something holds: so often in a row clean, and every element held. */
export const isEvidence = (touch: Touch, inARow: number): boolean =>
  cleanRun(touch.attempts) >= inARow && (touch.notHeld?.length ?? 0) === 0;

/** Held tempo of a section from its item's touches (in time order), or null: no evidence. */
export function heldTempo(
  touches: readonly Touch[],
  section: HeldSection,
  lead: HeldSection,
  inARow: number,
  today: DayNumber
): Held | null {
  for (let i = touches.length - 1; i >= 0; i -= 1) {
    const touch = touches[i]!;
    if (!covers(touch, section) || !isEvidence(touch, inARow)) continue;
    const bpm = playedTempo(touch, section, lead);
    if (bpm === null) continue;
    const on = dayOf(touch.date);
    return {
      bpm,
      on,
      isAged: today - on > AGES_AFTER_DAYS,
      evidence: touch.evidence ?? 'self',
      touchId: touch.id
    };
  }
  return null;
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

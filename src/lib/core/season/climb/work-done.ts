/** What was worked at an item counts for its next rung, or for its weekly minutes. */
import { type Touch, holdingTouches } from '../../practice';
import { type Minutes, SAME_TEMPO } from '../../units';
import { layChain } from '../facts/chain';
import type { Agreed, SeasonItem } from '../facts/request';
import { type ClimbFacts, type ClimbRung, type TimedSection, joinedAt } from './rungs';

/**
 * Minutes logged since something last came to hold count for the next rung; one that is worked out and does not hold stays.
 * Of the touch that made it hold, what it had beyond the rungs it reached is carried over to the next.
 */
export function readWork(
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
export function withWorkDone(rungs: readonly ClimbRung[], spent: Minutes): ClimbRung[] {
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

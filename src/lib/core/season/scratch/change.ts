/**
 * Changes tried on a season, as people speak of them: minutes more or less, another date, target, way of working, something left out.
 * Remedies and what-if speak in them; edits.ts says what they come to.
 */
import { type PracticeTime, dayCapacity } from '../../plan';
import type { DayException } from '../../record';
import { type SectionTempo, clickableRange } from '../../tempo';
import { type Bpm, type DayNumber, type Minutes, dayOf, formatDate, parseDate, sayUnit } from '../../units';
import type { Schools, SeasonRequest } from '../facts/request';

export type ItemChange = {
  readonly itemId: string;
  readonly targets?: readonly { readonly sectionId: string; readonly bpm: Bpm }[] | undefined;
  readonly schools?: Partial<Schools> | undefined;
  readonly isLeftOut?: boolean | undefined;
};

export type Changes = {
  /** Minutes added to every such weekday of the pattern; negative takes off. */
  readonly week?: readonly { readonly weekday: number; readonly addMin: Minutes }[] | undefined;
  readonly fundamentalsMin?: Minutes | undefined;
  /** The next so many practice days have half of their minutes. */
  readonly lighterDays?: number | undefined;
  readonly daysIntoMock?: number | undefined;
  readonly rounds?: readonly { readonly roundId: string; readonly date: string }[] | undefined;
  readonly items?: readonly ItemChange[] | undefined;
};

/** The changes without those to rounds, items or sections that are not there any more, as in a copy kept for a while. */
export function dropGone(
  changes: Changes,
  { rounds, items }: Pick<SeasonRequest, 'rounds' | 'items'>
): Changes {
  const kept = changes.items?.flatMap((change) => {
    const item = items.find(({ id }) => id === change.itemId);
    const sections = new Set(item?.sections.map((s) => s.id));
    const targets = change.targets?.filter((t) => sections.has(t.sectionId));
    return item ? [{ ...change, ...(targets ? { targets } : {}) }] : [];
  });
  return {
    ...changes,
    ...(changes.rounds
      ? { rounds: changes.rounds.filter((r) => rounds.some(({ id }) => id === r.roundId)) }
      : {}),
    ...(kept ? { items: kept } : {})
  };
}

/** Added to the weekday's longest span, the first of them where several are as long; taken off spans from the last. */
export function addMinutes(
  week: PracticeTime['week'],
  adds: readonly { readonly weekday: number; readonly addMin: Minutes }[]
): PracticeTime['week'] {
  let changed = week.map((span) => ({ ...span }));
  for (const { weekday, addMin } of adds) {
    const own = changed.filter((span) => span.weekday === weekday);
    if (own.length === 0 && addMin > 0) changed.push({ weekday, minutes: addMin });
    if (addMin >= 0) {
      const longest = Math.max(...own.map((span) => span.minutes));
      const span = own.find((s) => s.minutes === longest);
      if (span) span.minutes += addMin;
    } else {
      let off = -addMin;
      for (const span of own.reverse()) {
        const part = Math.min(off, span.minutes);
        span.minutes -= part;
        off -= part;
      }
      changed = changed.filter((span) => span.minutes > 0);
    }
  }
  return changed;
}

/** What makes the next so many practice days half as long; their warm-up and rests stay as they are. */
export function halfDays(time: PracticeTime, today: string, days: number): PracticeTime['exceptions'] {
  const lighter: DayException[] = [];
  for (let day = dayOf(today), n = 0; lighter.length < days && n < MOST_DAYS_LOOKED; day += 1, n += 1) {
    const gross = dayCapacity(day, time).spans.reduce((sum, span) => sum + span.minutes, 0);
    if (gross > 0)
      lighter.push({ date: formatDate(day), minutes: Math.round(gross / 2), why: 'a lighter day' });
  }
  const others = lighter.reduce<PracticeTime['exceptions']>(
    (all, { date }) => all.flatMap((one) => withoutDay(one, dayOf(date))),
    time.exceptions
  );
  return [...others, ...lighter];
}

/** What is left of an exception when a day is taken out of it. */
function withoutDay(one: DayException, day: DayNumber): DayException[] {
  const [from, until] = [dayOf(one.date), dayOf(one.until ?? one.date)];
  if (day < from || day > until) return [one];
  const piece = (first: DayNumber, last: DayNumber): DayException[] =>
    first > last
      ? []
      : [{ ...one, date: formatDate(first), until: first === last ? undefined : formatDate(last) }];
  return [...piece(from, day - 1), ...piece(day + 1, until)];
}
/** Where a week has no minutes at all, none is found. */
const MOST_DAYS_LOOKED = 60;

/** The tempo with another target: a stretch within a range, one tempo otherwise. Limits are the caller's to check. */
export function setTarget(tempo: SectionTempo, bpm: Bpm): SectionTempo {
  if (tempo.kind === 'free') return tempo;
  if (tempo.kind === 'range') return { ...tempo, stretchBpm: bpm === tempo.lowBpm ? undefined : bpm };
  return { kind: 'pulse', unit: tempo.unit, targetBpm: bpm };
}

/** A round farther ahead is a slip in the year; and a plan over centuries would keep everybody waiting. */
const MOST_DAYS_AHEAD = 2 * 366;

/** Why nothing can be planned for a date, YYYY-MM-DD; null where it can. */
function tooFarAhead(date: string, today: string): string | null {
  const [day, from] = [parseDate(date), parseDate(today)];
  if (day === null || from === null || day - from <= MOST_DAYS_AHEAD) return null;
  return `${date} is more than two years ahead. Check the year.`;
}

/** Logs of a whole life are not kept here; an older year is a slip (judgement). */
const MOST_DAYS_BACK = 30 * 366;

/** Why a date cannot be kept at all, whatever it is of; null where it can, or is none. */
export function outOfReach(date: string, today: string): string | null {
  const [day, from] = [parseDate(date), parseDate(today)];
  if (day !== null && from !== null && from - day > MOST_DAYS_BACK)
    return `${date} is more than thirty years back. Check the year.`;
  return tooFarAhead(date, today);
}

/** Why a round that is still to come cannot be on a date; null where it can. */
export const roundDayFault = (date: string, today: string): string | null =>
  date < today ? `${date} is before today.` : tooFarAhead(date, today);

/** Why a tempo cannot be this section's target, as a sentence; null where it can. */
export function targetFault(tempo: SectionTempo, bpm: Bpm): string | null {
  if (tempo.kind === 'free') return 'These bars are free: they have no tempo to aim for.';
  if (tempo.kind === 'range' && !(bpm >= tempo.lowBpm && bpm <= tempo.highBpm))
    return `${bpm} lies outside the published range, ${tempo.lowBpm} to ${tempo.highBpm}.`;
  const { lowest, highest } = clickableRange(tempo.unit);
  return bpm >= lowest && bpm <= highest
    ? null
    : `No click says ${sayUnit(tempo.unit)} ${bpm}: from ${Math.ceil(lowest)} to ${highest}.`;
}

/** How readiness is drawn: checks in columns, each cell as long as the days that are left. */
import { type CheckReading, type ItemReadiness, isRequired } from '$lib/core/readiness';
import type { CheckKind, Evidence } from '$lib/core/record/words';
import { type DayNumber, type Share, sayDate } from '$lib/core/units';

type Column = { readonly head: string; readonly kinds: readonly CheckKind[] };

const COLUMNS: readonly Column[] = [
  { head: 'edition, decisions', kinds: ['edition', 'bars', 'decisions'] },
  { head: 'errata, call’s page', kinds: ['errata', 'page'] },
  { head: 'tempo holds', kinds: ['tempo'] },
  { head: 'every element', kinds: ['elements'] },
  { head: 'straight through', kinds: ['straight'] },
  { head: 'cold', kinds: ['cold'] },
  { head: 'from any bar', kinds: ['anywhere'] },
  { head: 'in context', kinds: ['context'] },
  { head: 'faster, clean', kinds: ['probe'] },
  { head: 'take, nothing new', kinds: ['take'] },
  { head: 'mock as practice', kinds: ['mock'] },
  { head: 'by memory', kinds: ['memory'] },
  { head: 'with accom­panist', kinds: ['accompanist'] },
  { head: 'all keys', kinds: ['keys'] },
  { head: 'fresh pages', kinds: ['fresh'] }
];

/** Those of which some item is asked at all. */
export const columnsFor = (readings: readonly ItemReadiness[]): readonly Column[] =>
  COLUMNS.filter(({ kinds }) =>
    readings.some(({ checks }) => checks.some(({ kind, level }) => level !== 'off' && kinds.includes(kind)))
  );

export type Cell = {
  readonly form: 'holds' | 'aged' | 'open' | 'optional' | 'off';
  /** Of the days from today to the round, the share for which its evidence counts. */
  readonly share: Share;
  readonly says: string;
};

/** A column's weakest required check. */
export function cellOf({ checks, roundOn }: ItemReadiness, { kinds }: Column, today: DayNumber): Cell {
  const own = checks.filter(({ kind, level }) => kinds.includes(kind) && level !== 'off');
  const required = own.filter(isRequired);
  const says = own.map(sayCheck).join('; ');
  if (own.length === 0) return { form: 'off', share: 0, says: 'not asked' };
  if (required.length === 0) return { form: 'optional', share: 1, says: `optional: ${says}` };
  if (required.some(({ state }) => state === 'not yet')) return { form: 'open', share: 0, says };
  if (required.some(({ state }) => state === 'ask again')) return { form: 'aged', share: 0, says };
  const left = Math.max(1, roundOn - today);
  const share = Math.min(
    1,
    ...required.flatMap(({ lastsTo }) => (lastsTo === null ? [] : (lastsTo - today) / left))
  );
  return { form: 'holds', share, says };
}

export const BY: Readonly<Record<Evidence, string>> = {
  self: 'the player',
  teacher: 'the teacher',
  recording: 'a recording'
};

/** What a check says of itself: its state, since when and by whom, and what is missing. */
function sayCheck({ asks, state, latest, lastsTo }: CheckReading): string {
  if (!latest) return `${asks}: ${state}`;
  const seen = `${sayDate(latest.on)}, ${BY[latest.by]}`;
  const says = state === 'holds' || latest.says === '' ? '' : `: ${latest.says}`;
  const until = state === 'holds' && lastsTo !== null ? `, to ${sayDate(lastsTo)}` : '';
  return `${asks}: ${state}, ${seen}${until}${says}`;
}

/** So few are named, more are counted. */
const NAMED = 2;

/** Under an item's name: what is open, what has aged, or what ages first. */
export function sayUnder(
  { checks, state, openCount, agedCount, roundOn }: ItemReadiness,
  mostNamed = NAMED
): string {
  const required = checks.filter(isRequired);
  const named = (some: readonly CheckReading[]) => some.map(({ asks }) => asks).join(' · ');
  if (state === 'holds') {
    const first = required
      .filter(({ lastsTo }) => lastsTo !== null && lastsTo < roundOn)
      .sort((a, b) => a.lastsTo! - b.lastsTo!)[0];
    return first ? `to ${sayDate(first.lastsTo!)}: ${first.asks}` : 'up to the round';
  }
  const [word, count] =
    state === 'not yet' ? (['not yet', openCount] as const) : (['too old', agedCount] as const);
  if (count > mostNamed) return `${count} of ${required.length} ${word}`;
  return named(required.filter((check) => check.state === state));
}

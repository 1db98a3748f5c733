/**
 * Where a spot stands: open until it was clean on three days, resting while it is asked again twice, then laid to rest. Only what was tried
 * counts, and what was set by hand. Source: the practice model, section 4; the constants are its judgement.
 */
import {
  type BarRange,
  type Bpm,
  type BeatUnit,
  type Share,
  SAME_TEMPO,
  dayOf,
  formatDate,
  isSameBars,
  tempoIn
} from '../../units';
import type { KnownSpot, SpotTry } from './spot';

/** So many days that ended clean let a spot rest. */
export const DAYS_TO_REST = 3;
/** Days after the last of them on which one attempt is asked. */
const ASKED_AFTER_DAYS = [7, 21];
/** How hard a spot is, is read from so many days, beside so many attempts presumed half clean. */
const HARD_DAYS = 7;
const PRESUMED_ATTEMPTS = 4;

export type SpotStanding = {
  /** open: worked each day. resting: asked about on `dueOn`. at-rest: laid to rest. */
  readonly state: 'open' | 'resting' | 'at-rest';
  /** Days that ended clean, since one that did not. */
  readonly days: number;
  /** When one attempt is asked; null where none is. */
  readonly dueOn: string | null;
  /** The same passage elsewhere that did not hold yet. */
  readonly places: readonly BarRange[];
};

export type SpotRules = {
  /** So many clean ones in a row, at what held in the morning. */
  readonly inARow: number;
  readonly unit: BeatUnit;
  /** What held for the section in the morning of a date; null where nothing did: then any tempo counts. */
  readonly heldOn: (date: string) => Bpm | null;
};

type Walk = {
  readonly state: SpotStanding['state'];
  readonly days: number;
  /** The last day of those that let it rest. */
  readonly sinceOn: string | null;
  readonly asked: number;
  /** Places elsewhere that held once, by number. */
  readonly held: ReadonlySet<number>;
};
const BEGINS: Walk = { state: 'open', days: 0, sinceOn: null, asked: 0, held: new Set() };

/** `tries` of this spot alone, in the order played. */
export function standOfSpot(spot: KnownSpot, tries: readonly SpotTry[], rules: SpotRules): SpotStanding {
  const { hand } = spot;
  const begins: Walk = hand && !hand.isOpen ? { ...BEGINS, state: 'at-rest' } : BEGINS;
  const counted = hand ? tries.filter(({ atMs }) => atMs > hand.atMs) : tries;
  const dates = [...new Set(counted.map(({ date }) => date))];
  const walk = dates.reduce(
    (now, date) =>
      afterDay(
        spot,
        now,
        date,
        counted.filter((one) => one.date === date),
        rules
      ),
    begins
  );
  return {
    state: walk.state,
    days: walk.days,
    dueOn: walk.state === 'resting' ? later(walk.sinceOn!, ASKED_AFTER_DAYS[walk.asked]!) : null,
    places: walk.state === 'open' ? spot.elsewhere.filter((_, place) => !walk.held.has(place)) : []
  };
}

function afterDay(
  spot: KnownSpot,
  now: Walk,
  date: string,
  tries: readonly SpotTry[],
  rules: SpotRules
): Walk {
  if (tries.at(-1)!.marks.endsWith('n')) return { ...BEGINS, held: now.held };
  const isThere = (attempt: Attempt) => isFast(attempt, rules.heldOn(date), rules.unit);
  const here = attemptsOf(tries.filter((one) => placeOf(spot, one) === null));
  if (now.state === 'at-rest') return now;
  if (now.state === 'resting') {
    const isDue = date >= later(now.sinceOn!, ASKED_AFTER_DAYS[now.asked]!);
    if (!isDue || !here.some((one) => one.mark === 'c' && isThere(one))) return now;
    const asked = now.asked + 1;
    return { ...now, asked, state: asked < ASKED_AFTER_DAYS.length ? 'resting' : 'at-rest' };
  }
  const held = new Set([
    ...now.held,
    ...spot.elsewhere.flatMap((_, place) =>
      endsClean(attemptsOf(tries.filter((one) => placeOf(spot, one) === place)), rules.inARow, isThere)
        ? [place]
        : []
    )
  ]);
  const days = now.days + (endsClean(here, rules.inARow, isThere) ? 1 : 0);
  const rests = days >= DAYS_TO_REST && held.size === spot.elsewhere.length;
  return rests
    ? { state: 'resting', days, sinceOn: date, asked: 0, held }
    : { ...now, days: Math.min(days, DAYS_TO_REST), held };
}

type Attempt = {
  readonly mark: string;
  readonly tempoBpm: Bpm | undefined;
  readonly unit: BeatUnit | undefined;
};
const attemptsOf = (tries: readonly SpotTry[]): Attempt[] =>
  tries.flatMap(({ marks, tempoBpm, unit }) => [...marks].map((mark) => ({ mark, tempoBpm, unit })));

/** Which of the places elsewhere it was played at; null: at the spot itself. */
function placeOf({ elsewhere }: KnownSpot, { fromBar = 0, toBar = 0 }: SpotTry): number | null {
  const place = elsewhere.findIndex((bars) => isSameBars(bars, { fromBar, toBar }));
  return place < 0 ? null : place;
}

const endsClean = (
  attempts: readonly Attempt[],
  inARow: number,
  isThere: (attempt: Attempt) => boolean
): boolean =>
  attempts.length >= inARow && attempts.slice(-inARow).every((one) => one.mark === 'c' && isThere(one));

function isFast({ tempoBpm, unit }: Attempt, held: Bpm | null, of: BeatUnit): boolean {
  if (held === null) return true;
  return (
    tempoBpm !== undefined && tempoIn({ bpm: tempoBpm, unit: unit ?? of }, of) >= held * (1 - SAME_TEMPO)
  );
}

const later = (date: string, days: number) => formatDate(dayOf(date) + days);

/** Share of attempts of lately that were not clean, 0 to 1; a half where there were none. */
export function hardnessOf(tries: readonly SpotTry[], today: string): Share {
  const since = later(today, -HARD_DAYS);
  const lately = tries
    .filter(({ date }) => date >= since)
    .map(({ marks }) => marks)
    .join('');
  const notClean = lately.split('n').length - 1;
  return (notClean + PRESUMED_ATTEMPTS / 2) / (lately.length + PRESUMED_ATTEMPTS);
}

/** The fastest at which so many in a row were clean, in the unit of `of`; null where none was. */
export function spotTempo(tries: readonly SpotTry[], inARow: number, of: BeatUnit): Bpm | null {
  const held = tries
    .filter(({ marks }) => marks.includes('c'.repeat(inARow)))
    .flatMap(({ tempoBpm, unit }) =>
      tempoBpm === undefined ? [] : [tempoIn({ bpm: tempoBpm, unit: unit ?? of }, of)]
    );
  return held.length > 0 ? Math.max(...held) : null;
}

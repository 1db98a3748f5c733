/**
 * How the tempo moves while a few bars are worked at: from what holds, by the school's steps, towards today's rung, by the player's two
 * answers. A pure state machine: a standing is what all moves so far come to, so that undo is leaving the last one out. What the steps are
 * is the caller's (`way`); what is written of it, the log's. Source: the practice model, section 2; the constants are judgement.
 */
import type { StepBack } from '../record/words';
import { type Bpm, SAME_TEMPO } from '../units';
import { type Counting, countedClean } from './touch';

/** So many "not yet" in a row at one tempo lead down. */
const NOT_YET_LEADS_DOWN = 2;

export type Work = Counting & {
  /** What holds when the work begins; null where nothing does. */
  readonly heldBpm: Bpm | null;
  /** Tempos in the school's order from where it begins to today's rung; a zigzag falls back in between. At least one. */
  readonly way: readonly Bpm[];
  /** Settings below the first of the way, falling: one click, two clicks ... */
  readonly below: readonly Bpm[];
  /** The rung after today's, offered once it holds; null at the target. */
  readonly furtherBpm: Bpm | null;
  /** Missing: a step back. */
  readonly back?: StepBack | undefined;
  /** The day's first work at these bars begins a click below what holds; one clean attempt leads up to it. */
  readonly isFirstToday: boolean;
};

export type Move =
  | { readonly kind: 'clean' | 'not-yet' }
  | { readonly kind: 'by-hand'; readonly bpm: Bpm }
  /** The answer to "one further?". */
  | { readonly kind: 'further'; readonly isTaken: boolean }
  | { readonly kind: 'time-is-up' }
  /** The one attempt a click lower before the block closes is left out. */
  | { readonly kind: 'leave-it' }
  /** More minutes, after the time was up. */
  | { readonly kind: 'go-on' };

/**
 * leading-up: one clean attempt leads to what holds. offer: today's rung holds, one further is asked about. at-rest: it holds, and nothing more
 * is asked. ending: one attempt a click lower. ended: no answer counts any more.
 */
type Phase = 'leading-up' | 'climbing' | 'offer' | 'further' | 'at-rest' | 'ending' | 'ended';

export type Standing = {
  readonly phase: Phase;
  readonly bpm: Bpm;
  /** Marks at this tempo since it was come to, c and n, of which the last count. */
  readonly marks: string;
  /** Clean attempts that count, and how many make the tempo hold. */
  readonly counted: number;
  readonly needed: number;
  /** The fastest that holds by now, the work's own included; null where nothing does. */
  readonly heldBpm: Bpm | null;
  /** Where on the way; -1 beside it. */
  readonly at: number;
  /** Today's rung. */
  readonly goalBpm: Bpm;
  /** Whether one further was offered. */
  readonly isAsked: boolean;
  /** Whether the one attempt a click lower was asked. */
  readonly wasEndAsked: boolean;
  /** The latest answer and its tempo; null before the first. */
  readonly last: { readonly mark: 'c' | 'n'; readonly bpm: Bpm } | null;
};

const isAtLeast = (a: Bpm, b: Bpm) => a >= b * (1 - SAME_TEMPO);

/** The standing after all moves, in order. Moves that nothing asked for change nothing. */
export const standAfter = (work: Work, moves: readonly Move[]): Standing =>
  moves.reduce((standing, move) => moveTempo(work, standing, move), beginWork(work));

/** Throws RangeError where there is no way. */
function beginWork(work: Work): Standing {
  const goalBpm = highest(work.way);
  const first = work.way[0]!;
  const leadsUp = work.isFirstToday && work.heldBpm !== null && work.below.length > 0;
  return at(work, {
    phase: leadsUp ? 'leading-up' : 'climbing',
    bpm: leadsUp ? work.below[0]! : first,
    at: leadsUp ? -1 : 0,
    heldBpm: work.heldBpm,
    goalBpm,
    isAsked: false,
    wasEndAsked: false,
    last: null
  });
}

export function moveTempo(work: Work, now: Standing, move: Move): Standing {
  if (now.phase === 'ended' && move.kind !== 'go-on') return now;
  switch (move.kind) {
    case 'go-on':
      return now.phase === 'ended' || now.phase === 'ending' ? goOn(work, now) : now;
    case 'by-hand':
      return now.phase === 'ending' ? now : byHand(work, now, move.bpm);
    case 'further':
      return now.phase === 'offer' ? further(work, now, move.isTaken) : now;
    case 'time-is-up':
      return timeIsUp(work, now);
    case 'leave-it':
      return now.phase === 'ending' ? { ...now, phase: 'ended' } : now;
    case 'clean':
    case 'not-yet':
      return answered(work, now, move.kind === 'clean' ? 'c' : 'n');
  }
}

function answered(work: Work, now: Standing, mark: 'c' | 'n'): Standing {
  // going on playing leaves the offer
  const phase = now.phase === 'offer' ? 'at-rest' : now.phase;
  const marks = now.marks + mark;
  const next = counting(work, { ...now, phase, marks, last: { mark, bpm: now.bpm } });
  if (phase === 'ending') return { ...next, phase: 'ended' };
  if (mark === 'c') return next.counted >= next.needed ? itHolds(work, next) : next;
  return marks.endsWith('n'.repeat(NOT_YET_LEADS_DOWN)) ? stepBack(work, next) : next;
}

function itHolds(work: Work, now: Standing): Standing {
  if (now.phase === 'leading-up') return onWay(work, { ...now, phase: 'climbing' }, 0);
  const heldBpm = now.heldBpm === null || isAtLeast(now.bpm, now.heldBpm) ? now.bpm : now.heldBpm;
  const held = { ...now, heldBpm };
  if (isAtLeast(now.bpm, now.goalBpm))
    return now.isAsked || work.furtherBpm === null
      ? at(work, { ...held, phase: 'at-rest' })
      : at(work, { ...held, phase: 'offer', isAsked: true });
  const next = now.at >= 0 ? now.at + 1 : work.way.findIndex((bpm) => !isAtLeast(now.bpm, bpm));
  return onWay(work, held, next);
}

/** A step back is to the nearest slower tempo that lies before on the way, else a click below it. */
function stepBack(work: Work, now: Standing): Standing {
  const to = work.back ?? 'step';
  const again = { ...now, phase: now.phase === 'leading-up' ? now.phase : ('climbing' as const) };
  if (to === 'stay') return at(work, again);
  const before = work.way.slice(0, Math.max(0, now.at)).findLastIndex((bpm) => !isAtLeast(bpm, now.bpm));
  if (to === 'held' && now.heldBpm !== null && !isAtLeast(now.heldBpm, now.bpm))
    return at(work, {
      ...again,
      bpm: now.heldBpm,
      at: work.way.findIndex((bpm) => isSame(bpm, now.heldBpm!))
    });
  if (now.phase === 'further')
    return at(work, { ...now, phase: 'at-rest', bpm: now.goalBpm, at: work.way.length - 1 });
  if (before >= 0) return onWay(work, again, before);
  const lower = work.below.find((bpm) => !isAtLeast(bpm, now.bpm));
  return at(work, lower === undefined ? again : { ...again, bpm: lower, at: -1 });
}

/** Never above today's rung, but for the one further that was taken. */
function byHand(work: Work, now: Standing, wanted: Bpm): Standing {
  const top = now.phase === 'further' ? work.furtherBpm! : now.goalBpm;
  const bpm = Math.min(wanted, top);
  if (now.phase === 'further' && isSame(bpm, top)) return now;
  return at(work, { ...now, phase: 'climbing', bpm, at: work.way.findIndex((one) => isSame(one, bpm)) });
}

function further(work: Work, now: Standing, isTaken: boolean): Standing {
  return isTaken
    ? at(work, { ...now, phase: 'further', bpm: work.furtherBpm!, at: -1 })
    : at(work, { ...now, phase: 'at-rest' });
}

/** At the tempo where it stood; what holds today already is not asked about again. */
function goOn(work: Work, now: Standing): Standing {
  const isThere = now.heldBpm !== null && isAtLeast(now.heldBpm, now.goalBpm);
  return at(work, { ...now, phase: isThere && isAtLeast(now.bpm, now.goalBpm) ? 'at-rest' : 'climbing' });
}

/** A block ends on a success: after "not yet" one attempt a click lower is asked, once. */
function timeIsUp(work: Work, now: Standing): Standing {
  const { last } = now;
  if (now.phase === 'ending' || now.wasEndAsked || last?.mark !== 'n') return { ...now, phase: 'ended' };
  const lower = [...work.way, ...work.below].filter((bpm) => !isAtLeast(bpm, last.bpm));
  return lower.length === 0
    ? { ...now, phase: 'ended' }
    : at(work, { ...now, phase: 'ending', wasEndAsked: true, bpm: highest(lower), at: -1 });
}

const isSame = (a: Bpm, b: Bpm) => Math.abs(a - b) <= b * SAME_TEMPO;
const highest = (way: readonly Bpm[]) => {
  if (way.length === 0) throw new RangeError('no tempo to work at');
  return Math.max(...way);
};

const onWay = (work: Work, now: Standing, index: number): Standing =>
  at(work, { ...now, bpm: work.way[index]!, at: index });

/** At a tempo, with the count begun anew. */
const at = (work: Work, now: Omit<Standing, 'marks' | 'counted' | 'needed'>): Standing =>
  counting(work, { ...now, marks: '' });

function counting(work: Work, now: Omit<Standing, 'counted' | 'needed'>): Standing {
  const needed = now.phase === 'leading-up' || now.phase === 'ending' ? 1 : work.inARow;
  const among = needed === 1 ? 1 : work.among;
  return { ...now, needed, counted: countedClean(now.marks, { inARow: needed, among }) };
}

/**
 * How many minutes a rung asks for: the expected number of attempts until N in a row are clean, each lasting
 * one repetition and a breath, and a little to begin. And how the ramp's shape deals a ladder's minutes to its rungs.
 * Source of E: the waiting time for a run of N successes, (1 - p^N) / ((1 - p) p^N).
 */
import type { RampShape } from '../record';
import type { Minutes, Share } from '../units';
import { LEAST_BLOCK_MIN, LEAST_LONG_BLOCK_MIN } from './block-task';

export { RAMP_SHAPES, type RampShape } from '../record/words';

/** Between two repetitions: breathe, think, set the click (judgement). */
const BREATH_SECONDS = 10;
/** To find the place and set up (judgement). */
const SET_UP_MIN: Minutes = 2;
/** Beyond this a tempo is too hard today and one steps back instead (judgement). */
const MOST_ATTEMPTS = 12;
/** Share of clean attempts until the log says otherwise (judgement). */
export const PRESUMED_CLEAN_SHARE: Share = 0.7;

/** Expected attempts until `inARow` clean ones follow each other, at most MOST_ATTEMPTS. `cleanShare` in (0, 1]. */
export function expectedAttempts(cleanShare: Share, inARow: number): number {
  if (cleanShare <= 0) return MOST_ATTEMPTS;
  if (cleanShare >= 1) return Math.min(inARow, MOST_ATTEMPTS);
  const run = cleanShare ** inARow;
  return Math.min(MOST_ATTEMPTS, (1 - run) / ((1 - cleanShare) * run));
}

/** Whole minutes for one rung whose repetition lasts `seconds`. */
export function rungMinutes(seconds: number, cleanShare: Share, inARow: number): Minutes {
  return Math.ceil((expectedAttempts(cleanShare, inARow) * (seconds + BREATH_SECONDS)) / 60) + SET_UP_MIN;
}

/** How far along the ramp's time a rung stands, 0 at the start and 1 at the target. */
export function rampProgress(shape: RampShape, start: number, bpm: number, target: number): Share {
  if (target <= start) return 1;
  const logShare = Math.log(bpm / start) / Math.log(target / start);
  if (shape === 'equal-bpm') return (bpm - start) / (target - start);
  if (shape === 'equal-percent') return logShare;
  // Progress slows towards the top: the last tenth of the way takes a fifth of the time (judgement).
  return 1 - (1 - Math.min(1, logShare)) ** (2 / 3);
}

/**
 * Deals a ladder's minutes to its rungs so that practising evenly climbs in the ramp's shape.
 * `asked` are the rungs' own minutes, `progress` where each stands (rising to 1). The sum is kept exactly and
 * every rung keeps at least one minute.
 */
export function dealMinutes(asked: readonly Minutes[], progress: readonly Share[]): Minutes[] {
  const total = asked.reduce((sum, m) => sum + m, 0);
  const dealt: Minutes[] = [];
  let given = 0;
  progress.forEach((share, i) => {
    const after = progress.length - 1 - i;
    const upTo = i === progress.length - 1 ? total : Math.round(total * share);
    const due = Math.max(given + 1, Math.min(upTo, total - after));
    dealt.push(due - given);
    given = due;
  });
  return dealt;
}

/** Attempts beyond those in a row for which a block is worth unpacking (judgement). */
const MORE_ATTEMPTS = 2;
/** The minute it takes to begin. */
const TO_BEGIN_MIN: Minutes = 1;

/** Least useful minutes of a block: so many in a row and two attempts more, each of `seconds`; between 3 and 8. */
export function leastBlockMinutes(seconds: number, inARow: number): Minutes {
  const attempts = ((inARow + MORE_ATTEMPTS) * (seconds + BREATH_SECONDS)) / 60;
  return Math.min(LEAST_LONG_BLOCK_MIN, Math.max(LEAST_BLOCK_MIN, Math.ceil(attempts) + TO_BEGIN_MIN));
}

/** A tempo from taps: the median of the intervals, so that one late tap does not move it. */
import type { Bpm } from '../units';

/** Fewer say nothing yet. */
const LEAST_TAPS = 4;
/** After so long without a tap, the next begins anew: slower than 20 a minute is no click. */
const FORGETS_MS = 3000;

/** Beats a minute of taps in ms, to a whole number; null where there are too few since the last pause. */
export function tempoOfTaps(tapsMs: readonly number[]): Bpm | null {
  const begins = tapsMs.findLastIndex((tap, i) => i > 0 && tap - tapsMs[i - 1]! > FORGETS_MS);
  const taps = tapsMs.slice(Math.max(0, begins));
  if (taps.length < LEAST_TAPS) return null;
  const intervals = taps.slice(1).map((tap, i) => tap - taps[i]!);
  const sorted = intervals.sort((a, b) => a - b);
  const middle = Math.floor(sorted.length / 2);
  const median = sorted.length % 2 === 1 ? sorted[middle]! : (sorted[middle - 1]! + sorted[middle]!) / 2;
  return median > 0 ? Math.round(60_000 / median) : null;
}

/**
 * Measuring recordings: a tempo from taps or from counted beats and seconds, and what several recordings say together. The odd
 * one out is found by the modified z-score, 0.6745 x distance from the median / median absolute deviation, above 3.5
 * (Iglewicz and Hoaglin 1993; from memory). Common practice asks for five recordings.
 */
import type { Bpm } from '../units';

/** Fewer taps than this say too little. */
export const LEAST_TAPS = 4;
const ODD_ABOVE = 3.5;
const NORMAL = 0.6745;
/** Where most recordings agree to the digit, one that is this far away is odd (judgement). */
const ODD_SHARE = 0.03;

/** Beats a minute by the slope of least squares through the taps; null for fewer than four. Times in milliseconds, rising. */
export function measureTaps(timesMs: readonly number[]): Bpm | null {
  const n = timesMs.length;
  if (n < LEAST_TAPS) return null;
  const meanBeat = (n - 1) / 2;
  const meanTime = timesMs.reduce((sum, t) => sum + t, 0) / n;
  let over = 0;
  let under = 0;
  timesMs.forEach((t, beat) => {
    over += (beat - meanBeat) * (t - meanTime);
    under += (beat - meanBeat) ** 2;
  });
  return oneDecimal(60_000 / (over / under));
}

/** Beats x 60 / seconds; null where one of them is not above 0. */
export function measureBeats(beats: number, seconds: number): Bpm | null {
  return beats > 0 && seconds > 0 ? oneDecimal((beats * 60) / seconds) : null;
}

export type Recordings = {
  readonly mean: Bpm;
  readonly median: Bpm;
  readonly low: Bpm;
  readonly high: Bpm;
  /** Highest less lowest as a share of the median. */
  readonly spread: number;
  /** Places of those that lie far from the others. */
  readonly odd: readonly number[];
};

/** Null where there are none. */
export function readRecordings(bpms: readonly Bpm[]): Recordings | null {
  if (bpms.length === 0) return null;
  const middle = median(bpms);
  const deviation = median(bpms.map((bpm) => Math.abs(bpm - middle)));
  const isOdd = (bpm: Bpm) => {
    const away = Math.abs(bpm - middle);
    return deviation > 0 ? (NORMAL * away) / deviation > ODD_ABOVE : away > ODD_SHARE * middle;
  };
  const [low, high] = [Math.min(...bpms), Math.max(...bpms)];
  return {
    mean: oneDecimal(bpms.reduce((sum, bpm) => sum + bpm, 0) / bpms.length),
    median: middle,
    low,
    high,
    spread: (high - low) / middle,
    odd: bpms.length < 3 ? [] : bpms.flatMap((bpm, i) => (isOdd(bpm) ? [i] : []))
  };
}

function median(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b);
  const middle = sorted.length / 2;
  return sorted.length % 2 === 1 ? sorted[Math.floor(middle)]! : (sorted[middle - 1]! + sorted[middle]!) / 2;
}

/** As tempos that were measured are said. */
export function oneDecimal(bpm: number): Bpm {
  return Math.round(bpm * 10) / 10;
}

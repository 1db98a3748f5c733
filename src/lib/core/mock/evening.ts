/** An evening of several candidates before one jury: when each plays, and how long is left to who waits. */
import type { Minutes, Milliseconds } from '../units';

const DAY_MIN = 24 * 60;

/**
 * The hours (HH:MM) at which `count` candidates begin, one after the other; null where the last one would begin after midnight. `start` as
 * HH:MM.
 */
export function eveningHours(
  start: string,
  count: number,
  { eachMin, pauseMin }: { readonly eachMin: Minutes; readonly pauseMin: Minutes }
): readonly string[] | null {
  const [hours = 0, minutes = 0] = start.split(':').map(Number);
  const begins = Array.from({ length: count }, (_, i) => hours * 60 + minutes + i * (eachMin + pauseMin));
  if (begins.some((begin) => begin >= DAY_MIN)) return null;
  const two = (n: number) => String(n).padStart(2, '0');
  return begins.map((begin) => `${two(Math.floor(begin / 60))}:${two(begin % 60)}`);
}

/** What who plays does before the hour of a mock: nothing yet, warm up, wait in silence; after it they are called. */
export type BeforeMock = {
  readonly phase: 'early' | 'warm-up' | 'waiting' | 'called';
  /** Until it ends; 0 where they are called. */
  readonly leftMs: Milliseconds;
};

/** Source: the mock model, section 3 (waiting and warm-up limits). `startsMs` and `nowMs` in ms since 1970 UTC. */
export function beforeMock(
  {
    startsMs,
    warmUpMin,
    waitingMin
  }: { readonly startsMs: number; readonly warmUpMin: Minutes; readonly waitingMin: Minutes },
  nowMs: number
): BeforeMock {
  const waitsFrom = startsMs - waitingMin * 60_000;
  const opensAt = waitsFrom - warmUpMin * 60_000;
  if (nowMs < opensAt) return { phase: 'early', leftMs: opensAt - nowMs };
  if (nowMs < waitsFrom) return { phase: 'warm-up', leftMs: waitsFrom - nowMs };
  if (nowMs < startsMs) return { phase: 'waiting', leftMs: startsMs - nowMs };
  return { phase: 'called', leftMs: 0 };
}

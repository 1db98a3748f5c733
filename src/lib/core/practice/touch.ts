/** What is read from touches. */
import type { Touch } from '../record';

export type { Evidence } from '../record/words';
export type { Touch };

/** Longest run of clean attempts. */
export function cleanRun(attempts: string | undefined): number {
  return Math.max(0, ...(attempts ?? '').split('n').map((run) => run.length));
}

/** What was played, tempo by tempo, as touches of the same id; the minutes stand with the last, so that they count once. */
export function seriesOf(touch: Touch): readonly Touch[] {
  const { series = [], ...whole } = touch;
  if (series.length === 0) return [touch];
  return series.map(({ fromBar, toBar, tempoBpm, unit, attempts, notHeld }, i) => ({
    ...whole,
    ...{ fromBar, toBar, tempoBpm, unit, attempts, notHeld },
    minutes: i === series.length - 1 ? touch.minutes : 0
  }));
}

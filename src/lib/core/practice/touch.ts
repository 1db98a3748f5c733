/** What is read from touches. */
import type { Touch } from '../record';

export type { Evidence } from '../record/words';
export type { Touch };

/** When a tempo holds: so many clean among the last so many, in a row where that is no more than they are, or missing. */
export type Counting = { readonly inARow: number; readonly among?: number | undefined };

/** Clean attempts among the last that count; at most as many as are needed. */
export function countedClean(attempts: string, { inARow, among = 1 }: Counting): number {
  const lately = attempts.slice(-Math.max(among, inARow));
  // what comes in a row begins anew after each that was not
  const counting = among > inARow ? lately : lately.slice(lately.lastIndexOf('n') + 1);
  return Math.min(inARow, counting.split('c').length - 1);
}

/** Whether a tempo came to hold somewhere in the attempts. */
export const cameToHold = (attempts: string, counting: Counting): boolean =>
  (counting.among ?? 1) <= counting.inARow
    ? attempts.includes('c'.repeat(counting.inARow))
    : Array.from(attempts).some(
        (_, i) => countedClean(attempts.slice(0, i + 1), counting) >= counting.inARow
      );

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

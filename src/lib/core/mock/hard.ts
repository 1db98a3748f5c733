/** Which bars of an item are hard: the fifth that was least often clean. Source: the mock model, section 2; its share is judgement. */
import type { Touch } from '../record';
import type { BarRange } from '../units';

const HARD_SHARE = 0.2;

/** Bars in order; none where all were always clean, or too few were played for a fifth of them to be one. `log` of the item. */
export function leastClean(log: readonly Touch[], { fromBar, toBar }: BarRange): number[] {
  const tried = log.flatMap((touch) =>
    (touch.series ?? [touch]).map((one) => ({
      marks: one.attempts ?? '',
      from: one.fromBar ?? fromBar,
      to: one.toBar ?? toBar
    }))
  );
  const shares = barsOf({ fromBar, toBar }).flatMap((bar) => {
    const marks = tried.flatMap(({ marks, from, to }) => (from <= bar && bar <= to ? [marks] : [])).join('');
    return marks === '' ? [] : [{ bar, share: (marks.split('c').length - 1) / marks.length }];
  });
  return shares
    .sort((a, b) => a.share - b.share || a.bar - b.bar)
    .slice(0, Math.floor(shares.length * HARD_SHARE))
    .filter(({ share }) => share < 1)
    .map(({ bar }) => bar)
    .sort((a, b) => a - b);
}

export const barsOf = ({ fromBar, toBar }: BarRange): number[] =>
  Array.from({ length: Math.max(0, toBar - fromBar + 1) }, (_, i) => fromBar + i);

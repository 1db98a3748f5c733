/** What a probe or the microscope turns up: bars that broke, as spots. Source: the practice model, section 6. */
import type { HuntToDo } from '../record';
import { type BarRange, type Share, sayBpm } from '../units';

/** So large a share of the bars is expected to break in a probe (handbook section 5). */
const EXPECTED: readonly [Share, Share] = [0.1, 0.2];

/** Bars in ranges as they follow each other. */
export function rangesOf(bars: readonly number[]): BarRange[] {
  const ranges: { fromBar: number; toBar: number }[] = [];
  for (const bar of [...new Set(bars)].sort((a, b) => a - b)) {
    const last = ranges.at(-1);
    if (last?.toBar === bar - 1) last.toBar = bar;
    else ranges.push({ fromBar: bar, toBar: bar });
  }
  return ranges;
}

/** What a spot that it turned up is called. */
export const issueOfHunt = (kind: 'probe' | 'microscope', { bpm }: Pick<HuntToDo, 'bpm'>): string =>
  kind === 'probe' ? `broke at ${sayBpm(bpm)}` : `slipped at ${sayBpm(bpm)}, slowly`;

/** How much broke, against what is expected of a probe. */
export function sayBroken(count: number, all: number): string {
  if (count === 0) return 'Nothing broke: what is this sure may be probed faster another day.';
  const share = count / all;
  const says = `${count} of ${all} bars, ${Math.round(share * 100)} %`;
  if (share > EXPECTED[1]) return `${says}: more than the 20 % that are usual. It is early for a probe.`;
  return share < EXPECTED[0] ? `${says}: little broke.` : `${says}: as much as a probe usually breaks.`;
}

/** A take laid out as the page is: a system a line, its time to scale; in tens of seconds where bars are not known. */
import { barsByLine } from '$lib/core/record/lines';
import { type Placed, barAt, startOfBar } from '$lib/core/take';
import { type Milliseconds, sayBars } from '$lib/core/units';
import type { TakeView } from '$lib/schema/view';

type Cell = { readonly bar: number; readonly fromMs: Milliseconds; readonly toMs: Milliseconds };
export type System = {
  /** The number of its first bar, or its time. */
  readonly name: string;
  readonly fromMs: Milliseconds;
  readonly toMs: Milliseconds;
  /** None where bars are not known. */
  readonly cells: readonly Cell[];
};

const PLAIN_MS = 10_000;

export function systemsOf(
  take: Placed & Pick<TakeView['take'], 'lengthMs'>,
  item: TakeView['item']
): System[] {
  const lengthMs = take.lengthMs ?? 0;
  const start = (bar: number) => startOfBar(take, item.metre, bar);
  if (start(take.fromBar) === null) return plainSystems(lengthMs);
  const lines = barsByLine(item)
    .map((line) => line.filter((bar) => bar >= take.fromBar && bar <= take.toBar))
    .filter((line) => line.length > 0);
  const systems = lines.map((line): System => {
    const cells = line.map((bar) => ({ bar, fromMs: start(bar)!, toMs: start(bar + 1)! }));
    return { name: String(line[0]), fromMs: cells[0]!.fromMs, toMs: cells.at(-1)!.toMs, cells };
  });
  // what sounds after the last bar's time belongs to the last line
  const last = systems.at(-1)!;
  return [
    ...systems.slice(0, -1).filter(({ fromMs }) => fromMs < lengthMs),
    ...(last.fromMs < lengthMs ? [{ ...last, toMs: Math.max(last.toMs, lengthMs) }] : [])
  ];
}

function plainSystems(lengthMs: Milliseconds): System[] {
  return Array.from({ length: Math.max(1, Math.ceil(lengthMs / PLAIN_MS)) }, (_, i) => ({
    name: sayMs(i * PLAIN_MS),
    fromMs: i * PLAIN_MS,
    toMs: (i + 1) * PLAIN_MS,
    cells: []
  }));
}

/** 83000 is 1:23. */
export const sayMs = (ms: Milliseconds): string =>
  `${Math.floor(ms / 60_000)}:${String(Math.floor((ms % 60_000) / 1000)).padStart(2, '0')}`;

/** A place as its bar, or where bars are not known as its time. */
export function sayPlace(take: Placed, metre: string, atMs: Milliseconds): string {
  const bar = barAt(take, metre, atMs);
  return bar === null ? sayMs(atMs) : sayBars({ fromBar: bar, toBar: bar });
}

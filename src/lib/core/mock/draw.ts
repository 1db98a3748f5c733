/**
 * What is heard in a mock, drawn: which items, in which order, and which bars of them. A pure function of what is there and a seed, so that a
 * draw can be made again from its number. Source: the mock model, section 2; the constants are its judgement.
 */
import type { Drawn } from '../record';
import { barsByLine } from '../record/lines';
import { type BarRange, type Tempo, beatsPerBar, isInside, randomFrom, shuffled } from '../units';

export type ToDraw = BarRange & {
  readonly id: string;
  readonly barsPerLine?: string | undefined;
  readonly metre: string;
  readonly target: Tempo | null;
  /** Where a player would begin: sections, marks; the first bar is always one. */
  readonly starts: readonly number[];
  /** Published bars: nothing outside them is drawn. Empty: all of it. */
  readonly cuts: readonly BarRange[];
  /** Bars with open spots, and those least often clean. */
  readonly hard: readonly number[];
  /** Bars heard in the last mocks. */
  readonly heard: readonly number[];
  /** The latest mock heard it fall below practice: the next one hears it. */
  readonly isOwed?: boolean | undefined;
};

/** So many lines of the page at least and at most. */
const LINES = [1.5, 2] as const;
/** Where the page is not known: so many seconds at the target. */
const SECONDS = [20, 40] as const;
/** One of five begins, and one of five stops, anywhere on a bar line. */
const ODD_SHARE = 0.2;
const USUAL_BARS = [12, 16] as const;

/** `count` of the items, in the order in which they are heard; fewer where there are fewer. */
export function drawMock(
  items: readonly ToDraw[],
  { seed, count, isInOrder }: { seed: number; count: number; isInOrder: boolean }
): Drawn[] {
  const random = randomFrom(seed);
  const left = [...items];
  const drawn: ToDraw[] = [];
  while (drawn.length < count && left.length > 0) {
    const owed = left.filter(({ isOwed }) => isOwed);
    const among = owed.length > 0 ? owed : left;
    const one = among[pick(among, weightOfItem, random)]!;
    drawn.push(one);
    left.splice(left.indexOf(one), 1);
  }
  const hasOwed = items.some(({ isOwed }) => isOwed);
  // what has to be heard is drawn first, and is not played first for that
  const order = isInOrder
    ? items.filter((item) => drawn.includes(item))
    : hasOwed
      ? shuffled(drawn, random)
      : drawn;
  return order.map((item) => ({ itemId: item.id, ...drawCut(item, random) }));
}

/** An item by its bars that were not heard, plus one. */
const weightOfItem = (item: ToDraw) => {
  const weigh = weightsOf(item);
  return partsOf(item).reduce((sum, part) => sum + weigh(part), 0);
};

/** Of bars: those that were not heard in the last mocks, hard ones twice, plus one. */
function weightsOf({ fromBar: first, toBar: last, heard, hard }: ToDraw): (bars: BarRange) => number {
  const [known, twice] = [new Set(heard), new Set(hard)];
  // up to each bar, so that any bars weigh one difference
  const sums = [0];
  for (let bar = first; bar <= last; bar += 1)
    sums.push(sums.at(-1)! + (known.has(bar) ? 0 : twice.has(bar) ? 2 : 1));
  return ({ fromBar, toBar }) => 1 + sums[toBar - first + 1]! - sums[fromBar - first]!;
}

/** What can be heard of it: its published cuts, or all. */
const partsOf = ({ cuts, fromBar, toBar }: ToDraw): readonly BarRange[] =>
  cuts.length > 0 ? cuts : [{ fromBar, toBar }];

function drawCut(item: ToDraw, random: () => number): Omit<Drawn, 'itemId'> {
  const [least, most] = barsOfCut(item);
  const isOddStart = random() < ODD_SHARE;
  const isOddStop = random() < ODD_SHARE;
  const open = partsOf(item).flatMap((part) => cutsIn(item, part, [least, most]));
  const fits = (cut: Cut) => cut.isOddStart === isOddStart && cut.isOddStop === isOddStop;
  // where nothing begins or stops oddly, or nothing does otherwise, what there is is drawn
  const chosen = [open.filter(fits), open.filter((cut) => cut.isOddStart === isOddStart), open].find(
    (cuts) => cuts.length > 0
  )!;
  const { fromBar, toBar, ...odd } = chosen[pick(chosen, weightsOf(item), random)]!;
  // what stops oddly because nothing else is as long does not do so on purpose
  return { fromBar, toBar, isOdd: (isOddStart && odd.isOddStart) || (isOddStop && odd.isOddStop) };
}

type Cut = BarRange & { readonly isOddStart: boolean; readonly isOddStop: boolean };

/** All cuts of a part that are as long as one is; a part that is hardly longer is heard whole. */
function cutsIn(item: ToDraw, part: BarRange, [least, most]: readonly [number, number]): Cut[] {
  const all = part.toBar - part.fromBar + 1;
  if (all <= most) return [{ ...part, isOddStart: false, isOddStop: false }];
  const starts = new Set([part.fromBar, ...startsOf(item)]);
  const cuts: Cut[] = [];
  for (let fromBar = part.fromBar; fromBar <= part.toBar - least + 1; fromBar += 1)
    for (let toBar = fromBar + least - 1; toBar < fromBar + most && toBar <= part.toBar; toBar += 1)
      cuts.push({
        fromBar,
        toBar,
        isOddStart: !starts.has(fromBar),
        isOddStop: toBar !== part.toBar && !starts.has(toBar + 1)
      });
  return cuts;
}

/** Where nothing is marked, the lines of the page are what a player would begin at. */
function startsOf(item: ToDraw): readonly number[] {
  const marked = item.starts.filter((bar) => isInside({ fromBar: bar, toBar: bar }, item));
  return marked.length > 1 ? marked : [...marked, ...barsByLine(item).map((line) => line[0]!)];
}

/** Least and most bars of a cut: by the lines of the page, else by how long they last at the target. */
export function barsOfCut(item: ToDraw): readonly [number, number] {
  if (item.barsPerLine?.trim()) {
    const lines = barsByLine(item);
    const perLine = lines.reduce((sum, line) => sum + line.length, 0) / lines.length;
    return [Math.max(1, Math.ceil(LINES[0] * perLine)), Math.max(1, Math.round(LINES[1] * perLine))];
  }
  const beats = item.target && beatsPerBar(item.metre, item.target.unit);
  if (!item.target || !beats) return USUAL_BARS;
  const barSeconds = (beats * 60) / item.target.bpm;
  return [Math.max(1, Math.ceil(SECONDS[0] / barSeconds)), Math.max(1, Math.floor(SECONDS[1] / barSeconds))];
}

/** Place in a list by chance, each as likely as its weight. */
function pick<T>(list: readonly T[], weight: (one: T) => number, random: () => number): number {
  const weights = list.map(weight);
  let at = random() * weights.reduce((sum, one) => sum + one, 0);
  const found = weights.findIndex((one) => (at -= one) < 0);
  return found < 0 ? list.length - 1 : found;
}

/** Lines of the page of which a bar was drawn, of all. */
export function coverage(
  items: readonly ToDraw[],
  draws: readonly Drawn[]
): { readonly heard: number; readonly of: number } {
  let heard = 0;
  let of = 0;
  for (const item of items)
    for (const line of barsByLine(item)) {
      of += 1;
      if (draws.some((cut) => cut.itemId === item.id && cut.fromBar <= line.at(-1)! && cut.toBar >= line[0]!))
        heard += 1;
    }
  return { heard, of };
}

/** Hard bars that no mock hears, by item; of what can be heard at all. */
export function unheardHard(
  items: readonly ToDraw[],
  draws: readonly Drawn[]
): { readonly itemId: string; readonly bars: readonly number[] }[] {
  return items.flatMap((item) => {
    const own = draws.filter(({ itemId }) => itemId === item.id);
    const isOpen = (bar: number) =>
      partsOf(item).some((part) => isIn(bar, part)) && !own.some((cut) => isIn(bar, cut));
    const bars = [...new Set(item.hard)].filter(isOpen).sort((a, b) => a - b);
    return bars.length > 0 ? [{ itemId: item.id, bars }] : [];
  });
}
const isIn = (bar: number, { fromBar, toBar }: BarRange) => bar >= fromBar && bar <= toBar;

/**
 * A cut of the usual length that hears the first of some bars, and as many of the rest as it has room for; it begins where a player would,
 * if that is near enough. RangeError where they lie outside what can be heard.
 */
export function cutAround(item: ToDraw, { fromBar, toBar }: BarRange): BarRange {
  const part = partsOf(item).find((one) => isIn(fromBar, one));
  if (!part) throw new RangeError('these bars are in no part that is heard');
  const [least, most] = barsOfCut(item);
  const last = Math.min(toBar, part.toBar, fromBar + most - 1);
  const starts = [part.fromBar, ...startsOf(item)].filter(
    (start) => isIn(start, part) && start <= fromBar && last - start < most
  );
  const first = starts.length > 0 ? Math.max(...starts) : fromBar;
  const end = Math.min(part.toBar, Math.max(last, first + least - 1));
  return { fromBar: Math.max(part.fromBar, Math.min(first, end - least + 1)), toBar: end };
}

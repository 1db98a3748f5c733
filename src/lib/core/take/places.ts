/**
 * Which bar sounds at a moment of a take, and when a bar begins: by the tempo and the metre from where the music begins, and through the bars
 * that were found by hand. Between two of them time is shared evenly; beyond the last it goes on at the tempo.
 */
import type { Take, TakeAnchor } from '../record';
import { type BarRange, type BeatUnit, type Bpm, type Milliseconds, beatsPerBar } from '../units';

export type Placed = Pick<Take, 'fromBar' | 'toBar' | 'tempo' | 'musicAtMs'> & {
  readonly anchors: readonly TakeAnchor[];
};

/** How long a bar lasts by the tempo, in ms; null where no tempo says it. */
function barMs(tempo: Take['tempo'], metre: string): Milliseconds | null {
  const beats = tempo && beatsPerBar(metre, tempo.unit);
  return beats ? (beats * 60_000) / tempo.bpm : null;
}

type Point = { readonly bar: number; readonly atMs: Milliseconds };

/** The beginning, the bars found by hand, and the last bar's end; null where neither a tempo nor a hand says where bars lie. */
function pointsOf(take: Placed, metre: string): readonly [Point, Point, ...Point[]] | null {
  const found = [...take.anchors].sort((a, b) => a.bar - b.bar);
  const isStartFound = found[0]?.bar === take.fromBar;
  const points: Point[] = [
    ...(isStartFound ? [] : [{ bar: take.fromBar, atMs: take.musicAtMs }]),
    // a bar found before an earlier one is a slip of the hand
    ...found.filter(({ atMs }, i) => found.slice(0, i).every((before) => before.atMs < atMs))
  ];
  const last = points.at(-1)!;
  const paced = barMs(take.tempo, metre) ?? paceOf(points);
  if (paced === null) return null;
  const end = { bar: Math.max(take.toBar, last.bar) + 1, atMs: 0 };
  const whole = [...points, { ...end, atMs: last.atMs + (end.bar - last.bar) * paced }];
  return whole as [Point, Point, ...Point[]];
}

const paceOf = (points: readonly Point[]): number | null => {
  const [first, last] = [points[0]!, points.at(-1)!];
  return points.length < 2 ? null : (last.atMs - first.atMs) / (last.bar - first.bar);
};

/** The bar that sounds at a moment, its number on the page; null before the music, after it, or where it is not known. */
export function barAt(take: Placed, metre: string, atMs: Milliseconds): number | null {
  const at = positionAt(take, metre, atMs);
  return at === null ? null : Math.floor(at + 1e-9);
}

/** The same with how much of the bar has passed: 5.5 is half of bar 5. */
function positionAt(take: Placed, metre: string, atMs: Milliseconds): number | null {
  const points = pointsOf(take, metre);
  const next = points?.findIndex((point) => point.atMs > atMs) ?? -1;
  if (!points || next < 1) return null;
  const [a, b] = [points[next - 1]!, points[next]!];
  return a.bar + ((atMs - a.atMs) * (b.bar - a.bar)) / (b.atMs - a.atMs);
}

/** When a bar begins, in ms from the take's beginning, or a part of one (5.5: half of bar 5 has passed); the bar behind the last gives its end. Null where it is not known. */
export function startOfBar(take: Placed, metre: string, bar: number): Milliseconds | null {
  const points = pointsOf(take, metre);
  const next = points?.findIndex((point) => point.bar >= bar) ?? -1;
  if (!points || next < 0 || bar < points[0]!.bar) return null;
  const b = points[next]!;
  if (b.bar === bar) return b.atMs;
  const a = points[next - 1]!;
  return a.atMs + ((bar - a.bar) * (b.atMs - a.atMs)) / (b.bar - a.bar);
}

/** From where to where some bars sound; null where it is not known, or they are not all in it. */
export function spanOfBars(
  take: Placed,
  metre: string,
  { fromBar, toBar }: BarRange
): { readonly fromMs: Milliseconds; readonly toMs: Milliseconds } | null {
  const fromMs = startOfBar(take, metre, fromBar);
  const toMs = startOfBar(take, metre, toBar + 1);
  return fromMs === null || toMs === null ? null : { fromMs, toMs };
}

/** The moment of one take at which the same music sounds as at a moment of another; the same moment where bars are not known. */
export function sameMusic(from: Placed, to: Placed, metre: string, atMs: Milliseconds): Milliseconds {
  const position = positionAt(from, metre, atMs);
  return (position === null ? null : startOfBar(to, metre, position)) ?? atMs;
}

/** What was played between the first and the last bar that were set by hand, in beats a minute of a unit; null where there are not two. */
export function measuredTempo(
  { anchors }: Pick<Placed, 'anchors'>,
  metre: string,
  unit: BeatUnit
): { readonly fromBar: number; readonly toBar: number; readonly bpm: Bpm } | null {
  const found = [...anchors].sort((a, b) => a.bar - b.bar);
  const [first, last] = [found[0], found.at(-1)];
  const beats = beatsPerBar(metre, unit);
  if (!first || !last || beats === null || last.bar === first.bar || last.atMs <= first.atMs) return null;
  const bpm = (60_000 * beats * (last.bar - first.bar)) / (last.atMs - first.atMs);
  return { fromBar: first.bar, toBar: last.bar, bpm };
}

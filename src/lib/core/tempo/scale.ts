/**
 * The traditional metronome scale: its settings, where a tempo lies on it in clicks, and what is really
 * clicked. Below 40 the click says the subdivision (a plain beat's half, a dotted beat's third), above 208
 * the double unit; the scale goes on there without a seam. Left to ladder.ts: which settings are climbed.
 * Source: the scale as widely printed on metronomes (from memory): 40 to 60 by 2, 60 to 72 by 3, 72 to 120
 * by 4, 120 to 144 by 6, 144 to 208 by 8.
 */
import {
  type Bpm,
  type BeatUnit,
  type Clicks,
  type Tempo,
  SAME_TEMPO,
  doubleOf,
  subdivisionOf
} from '../units';

const LOWEST_SETTING = 40;
const HIGHEST_SETTING = 208;

function steps(from: number, to: number, by: number): number[] {
  return Array.from({ length: (to - from) / by }, (_, i) => from + i * by);
}

export const TRADITIONAL_SCALE: readonly Bpm[] = [
  ...steps(40, 60, 2),
  ...steps(60, 72, 3),
  ...steps(72, 120, 4),
  ...steps(120, 144, 6),
  ...steps(144, 208, 8),
  208
];

/** The tempo as a metronome says it; null where even the subdivision or the double lies off the scale. */
export function clickOf(tempo: Tempo): Tempo | null {
  const { bpm, unit } = tempo;
  if (bpm >= LOWEST_SETTING && bpm <= HIGHEST_SETTING) return tempo;
  if (bpm < LOWEST_SETTING) {
    const smaller = subdivisionOf(unit);
    if (!smaller || bpm * smaller.parts < LOWEST_SETTING) return null;
    return { bpm: bpm * smaller.parts, unit: smaller.unit };
  }
  const larger = doubleOf(unit);
  return larger && bpm / 2 <= HIGHEST_SETTING ? { bpm: bpm / 2, unit: larger } : null;
}

/** The slowest and fastest bpm of `unit` that a click can say. */
export function clickableRange(unit: BeatUnit): { lowest: Bpm; highest: Bpm } {
  return {
    lowest: LOWEST_SETTING / (subdivisionOf(unit)?.parts ?? 1),
    highest: HIGHEST_SETTING * (doubleOf(unit) ? 2 : 1)
  };
}

/** All settings of `unit` strictly between two tempos, rising, in bpm of that unit. */
export function settingsBetween(low: Bpm, high: Bpm, unit: BeatUnit): Bpm[] {
  const parts = subdivisionOf(unit)?.parts;
  const below = parts ? TRADITIONAL_SCALE.map((s) => s / parts).filter((s) => s < LOWEST_SETTING) : [];
  const above = doubleOf(unit) ? TRADITIONAL_SCALE.map((s) => s * 2).filter((s) => s > HIGHEST_SETTING) : [];
  return [...below, ...TRADITIONAL_SCALE, ...above].filter(
    (s) => s > low * (1 + SAME_TEMPO) && s < high * (1 - SAME_TEMPO)
  );
}

/** Index on the printed scale, the fraction in between taken in log tempo; only for 40 to 208. */
function printedPosition(bpm: Bpm): Clicks {
  const next = TRADITIONAL_SCALE.findIndex((setting) => setting >= bpm);
  const [a, b] = [TRADITIONAL_SCALE[next - 1], TRADITIONAL_SCALE[next]!];
  return a === undefined ? 0 : next - 1 + Math.log(bpm / a) / Math.log(b / a);
}

const OCTAVE_BELOW: Record<number, Clicks> = { 2: printedPosition(80), 3: printedPosition(120) };
const OCTAVE_ABOVE: Clicks = printedPosition(208) - printedPosition(104);

/** Where a tempo lies on the scale, in clicks from 40; negative below. Throws RangeError off every click. */
export function clickPosition(tempo: Tempo): Clicks {
  const click = clickOf(tempo);
  if (!click) throw new RangeError(`no click can say ${tempo.unit} ${tempo.bpm}`);
  if (tempo.bpm < LOWEST_SETTING) {
    return printedPosition(click.bpm) - OCTAVE_BELOW[subdivisionOf(tempo.unit)!.parts]!;
  }
  return printedPosition(click.bpm) + (tempo.bpm > HIGHEST_SETTING ? OCTAVE_ABOVE : 0);
}

/**
 * Clicks from one tempo up to another of the same unit; negative where it goes down. What was played off every click counts as the slowest
 * or the fastest that one can say.
 */
export function clicksBetween(from: Bpm, to: Bpm, unit: BeatUnit): Clicks {
  const { lowest, highest } = clickableRange(unit);
  const position = (bpm: Bpm) => clickPosition({ bpm: Math.min(highest, Math.max(lowest, bpm)), unit });
  return position(to) - position(from);
}

/** The setting so many whole clicks below a tempo, the nearest below being the first; the lowest where there are fewer. */
export function clicksLower(bpm: Bpm, unit: BeatUnit, clicks: Clicks): Bpm {
  if (clicks === 0) return bpm;
  const below = settingsBetween(0, bpm, unit);
  return below.at(-clicks) ?? below[0] ?? bpm;
}

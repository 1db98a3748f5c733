/**
 * Beat units and metres: what a tempo counts, and how many of those a bar has.
 * Every duration is measured in sixteenths of a plain note, so that comparisons are exact.
 */
import type { Bpm } from './quantity';

export const BEAT_UNITS = [
  'whole',
  'dotted-half',
  'half',
  'dotted-quarter',
  'quarter',
  'dotted-eighth',
  'eighth',
  'dotted-sixteenth',
  'sixteenth'
] as const;

export type BeatUnit = (typeof BEAT_UNITS)[number];

/** Length in thirty-second notes. */
const LENGTH: Record<BeatUnit, number> = {
  whole: 32,
  'dotted-half': 24,
  half: 16,
  'dotted-quarter': 12,
  quarter: 8,
  'dotted-eighth': 6,
  eighth: 4,
  'dotted-sixteenth': 3,
  sixteenth: 2
};

export type Tempo = { readonly bpm: Bpm; readonly unit: BeatUnit };

/** Relative difference under which two tempos are one: conversions between units leave rounding behind. */
export const SAME_TEMPO = 1e-9;

/** The same speed told in another unit: dotted quarter 58 is eighth 174 is quarter 87. */
export function tempoIn(tempo: Tempo, unit: BeatUnit): Bpm {
  return (tempo.bpm * LENGTH[tempo.unit]) / LENGTH[unit];
}

/** "dotted quarter", for words; on screens the note is drawn. */
export function sayUnit(unit: BeatUnit): string {
  return unit.replace('-', ' ');
}

const METRE = /^(\d{1,2})\/(1|2|4|8|16|32)$/;

/** Beats a bar of a metre such as "6/8" has in `unit`; null where the text is no metre. */
export function beatsPerBar(metre: string, unit: BeatUnit): number | null {
  const match = METRE.exec(metre);
  if (!match || Number(match[1]) === 0) return null;
  return (Number(match[1]) * (32 / Number(match[2]))) / LENGTH[unit];
}

const SUBDIVISION: Partial<Record<BeatUnit, { unit: BeatUnit; parts: number }>> = {
  whole: { unit: 'half', parts: 2 },
  half: { unit: 'quarter', parts: 2 },
  quarter: { unit: 'eighth', parts: 2 },
  eighth: { unit: 'sixteenth', parts: 2 },
  'dotted-half': { unit: 'quarter', parts: 3 },
  'dotted-quarter': { unit: 'eighth', parts: 3 },
  'dotted-eighth': { unit: 'sixteenth', parts: 3 }
};

/** The next smaller unit one clicks when the beat is too slow: two to a plain beat, three to a dotted one. */
export function subdivisionOf(unit: BeatUnit): { unit: BeatUnit; parts: number } | null {
  return SUBDIVISION[unit] ?? null;
}

const DOUBLE: Partial<Record<BeatUnit, BeatUnit>> = {
  half: 'whole',
  quarter: 'half',
  eighth: 'quarter',
  sixteenth: 'eighth',
  'dotted-quarter': 'dotted-half',
  'dotted-eighth': 'dotted-quarter',
  'dotted-sixteenth': 'dotted-eighth'
};

/** The unit of twice the length, clicked when the beat is too fast; null for whole and dotted half. */
export function doubleOf(unit: BeatUnit): BeatUnit | null {
  return DOUBLE[unit] ?? null;
}

/** A tempo's number as a metronome has it: whole. What a click of another unit says of a tempo may lie between (eighth 63 is quarter 31.5). */
export const sayBpm = (bpm: Bpm): string => String(Math.round(bpm));

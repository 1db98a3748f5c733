/**
 * Notes and their frequencies: equal temperament over a reference A, pure thirds and fifths over a root where that is asked, and the written
 * note of instruments that transpose. Notes are numbered by half steps, 69 being the A above middle C.
 */
export type NoteNumber = number;
/** In Hz. */
export type Frequency = number;
/** A hundredth of an equal half step. */
export type Cents = number;

export const LOWEST_A: Frequency = 415;
export const HIGHEST_A: Frequency = 466;
const A: NoteNumber = 69;

const NAMES = ['C', 'C♯', 'D', 'E♭', 'E', 'F', 'F♯', 'G', 'G♯', 'A', 'B♭', 'B'] as const;
/** Of its octave, without its number. */
export const nameOfNote = (note: NoteNumber): string => NAMES[((note % 12) + 12) % 12]!;
/** In scientific numbering: middle C is in octave 4. */
export const octaveOf = (note: NoteNumber): number => Math.floor(note / 12) - 1;

export const frequencyOf = (note: NoteNumber, a: Frequency): Frequency => a * 2 ** ((note - A) / 12);

/** Cents from an equal step by which pure intervals lie beside it, by half steps over the root (6:5, 5:4, 3:2, 8:5, 5:3). */
const PURE: Readonly<Record<number, Cents>> = {
  3: 1200 * Math.log2(6 / 5) - 300,
  4: 1200 * Math.log2(5 / 4) - 400,
  7: 1200 * Math.log2(3 / 2) - 700,
  8: 1200 * Math.log2(8 / 5) - 800,
  9: 1200 * Math.log2(5 / 3) - 900
};
/** By how much a note is meant to lie beside its equal place; over no root it is there. */
const beside = (note: NoteNumber, root: NoteNumber | null): Cents =>
  root === null ? 0 : (PURE[(((note - root) % 12) + 12) % 12] ?? 0);

export type Heard = { readonly note: NoteNumber; readonly cents: Cents };

/** The nearest note, and by how many cents it is high (or low, below 0) of where it is meant. `root` of pure intervals, null: all equal. */
export function heardAs(frequency: Frequency, a: Frequency, root: NoteNumber | null): Heard {
  const place = A + 12 * Math.log2(frequency / a);
  const note = Math.round(place);
  return { note, cents: (place - note) * 100 - beside(note, root) };
}

/** What sounds as a drone: its root, and the fifth over it where that is wished, equal or pure. */
export function droneOf(
  root: NoteNumber,
  a: Frequency,
  { hasFifth, isPure }: { readonly hasFifth: boolean; readonly isPure: boolean }
): Frequency[] {
  const first = frequencyOf(root, a);
  return hasFifth ? [first, isPure ? first * 1.5 : frequencyOf(root + 7, a)] : [first];
}

/** Half steps by which the written note lies above the sounding one, within an octave; octaves are beside it. */
export const WRITTEN_FOR = {
  C: 0,
  'B flat': 2,
  A: 3,
  F: 7,
  'E flat': -3,
  D: -2
} as const;
export type WrittenFor = keyof typeof WRITTEN_FOR;

export const writtenNote = (sounding: NoteNumber, of: WrittenFor, octaves: number): NoteNumber =>
  sounding + WRITTEN_FOR[of] + 12 * octaves;
export const soundingNote = (written: NoteNumber, of: WrittenFor, octaves: number): NoteNumber =>
  written - WRITTEN_FOR[of] - 12 * octaves;

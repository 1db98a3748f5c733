/** How pitch is set on this device. What is unreadable there is as if nothing was set. */
import { HIGHEST_A, LOWEST_A, WRITTEN_FOR, type WrittenFor } from '$lib/core/pitch/notes';

export type PitchSettings = {
  /** In Hz. */
  readonly a: number;
  readonly writtenFor: WrittenFor;
  /** Octaves that it is written above what sounds. */
  readonly octaves: number;
  /** The drone's sounding note. */
  readonly root: number;
  readonly hasFifth: boolean;
  /** Thirds and fifths over the drone are meant pure. */
  readonly isPure: boolean;
};
export const USUAL_PITCH: PitchSettings = {
  a: 440,
  writtenFor: 'C',
  octaves: 0,
  root: 62,
  hasFifth: false,
  isPure: false
};
const PLACE = 'irvot-pitch-settings';

export function readPitchSettings(): PitchSettings {
  try {
    const read = {
      ...USUAL_PITCH,
      ...(JSON.parse(localStorage.getItem(PLACE) ?? '{}') as object)
    } as PitchSettings;
    const isSound =
      read.a >= LOWEST_A &&
      read.a <= HIGHEST_A &&
      read.writtenFor in WRITTEN_FOR &&
      [-2, -1, 0, 1, 2].includes(read.octaves) &&
      Number.isInteger(read.root) &&
      read.root >= 24 &&
      read.root <= 84;
    return isSound ? read : USUAL_PITCH;
  } catch {
    return USUAL_PITCH;
  }
}
export const keepPitchSettings = (settings: PitchSettings) =>
  localStorage.setItem(PLACE, JSON.stringify(settings));

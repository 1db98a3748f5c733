/** What the first seconds of a microphone say: too loud, next to nothing, or well. */

/** Full scale is 1; above this the microphone clips (judgement: 0.2 dB under full scale). */
const CLIPS = 0.977;
/** A room is louder than this with anybody playing in it (judgement: 46 dB under full scale). */
const SILENT = 0.005;

export type LevelFault = 'clips' | 'silent';

/** `loudest` is the largest sample since it began; null while nothing is wrong. Near silence is said only when the seconds to judge by are over. */
export function levelFault(loudest: number, isOver: boolean): LevelFault | null {
  if (loudest >= CLIPS) return 'clips';
  return isOver && loudest < SILENT ? 'silent' : null;
}

export const LEVEL_WORDS: Readonly<Record<LevelFault, string>> = {
  clips: 'Too loud for the microphone: move it farther away.',
  silent: 'Next to nothing is heard: is this the right microphone, and is it on?'
};

/** What has to hold besides the notes (handbook section 3): what all share, and what instruments add or swap. */
import type { InstrumentFamily } from '../record/family';

export const ELEMENTS = [
  'rhythm',
  'intonation',
  'articulation',
  'dynamics',
  'tone',
  'air',
  'fingers',
  'ease',
  'bowing',
  'shifts',
  'voicing',
  'pedal',
  'sticking',
  'evenness',
  'breath',
  'words'
] as const;
export type Element = (typeof ELEMENTS)[number];

/** Where it is not known what is played: what every list had before there were others. */
const COMMON = ELEMENTS.slice(0, 8);
const OF_FAMILY: Readonly<Record<InstrumentFamily, readonly Element[]>> = {
  winds: COMMON,
  brass: COMMON,
  strings: ['rhythm', 'intonation', 'articulation', 'dynamics', 'tone', 'bowing', 'shifts', 'ease'],
  plucked: ['rhythm', 'articulation', 'dynamics', 'tone', 'fingers', 'shifts', 'evenness', 'ease'],
  keyboard: ['rhythm', 'articulation', 'dynamics', 'tone', 'voicing', 'pedal', 'fingers', 'ease'],
  // drums have no pitch; timpani and mallets do, and may say it in the spot's words
  percussion: ['rhythm', 'articulation', 'dynamics', 'tone', 'sticking', 'evenness', 'ease'],
  voice: ['rhythm', 'intonation', 'articulation', 'dynamics', 'tone', 'breath', 'words', 'ease']
};

/** What is asked about at an instrument, in the order of a panel's ear where there is one. */
export const elementsFor = (family: InstrumentFamily | null): readonly Element[] =>
  family === null ? COMMON : OF_FAMILY[family];

/** Of a word such as `-rhythm`, or its beginning; undefined where it is none. */
export const elementOf = (word: string): Element | undefined =>
  ELEMENTS.find((element) => element.startsWith(word.slice(1).toLowerCase()));
/** What is said of a word that stands where an element would and is none. */
export const sayNoElement = (word: string) => `“${word}” is none of the elements ${ELEMENTS.join(', ')}`;

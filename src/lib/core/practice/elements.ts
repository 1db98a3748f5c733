/** What has to hold besides the notes (handbook section 3); instruments add their own. */
export const ELEMENTS = [
  'rhythm',
  'intonation',
  'articulation',
  'dynamics',
  'tone',
  'air',
  'fingers',
  'ease'
] as const;
export type Element = (typeof ELEMENTS)[number];

/** Of a word such as `-rhythm`, or its beginning; undefined where it is none. */
export const elementOf = (word: string): Element | undefined =>
  ELEMENTS.find((element) => element.startsWith(word.slice(1).toLowerCase()));
/** What is said of a word that stands where an element would and is none. */
export const sayNoElement = (word: string) => `“${word}” is none of the elements ${ELEMENTS.join(', ')}`;

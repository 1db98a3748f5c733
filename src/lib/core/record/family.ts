/** Instrument families, and the words by which an instrument is known to be of one. */
export const INSTRUMENT_FAMILIES = [
  'winds',
  'brass',
  'strings',
  'plucked',
  'keyboard',
  'percussion',
  'voice'
] as const;
export type InstrumentFamily = (typeof INSTRUMENT_FAMILIES)[number];

const PLAYS: readonly (readonly [InstrumentFamily, RegExp])[] = [
  ['winds', /oboe|bassoon|clarinet|sax|flute|piccolo|recorder|anglais|english horn|wind/i],
  ['brass', /horn|trumpet|trombone|tuba|cornet|euphonium|brass/i],
  ['strings', /violin|viola|cello|bass|string|gamba/i],
  ['plucked', /guitar|harp|lute|mandolin/i],
  ['keyboard', /piano|organ|keyboard|harpsichord|accordion/i],
  ['percussion', /percussion|drum|timpani|marimba|xylophone|vibraphone/i],
  ['voice', /voice|soprano|alto|tenor|baritone|singing/i]
];

/** The family of what somebody plays, as they wrote it; null where no word is known. */
export const familyOf = (instruments: string): InstrumentFamily | null =>
  PLAYS.find(([, plays]) => plays.test(instruments))?.[0] ?? null;

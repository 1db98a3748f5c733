/**
 * A method's pattern, written as note values: beats apart by spaces, the notes of one beam by commas; `8.` is a dotted eighth, `r16` a rest,
 * `>` behind a note an accent, `|` a barline.
 */
export type PatternNote = {
  /** 1, 2, 4, 8 or 16. */
  readonly value: number;
  readonly isDotted: boolean;
  readonly isRest: boolean;
  readonly isAccented: boolean;
};
export type PatternGroup =
  { readonly kind: 'barline' } | { readonly kind: 'notes'; readonly notes: readonly PatternNote[] };

/** Throws RangeError where it is none. */
export function readPattern(text: string): PatternGroup[] {
  return text
    .split(' ')
    .map((group) =>
      group === '|' ? { kind: 'barline' } : { kind: 'notes', notes: group.split(',').map(readNote) }
    );
}

function readNote(text: string): PatternNote {
  const read = /^(r?)(1|2|4|8|16)(\.?)(>?)$/.exec(text);
  if (!read) throw new RangeError(`no note value: ${text}`);
  return {
    value: Number(read[2]),
    isDotted: read[3] === '.',
    isRest: read[1] === 'r',
    isAccented: read[4] === '>'
  };
}

/** Its length in quarters. */
export const lengthOf = ({ value, isDotted }: PatternNote): number => (4 / value) * (isDotted ? 1.5 : 1);

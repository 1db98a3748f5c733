/** Where the words of dates stand on the time axis: in two rows, beside their mark, and none where they would collide. */

export type DateLabel = { readonly text: string; readonly at: number };
export type PlacedLabel = DateLabel & {
  /** The words end at the mark instead of beginning there. */
  readonly isRight: boolean;
  /** 0 or 1 from above; null where there is no room for words, only for the mark. */
  readonly row: 0 | 1 | null;
};

/** Mean width of a character at the size of these labels, with a margin (measured on the shipped type). */
const PX_PER_CHARACTER = 6;
const MARGIN_PX = 10;

/** Labels in time order; `at` in per cent of an axis `axisPx` wide. The first come first. */
export function placeLabels(labels: readonly DateLabel[], axisPx: number): PlacedLabel[] {
  const taken: [from: number, to: number][][] = [[], []];
  const isFree = (row: number, from: number, to: number) =>
    from >= 0 && to <= axisPx && taken[row]!.every(([a, b]) => to <= a || from >= b);
  return labels.map((label) => {
    const [x, width] = [(label.at / 100) * axisPx, label.text.length * PX_PER_CHARACTER + MARGIN_PX];
    for (const isRight of [label.at > 62, label.at <= 62])
      for (const row of [0, 1] as const) {
        const [from, to] = isRight ? [x - width, x] : [x, x + width];
        if (!isFree(row, from, to)) continue;
        taken[row]!.push([from, to]);
        return { ...label, isRight, row };
      }
    return { ...label, isRight: false, row: null };
  });
}

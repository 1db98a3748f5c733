/** The lines of a page, as they are typed: bars in each, pages parted by a slash: "5 4 4 5 / 4 4 6". */
import type { BarRange } from '../units';

const MOST_BARS_A_LINE = 60;

/** Bars in each line of each page, or null where the text is something else. */
export function readLines(text: string): number[][] | null {
  if (text.trim() === '') return [];
  const pages = text.split('/').map((page) => page.trim().split(/\s+/).map(Number));
  const isLine = (bars: number) => Number.isInteger(bars) && bars > 0 && bars <= MOST_BARS_A_LINE;
  return pages.every((page) => page.every(isLine)) ? pages : null;
}

/** Where the page is not known. */
const BARS_A_LINE = 8;

/** The numbers of an item's bars, line by line as they stand on the page; where that is not known, or does not fit, in eights. */
export function barsByLine(item: BarRange & { readonly barsPerLine?: string | undefined }): number[][] {
  const all = item.toBar - item.fromBar + 1;
  const known = (readLines(item.barsPerLine ?? '') ?? []).flat();
  const fits = known.reduce((sum, bars) => sum + bars, 0) === all;
  const inEights = Array.from({ length: Math.ceil(all / BARS_A_LINE) }, (_, i) =>
    Math.min(BARS_A_LINE, all - i * BARS_A_LINE)
  );
  let next = item.fromBar;
  return (fits ? known : inEights).map((length) => Array.from({ length }, () => next++));
}

/** The lines of a page, as they are typed: bars in each, pages parted by a slash: "5 4 4 5 / 4 4 6". */
const MOST_BARS_A_LINE = 60;

/** Bars in each line of each page, or null where the text is something else. */
export function readLines(text: string): number[][] | null {
  if (text.trim() === '') return [];
  const pages = text.split('/').map((page) => page.trim().split(/\s+/).map(Number));
  const isLine = (bars: number) => Number.isInteger(bars) && bars > 0 && bars <= MOST_BARS_A_LINE;
  return pages.every((page) => page.every(isLine)) ? pages : null;
}

/** What a page, its worker and the studio must name alike, so that a device can show days without a line. */

/** A page's data say who answered: the studio writes the first; the worker, which answers from what was kept, puts the second in its place. */
export const BY_STUDIO = 'answered by the studio';
export const BY_DEVICE = 'answered by the device';

/** The page that stands for every other where there is no line. */
export const AWAY = '/away';

/** Where the data of a page are asked for. */
export const dataOf = (path: string) => `${path === '/' ? '' : path}/__data.json`;

/** Of one build: another's program cannot read its data. */
export const pagesOf = (version: string) => `irvot pages ${version}`;
export const programOf = (version: string) => `irvot program ${version}`;

/** What a page says to a worker that waits to take over. */
export const TAKE_OVER = 'take over';

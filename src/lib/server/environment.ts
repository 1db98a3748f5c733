/** What the environment says: IRVOT_DATA (directory), IRVOT_DEMO (1), IRVOT_NOW (an ISO instant the clock stands at). */
const { env } = process;

export const dataDirectory = () => env.IRVOT_DATA ?? 'data';
export const isDemo = () => env.IRVOT_DEMO === '1';

/** Throws RangeError where IRVOT_NOW is no instant. */
export function readClock(): () => number {
  if (!env.IRVOT_NOW) return Date.now;
  const fixed = Date.parse(env.IRVOT_NOW);
  if (Number.isNaN(fixed)) throw new RangeError(`IRVOT_NOW is not an instant: ${env.IRVOT_NOW}`);
  return () => fixed;
}

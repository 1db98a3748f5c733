/**
 * At-tempo chunks: a section cut into chunks that are worked at the final tempo. A chunk is repeated until it is right, then joined
 * with its neighbour, then the first is dropped, and so on; at the end the whole. Every bar and every join is covered.
 * Source: handbook section 3 (common practice, no published source).
 */

export type Bars = { readonly fromBar: number; readonly toBar: number };

/** A chunk, and the bars in which it is joined with its neighbour; the last link is the whole section, without a chunk of its own. */
export type Link = { readonly chunk: Bars | null; readonly joined: Bars };

/** Shorter chunks than these are hardly music (judgement). */
const LEAST_CHUNK_BARS = 4;
/** More chunks than these are a list nobody follows: they get longer instead (judgement). */
const MOST_CHUNKS = 8;

/** Chunks of a section in order, of nearly equal length; one where it is short. */
export function cutChunks({ fromBar, toBar }: Bars): Bars[] {
  const bars = toBar - fromBar + 1;
  const count = Math.min(MOST_CHUNKS, Math.max(1, Math.floor(bars / LEAST_CHUNK_BARS)));
  return Array.from({ length: count }, (_, i) => ({
    fromBar: fromBar + Math.round((i * bars) / count),
    toBar: fromBar + Math.round(((i + 1) * bars) / count) - 1
  }));
}

/** The links of a chain, from the first chunk on or backwards from the last; a section of one chunk is its whole alone. */
export function layChain(section: Bars, isBackward = false): Link[] {
  const inOrder = cutChunks(section);
  const chunks = isBackward ? inOrder.reverse() : inOrder;
  const whole: Link = { chunk: null, joined: { fromBar: section.fromBar, toBar: section.toBar } };
  if (chunks.length === 1) return [whole];
  return [...chunks.map((chunk, i) => ({ chunk, joined: join(chunk, chunks[i - 1] ?? chunk) })), whole];
}

/** The chunk that bars of a chain join, and the one it is joined to; undefined where they are a chunk alone, or no link of it. */
export function linkOf(
  section: Bars,
  bars: Bars,
  isBackward: boolean
): { readonly chunk: Bars; readonly to: Bars } | undefined {
  const { fromBar, toBar } = bars;
  const isThese = (one: Bars) => one.fromBar === fromBar && one.toBar === toBar;
  const chunk = layChain(section, isBackward).find(({ joined }) => isThese(joined))?.chunk;
  if (!chunk || isThese(chunk)) return undefined;
  const to = isBackward ? { fromBar: chunk.toBar + 1, toBar } : { fromBar, toBar: chunk.fromBar - 1 };
  return { chunk: { ...chunk }, to };
}

function join(a: Bars, b: Bars): Bars {
  return { fromBar: Math.min(a.fromBar, b.fromBar), toBar: Math.max(a.toBar, b.toBar) };
}

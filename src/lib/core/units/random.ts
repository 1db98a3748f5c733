/** Chance that comes out the same every time: for draws that can be repeated and explained. */

/** Numbers from 0 up to 1 (mulberry32, public domain, from memory), the same for a seed in every run. */
export function randomFrom(seed: number): () => number {
  let state = seed;
  return () => {
    state = (state + 0x6d2b79f5) | 0;
    let t = Math.imul(state ^ (state >>> 15), 1 | state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4_294_967_296;
  };
}

/** A seed of words (FNV-1a, 32 bits). */
export function seedOf(words: string): number {
  let hash = 0x811c9dc5;
  for (let i = 0; i < words.length; i += 1) hash = Math.imul(hash ^ words.charCodeAt(i), 0x01000193);
  return hash >>> 0;
}

/** In an order of chance, each as likely as any other (Fisher and Yates). */
export function shuffled<T>(list: readonly T[], random: () => number): T[] {
  const drawn = [...list];
  for (let i = drawn.length - 1; i > 0; i -= 1) {
    const j = Math.floor(random() * (i + 1));
    [drawn[i], drawn[j]] = [drawn[j]!, drawn[i]!];
  }
  return drawn;
}

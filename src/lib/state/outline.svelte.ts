/** The outline of a take's sound: as it was kept, or read here the first time somebody listens. */
export class Outline {
  peaks = $state.raw<readonly number[]>([]);
  /** How much of it is read; null while nothing is. */
  share = $state<number | null>(null);

  /** `sound` is where it is fetched, `keep` where the outline is kept for the next who listens; null keeps it here. */
  async open(known: readonly number[] | null, sound: string, keep: string | null, signal: AbortSignal) {
    if (known) return void (this.peaks = known);
    this.share = 0;
    try {
      const [answer, { outlineOf }] = await Promise.all([
        fetch(sound, { signal }),
        import('$lib/workers/wave.client')
      ]);
      const peaks = await outlineOf(await answer.arrayBuffer(), (share) => (this.share = share), signal);
      if (!peaks) return;
      this.peaks = peaks;
      if (keep)
        await fetch(keep, {
          method: 'POST',
          headers: { 'content-type': 'application/json' },
          body: JSON.stringify({ peaks })
        });
    } catch {
      // without its outline it can be heard all the same
    } finally {
      this.share = null;
    }
  }
}

<!-- A method's rhythm in note values, one beam a beat, up to the next downbeat. -->
<script lang="ts">
  import { type PatternNote, lengthOf, readPattern } from '$lib/core/practice';

  let { pattern }: { pattern: string } = $props();

  const HEAD = 26;
  /** Room a quarter takes, in px. */
  const QUARTER = 62;
  const GAP = 12;
  const STEM_TOP = 12;
  const BASE = 62;

  type Drawn = PatternNote & { readonly x: number };
  const laid = $derived.by(() => {
    let x = 10;
    const barlines: number[] = [];
    const groups: Drawn[][] = [];
    for (const group of readPattern(pattern)) {
      if (group.kind === 'barline') {
        barlines.push(x);
        x += GAP * 1.6;
        continue;
      }
      groups.push(
        group.notes.map((note) => {
          const at = x;
          x += Math.max(HEAD, lengthOf(note) * QUARTER);
          return { ...note, x: at };
        })
      );
      x += GAP;
    }
    return { groups, barlines, width: x };
  });
  const beamsOf = ({ value }: PatternNote) => (value === 16 ? 2 : value === 8 ? 1 : 0);
  const stem = (x: number) => x + 11.5;

  /** From which note to which each beam runs; a lone one is a stub towards its neighbour. */
  function beams(group: readonly Drawn[]) {
    const notes = group.filter(({ isRest }) => !isRest);
    return [1, 2].flatMap((level) => {
      const runs: Drawn[][] = [];
      notes.forEach((note, i) => {
        if (beamsOf(note) < level) return;
        const joins = i > 0 && beamsOf(notes[i - 1]!) >= level;
        if (joins) runs.at(-1)!.push(note);
        else runs.push([note]);
      });
      return runs.map((run) => {
        const [first, last] = [run[0]!, run.at(-1)!];
        const isLone = run.length === 1;
        const isLast = notes.at(-1) === last;
        const from = stem(first.x) - (isLone && isLast && notes.length > 1 ? 12 : 0);
        const to = stem(last.x) + (isLone && !(isLast && notes.length > 1) ? 12 : 0);
        return { x: from, width: to - from, y: STEM_TOP + (level - 1) * 9 };
      });
    });
  }
  const words = $derived(
    pattern.includes('|') ? 'The rhythm as it is played, up to the downbeat' : 'The rhythm as it is played'
  );
</script>

<svg viewBox="0 0 {laid.width} 88" role="img" aria-label={words}>
  {#each laid.groups as group, g (g)}
    {#each group as note (note.x)}
      {#if note.isRest}
        <path d="M{note.x + 4} {BASE - 22}h9l-5 26" fill="none" stroke="currentColor" stroke-width="2.4" />
        <circle cx={note.x + 4} cy={BASE - 21} r="3.4" fill="currentColor" />
        {#if note.value === 16}<circle cx={note.x + 2} cy={BASE - 10} r="3.4" fill="currentColor" />{/if}
      {:else}
        <ellipse
          cx={note.x + 5}
          cy={BASE}
          rx="7.6"
          ry="5.4"
          transform="rotate(-20 {note.x + 5} {BASE})"
          fill={note.value === 2 ? 'none' : 'currentColor'}
          stroke="currentColor"
          stroke-width="2"
        />
        <path d="M{stem(note.x)} {BASE - 3}V{STEM_TOP}" stroke="currentColor" stroke-width="2.2" />
      {/if}
      {#if note.isDotted}<circle
          cx={note.x + (note.isRest ? 17 : 19)}
          cy={BASE - 2}
          r="2.4"
          fill="currentColor"
        />{/if}
      {#if note.isAccented}<path
          d="M{note.x - 3} {BASE + 12}l15 5l-15 5"
          fill="none"
          stroke="currentColor"
          stroke-width="2"
        />{/if}
    {/each}
    {#each beams(group) as beam, b (b)}<rect
        x={beam.x}
        y={beam.y}
        width={beam.width}
        height="6"
        fill="currentColor"
      />{/each}
  {/each}
  {#each laid.barlines as x (x)}<path
      d="M{x} {STEM_TOP}V{BASE + 8}"
      stroke="currentColor"
      stroke-width="2"
    />{/each}
</svg>

<style>
  svg {
    display: block;
    width: 100%;
    max-width: 440px;
    max-height: 84px;
  }
</style>

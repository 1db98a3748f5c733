<!-- A probe, or the microscope: once straight through at one tempo; then the bars that broke are tapped, and become spots. -->
<script lang="ts">
  import { rangesOf, sayBroken } from '$lib/core/practice';
  import type { DeskBlock } from '$lib/core/practice';
  import type { HuntToDo } from '$lib/core/record';
  import { clickOf } from '$lib/core/tempo';
  import { type BarRange, type Bpm, sayBars } from '$lib/core/units';
  import NoteValue from '$lib/components/note/NoteValue.svelte';
  import BarCells from './BarCells.svelte';
  import OneAnswer from './OneAnswer.svelte';
  import { sayAt } from './tempo-words';

  let {
    block,
    hunt,
    bpm,
    bars,
    barNow,
    onTempo,
    onPlayed,
    onDone
  }: {
    block: DeskBlock;
    hunt: HuntToDo;
    /** The tempo taken, of those it offers. */
    bpm: Bpm;
    bars: BarRange;
    /** The bar that is clicked just now; null where none is. */
    barNow: () => number | null;
    onTempo: (bpm: Bpm) => unknown;
    /** The music is over, and where it broke is asked. */
    onPlayed: () => unknown;
    /** The bars that broke, as they follow each other. */
    onDone: (broken: readonly BarRange[]) => unknown;
  } = $props();

  let isPlayed = $state(false);
  let broken = $state.raw<readonly number[]>([]);
  const isProbe = $derived(block.kind === 'probe');
  const inHand = $derived({ bpm, unit: hunt.unit });
  const click = $derived(clickOf(inHand) ?? inHand);
  const numbers = $derived(Array.from({ length: bars.toBar - bars.fromBar + 1 }, (_, i) => bars.fromBar + i));
  const toggle = (bar: number) =>
    (broken = broken.includes(bar) ? broken.filter((one) => one !== bar) : [...broken, bar]);

  /** The one key: the end of the music, then the end of the hunt. */
  export function next(): unknown {
    if (isPlayed) return onDone(rangesOf(broken));
    isPlayed = true;
    onPlayed();
  }
  /** While it is played, the bar that broke just now; afterwards, back to it. */
  export function back() {
    if (isPlayed) return void (isPlayed = broken.length > 0);
    const bar = barNow();
    if (bar !== null && numbers.includes(bar)) broken = [...new Set([...broken, bar])];
  }
</script>

<div class="hunt">
  <p class="what">{block.name}, {sayBars(bars)}</p>
  {#if !isPlayed}
    <h1>{isProbe ? 'Once, straight through' : 'Slowly, with the page'}</h1>
    <p class="tempo"><NoteValue unit={click.unit} height={80} /> {sayAt(bpm, hunt.unit, click)}</p>
    {#if hunt.choices}<div class="choices" role="group" aria-label="How fast">
        {#each hunt.choices as choice, i (i)}<button
            aria-pressed={choice === bpm}
            onclick={() => onTempo(choice)}>{sayAt(choice, hunt.unit, click)}</button
          >{/each}
      </div>{/if}
    <p class="says">
      {isProbe
        ? 'Faster than ever: go on whatever breaks, and notice where. It counts for nothing else.'
        : 'Half of the tempo at which it held: every slip shows. Notice where, and go on.'}
      {#if broken.length > 0}<b>{broken.length === 1 ? 'Bar' : 'Bars'} {broken.join(', ')}.</b>{:else}<span
          class="soft">With the click on, “not yet” marks the bar in passing.</span
        >{/if}
    </p>
  {:else}
    <h1>{isProbe ? 'Which bars broke?' : 'Where did it slip?'}</h1>
    <BarCells {numbers} picked={broken} onToggle={toggle} />
    <p class="says" role="status">
      {isProbe
        ? sayBroken(broken.length, numbers.length)
        : broken.length === 0
          ? 'Nothing slipped.'
          : `${broken.length} of ${numbers.length} bars.`}
      {broken.length > 0 ? 'They become spots.' : ''}
    </p>
  {/if}
</div>
<OneAnswer word={isPlayed ? 'that was all' : 'the end'} onPick={next} />

<style>
  .hunt {
    display: grid;
    flex: 1;
    align-content: safe center;
    gap: 12px;
    min-height: 0;
    padding: 4px 24px;
    overflow: auto;
  }
  .what {
    font-size: clamp(16px, 2.2vw, 24px);
    font-stretch: 84%;
  }
  h1 {
    font-size: clamp(36px, 6vw, 72px);
    line-height: 1;
  }
  .tempo {
    font-size: clamp(96px, 17vw, 190px);
    font-weight: 700;
    line-height: 1;
  }
  .says {
    max-width: 32em;
    font-size: clamp(20px, 2.8vw, 32px);
    font-stretch: 88%;
    line-height: 1.2;
  }
  .choices {
    display: flex;
    flex-wrap: wrap;
    gap: 6px;
  }
  .choices button {
    min-width: 72px;
    min-height: 48px;
    border: 1px solid var(--soft);
    background: none;
    font-size: 22px;
  }
  .choices [aria-pressed='true'] {
    border: 3px solid var(--ink);
    font-weight: 700;
  }
  @media (max-width: 720px) {
    .hunt {
      padding: 4px 16px;
    }
  }
</style>

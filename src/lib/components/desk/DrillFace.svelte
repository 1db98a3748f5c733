<!-- The difficulty, taken out of the music: what can be done with it, and the time for it; then the bars. -->
<script lang="ts">
  import type { DeskBlock } from '$lib/core/practice';
  import { sayBars } from '$lib/core/units';
  import OneAnswer from './OneAnswer.svelte';
  import { sayClock } from './minutes';

  let {
    block,
    issues,
    seconds,
    onDone
  }: {
    block: DeskBlock;
    /** What is wrong in its bars, as its spots say. */
    issues: readonly string[];
    seconds: number;
    onDone: () => unknown;
  } = $props();

  const left = $derived((block.drillMin ?? 0) * 60 - seconds);
  /** Handbook, section 3 (common practice, no published source). */
  const WAYS = ['the stroke, on a scale', 'the shape, in other keys', 'the rhythm, on one note'];
</script>

<div class="drill">
  <p class="what">{block.name}{block.bars ? `, ${sayBars(block.bars)}` : ''}</p>
  <h1>The motion alone, without the piece</h1>
  <ol>
    {#each WAYS as way (way)}<li>{way}</li>{/each}
  </ol>
  <p class="left" role="timer">{sayClock(Math.max(0, left))}</p>
  {#if issues.length > 0}<p class="what">What is wrong there: {issues.join(' · ')}</p>{/if}
</div>
<OneAnswer word={left > 0 ? 'into the bars' : 'time for the bars'} onPick={onDone} />

<style>
  .drill {
    display: grid;
    grid-template-columns: minmax(0, 1fr) auto;
    flex: 1;
    align-content: safe center;
    gap: 10px 32px;
    min-height: 0;
    padding: 4px 24px;
    overflow: auto;
  }
  .what,
  h1 {
    grid-column: 1 / -1;
  }
  .what {
    font-size: clamp(16px, 2.2vw, 24px);
    font-stretch: 84%;
  }
  h1 {
    font-size: clamp(32px, 5vw, 64px);
    line-height: 1;
  }
  ol {
    display: grid;
    align-content: center;
    margin: 0;
    padding: 0;
    font-size: clamp(24px, 3.6vw, 40px);
    font-stretch: 88%;
    list-style: none;
  }
  li {
    padding: 8px 0;
    border-top: 1px solid var(--rule);
  }
  .left {
    align-self: center;
    font-size: clamp(72px, 14vw, 170px);
    line-height: 1;
    font-weight: 700;
  }
  @media (max-width: 720px) {
    .drill {
      grid-template-columns: minmax(0, 1fr);
      padding: 4px 16px;
    }
  }
</style>

<!-- From any bar: bars are named one after the other, and the music is there at once, or not. -->
<script lang="ts">
  import type { DeskBlock } from '$lib/core/practice';
  import Answers from './Answers.svelte';

  let { block, onAnswer }: { block: DeskBlock; onAnswer: (mark: 'c' | 'n') => unknown } = $props();

  const starts = $derived(block.starts ?? []);
  const played = $derived(block.run?.starts ?? []);
  const bar = $derived(starts[Math.min(played.length, starts.length - 1)]);
</script>

<div class="starts">
  <p class="what">{block.name}, {played.length + 1} of {starts.length}</p>
  <h1 aria-live="polite"><span>bar</span> {bar}</h1>
  <p class="says">Look, hear it, begin: a few bars at once in time, without a run-up.</p>
  <p class="row" aria-hidden="true">
    {#each starts as one, i (one)}<i class={played[i]?.mark} class:now={i === played.length}></i>{/each}
  </p>
</div>
<Answers
  left={{ word: 'not at once', leads: 'the next bar', onPick: () => onAnswer('n') }}
  right={{ word: 'it was there', leads: 'the next bar', onPick: () => onAnswer('c') }}
/>

<style>
  .starts {
    display: grid;
    flex: 1;
    align-content: safe center;
    gap: 14px;
    min-height: 0;
    padding: 4px 24px;
  }
  .what {
    font-size: clamp(16px, 2.2vw, 24px);
    font-stretch: 84%;
  }
  h1 {
    font-size: clamp(110px, 24vw, 260px);
    font-weight: 700;
    line-height: 0.95;
  }
  h1 span {
    font-size: 0.3em;
    font-weight: 500;
  }
  .says {
    max-width: 30em;
    font-size: clamp(20px, 2.8vw, 32px);
    font-stretch: 88%;
    line-height: 1.2;
  }
  .row {
    display: flex;
    gap: 10px;
  }
  i {
    width: 34px;
    height: 34px;
    border: 2px solid var(--soft);
  }
  .now {
    border-width: 4px;
    border-color: var(--ink);
  }
  .c {
    border-color: var(--ink);
    background: var(--ink);
  }
  .n {
    border-color: var(--ink);
    background: repeating-linear-gradient(45deg, var(--ink) 0 2px, transparent 2px 7px);
  }
  @media (max-width: 720px) {
    .starts {
      padding: 4px 16px;
    }
  }
</style>

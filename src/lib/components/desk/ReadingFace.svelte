<!-- Reading at sight: fresh pages, each looked at first, then played without stopping. -->
<script lang="ts">
  import type { DeskBlock } from '$lib/core/practice';
  import Answers from './Answers.svelte';
  import OneAnswer from './OneAnswer.svelte';
  import { sayClock } from './minutes';
  import type { Reading } from './reading.svelte';

  let { block, reading, secondsLeft }: { block: DeskBlock; reading: Reading; secondsLeft: number } = $props();

  /** So long a page is looked at (common practice, no published source). */
  const SCAN_SECONDS = 30;
  const pages = $derived(block.run?.pages ?? []);
  const went = $derived(pages.filter(({ mark }) => mark === 'c').length);
</script>

<div class="reading">
  <p class="what">{block.name}, {sayClock(secondsLeft)} left</p>
  <h1>{reading.isLooking ? 'Look' : 'Play, and keep going'}</h1>
  <p class="says">
    {reading.isLooking
      ? 'Key, metre, the fastest notes, the odd bar; hear the first line inside.'
      : 'Whatever happens, the pulse goes on: leave out rather than stop.'}
  </p>
  <p class="pages">
    <b>page {pages.length + 1}</b>
    <span
      >{#if reading.isLooking}{reading.lookedFor} of {SCAN_SECONDS} seconds{:else}looked at for {reading.lookedFor}
        s{/if}{#if pages.length > 0}, kept going in {went} of {pages.length}{/if}</span
    >
  </p>
</div>
{#if reading.isLooking}
  <OneAnswer word="play" onPick={reading.play} />
{:else}
  <Answers
    left={{ word: 'stopped', leads: 'a fresh page', onPick: () => reading.answer('n') }}
    right={{ word: 'kept going', leads: 'a fresh page', onPick: () => reading.answer('c') }}
  />
{/if}

<style>
  .reading {
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
    font-size: clamp(52px, 11vw, 132px);
    font-weight: 700;
    line-height: 1;
  }
  .says {
    max-width: 30em;
    font-size: clamp(22px, 3.2vw, 36px);
    font-stretch: 88%;
    line-height: 1.2;
  }
  .pages {
    display: flex;
    flex-wrap: wrap;
    gap: 0 24px;
    align-items: baseline;
    margin-top: 18px;
    padding-top: 10px;
    border-top: 2px dotted var(--soft);
    font-size: clamp(20px, 2.8vw, 30px);
  }
  .pages b {
    font-size: clamp(32px, 5vw, 56px);
  }
  @media (max-width: 720px) {
    .reading {
      padding: 4px 16px;
    }
  }
</style>

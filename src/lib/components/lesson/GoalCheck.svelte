<!-- A milestone in one's own words is told what it has and what it lacks. Nothing is stored: it is written into the note. -->
<script lang="ts">
  import { onMount } from 'svelte';
  import { type Pace, type SeasonItem, checkGoal } from '$lib/core/season';
  import { draftOf } from '$lib/state/draft';

  let {
    items,
    paces,
    today,
    whose
  }: { items: readonly SeasonItem[]; paces: readonly Pace[]; today: string; whose: string } = $props();

  let text = $state('');
  // the page is set up anew for another candidate
  // svelte-ignore state_referenced_locally
  const draft = draftOf(`milestone ${whose}`);
  onMount(() => void draft.read().then((before) => (text ||= typeof before === 'string' ? before : '')));
  const readings = $derived(text.trim() === '' ? [] : checkGoal(text, items, paces, today));
  const SIGNS = { true: 'has it', false: 'lacks it', null: 'not known' } as const;
</script>

<section>
  <h2><label for="goal">A milestone in your own words</label></h2>
  <input
    id="goal"
    dir="auto"
    bind:value={text}
    oninput={() => (text === '' ? draft.forget() : draft.write(text))}
    placeholder="Millrace bars 31-36 at 54, 3 in a row, by 20 December"
  />
  {#if readings.length > 0}
    <dl aria-live="polite">
      {#each readings as { quality, has, says } (quality)}
        <div class:lacks={has === false}>
          <dt>{quality} <span class="soft">{SIGNS[`${has}`]}</span></dt>
          <dd>{says}</dd>
        </div>
      {/each}
    </dl>
  {/if}
</section>

<style>
  section {
    margin-top: 24px;
  }
  input {
    width: 100%;
    max-width: 760px;
    margin-top: 6px;
  }
  dl {
    max-width: 760px;
    margin: 8px 0 0;
  }
  dl > div {
    display: grid;
    grid-template-columns: 190px 1fr;
    gap: 0 12px;
    padding: 4px 0 4px 8px;
    border-left: 3px solid transparent;
    border-bottom: 1px solid var(--rule);
  }
  .lacks {
    border-left-color: var(--ink);
  }
  .lacks dt {
    font-weight: 650;
  }
  dd {
    margin: 0;
  }
  @media (max-width: 720px) {
    dl > div {
      grid-template-columns: 1fr;
    }
  }
</style>

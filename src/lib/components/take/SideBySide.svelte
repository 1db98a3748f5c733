<!-- The first and the latest take of an item: one sounds, the other goes on at the same place; both at one level. -->
<script lang="ts">
  import { onMount } from 'svelte';
  import { barAt, sameMusic } from '$lib/core/take';
  import { dayOf, sayBars, sayDate } from '$lib/core/units';
  import type { PairView } from '$lib/schema/view';
  import { Pair, type Which } from '$lib/state/pair.svelte';
  import { sayMs } from './systems';

  let { view }: { view: PairView } = $props();

  const { item, takes } = $derived(view);
  const pair = new Pair((from, atMs) => sameMusic(takes[from], takes[from === 0 ? 1 : 0], item.metre, atMs));
  const now = $derived(takes[pair.which]);
  const bar = $derived(barAt(now, item.metre, pair.nowMs));
  const NAMES = ['first', 'latest'] as const;

  onMount(() => {
    const stop = new AbortController();
    void pair.open([`/takes/${takes[0].id}/sound`, `/takes/${takes[1].id}/sound`], stop.signal);
    return () => {
      stop.abort();
      pair.close();
    };
  });
  const other = (): Which => (pair.which === 0 ? 1 : 0);
  function onKey(event: KeyboardEvent) {
    const { key, target } = event;
    if (event.ctrlKey || event.metaKey || event.altKey) return;
    if (key === ' ' && target instanceof HTMLButtonElement) return;
    if (key === ' ') pair.toggle();
    else if (key === 'ArrowRight' || key === 'PageDown') pair.change(other());
    else if (key === 'ArrowLeft' || key === 'PageUp') pair.goTo(0);
    else return;
    event.preventDefault();
  }
  function letGo({ detail, target }: MouseEvent) {
    if (detail > 0 && target instanceof Element) target.closest('button')?.blur();
  }
</script>

<svelte:window onkeydown={onKey} onclick={letGo} />
<div class="pair">
  <h2><bdi>{item.name}</bdi>: the first and the latest</h2>
  <p class="soft">
    {#if pair.fault}{pair.fault}{:else if !pair.isReady}Both are read …{:else}Both are as loud as the softer
      one. Right, or the pedal, goes over to the other at the same place.{/if}
  </p>
  <div class="two" role="group" aria-label="Which one sounds">
    {#each takes as take, i (take.id)}
      <button
        aria-pressed={pair.which === i}
        disabled={!pair.isReady}
        onclick={() => pair.change(i as Which)}
      >
        <strong>{NAMES[i]}</strong>
        <span>{sayDate(dayOf(take.date))}, {sayMs(take.lengthMs ?? 0)}, {sayBars(take)}</span>
      </button>
    {/each}
  </div>
  <p class="acts">
    <button class="action" disabled={!pair.isReady} onclick={pair.toggle}
      >{pair.isPlaying ? 'stop' : 'play'}</button
    >
    <button class="quiet" disabled={!pair.isReady} onclick={() => pair.goTo(0)}>from the beginning</button>
    <span role="status">{bar === null ? sayMs(pair.nowMs) : `bar ${bar}`}</span>
  </p>
</div>

<style>
  h2 {
    margin: 18px 0 4px;
  }
  .two {
    display: grid;
    grid-template-columns: repeat(auto-fit, minmax(260px, 1fr));
    gap: 12px;
    margin: 18px 0;
  }
  .two button {
    display: grid;
    gap: 6px;
    padding: 22px 24px 26px;
    border: 1px solid var(--soft);
    background: none;
    text-align: left;
  }
  .two [aria-pressed='true'] {
    border-color: var(--ink);
    background: var(--ink);
    color: var(--paper);
  }
  .two strong {
    font-size: clamp(36px, 5vw, 60px);
    line-height: 1;
  }
  .two span {
    font-size: 18px;
    font-stretch: 88%;
  }
  .acts {
    display: flex;
    flex-wrap: wrap;
    gap: 10px 24px;
    align-items: center;
    font-size: 20px;
  }
</style>

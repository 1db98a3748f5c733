<!-- The list under the slot: the tempo at which each begins, and the thought before it. A tempo is tapped to hear one bar of it. -->
<script lang="ts">
  import { onDestroy } from 'svelte';
  import { clickOf } from '$lib/core/tempo';
  import { sayBpm } from '$lib/core/units';
  import NoteValue from '$lib/components/note/NoteValue.svelte';
  import type { RoundDayView } from '$lib/schema/round-day-view';
  import { OneBar } from './one-bar.svelte';

  let { view }: { view: RoundDayView } = $props();

  const bar = new OneBar();
  onDestroy(() => bar.close());
</script>

<ol>
  {#each view.items as { id, name, thought, tempo, metre }, i (id)}
    <li>
      <span class="place">{i + 1}</span>
      <span class="name"><b><bdi>{name}</bdi></b><span class="thought" dir="auto">{thought}</span></span>
      {#if tempo}
        {@const click = clickOf(tempo) ?? tempo}
        <button
          class:beat={bar.id === id}
          class:strong={bar.id === id && bar.beat === 1}
          aria-label="One bar of {name} at {sayBpm(click.bpm)}"
          onclick={() => (bar.id === id ? bar.stop() : bar.play(id, tempo, metre))}
          >{#if bar.id === id}<em>{bar.beat}</em>{:else}<NoteValue unit={click.unit} height={24} /><em
              >{sayBpm(click.bpm)}</em
            >{/if}</button
        >
      {/if}
    </li>
  {/each}
</ol>

<style>
  ol {
    margin: 0;
    padding: 0;
    list-style: none;
  }
  li {
    display: grid;
    grid-template-columns: 28px minmax(0, 1fr) auto;
    gap: 8px;
    align-items: center;
    min-height: 52px;
    border-bottom: 1px solid var(--rule);
  }
  .place {
    color: var(--soft);
    font-size: 1.06rem;
  }
  .name b {
    display: block;
    font-stretch: 92%;
  }
  .thought {
    color: var(--soft);
    font-stretch: 88%;
  }
  button {
    display: inline-flex;
    gap: 4px;
    align-items: center;
    justify-content: end;
    min-width: 92px;
    min-height: 48px;
    padding: 0 8px;
    border: 0;
    background: none;
    color: var(--ink);
  }
  em {
    font-size: 1.5rem;
    font-style: normal;
    font-weight: 700;
  }
  .beat {
    justify-content: center;
    outline: 2px solid var(--ink);
    outline-offset: -4px;
  }
  .strong {
    background: var(--ink);
    color: var(--paper);
  }
</style>

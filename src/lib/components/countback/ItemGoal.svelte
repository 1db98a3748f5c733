<!-- At the right end of an item's row: the tempo it is to reach, of which bars, and how far it is. -->
<script lang="ts">
  import Tempo from '$lib/components/note/Tempo.svelte';
  import type { PlannedItem, PlannedSection } from '$lib/core/season';
  import { sayToGo } from './row-words';

  let {
    planned,
    slowest,
    isSmall
  }: {
    planned: PlannedItem;
    /** The section that sets it; null where none has a tempo. */
    slowest: PlannedSection | null;
    isSmall: boolean;
  } = $props();

  const timed = $derived(planned.sections.filter((s) => s.unit !== null).length);
</script>

<div class="goal" class:small={isSmall}>
  {#if slowest?.unit && slowest.targetBpm}
    <strong><Tempo bpm={slowest.targetBpm} unit={slowest.unit} height={isSmall ? 16 : 20} /></strong>
    {#if timed > 1}<span class="soft">bars {slowest.fromBar}–{slowest.toBar}</span>{/if}
    {#if planned.state === 'climbing'}<span class="soft">{sayToGo(planned.clicksToGo!)}</span>{/if}
  {/if}
</div>

<style>
  .goal {
    display: flex;
    flex-direction: column;
    padding: 4px 0 0 12px;
    line-height: 1.25;
  }
  .small {
    padding-top: 8px;
  }
  strong {
    font-size: 1.2rem;
  }
  .small strong {
    font-size: 1rem;
  }
  span {
    font-size: 0.82rem;
    white-space: nowrap;
  }
  @media (max-width: 720px) {
    .goal {
      position: relative;
      z-index: 1;
      margin-right: 4px;
      padding: 6px 8px 0 12px;
      background: var(--paper);
      text-align: right;
    }
  }
</style>

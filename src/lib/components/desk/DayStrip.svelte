<!-- The day as one line along the upper edge: what is done thick, what is to come thin, a barline between blocks. -->
<script lang="ts">
  import type { DeskDay } from '$lib/core/practice';

  let {
    day,
    blockId,
    share
  }: { day: DeskDay; blockId: string | null; /** Of the block in hand, 0 to 1. */ share: number } = $props();

  const blocks = $derived(day.blocks.filter((block) => !block.isDropped));
  const all = $derived(blocks.reduce((sum, block) => sum + block.minutes, 0));
  const doneOf = (block: DeskDay['blocks'][number]) =>
    block.run?.end ? 1 : block.id === blockId ? Math.min(1, share) : 0;
</script>

<div class="day" aria-hidden="true">
  {#each blocks as block (block.id)}
    <span style:flex-grow={block.minutes / all}
      ><i style:width="{100 * doneOf(block)}%" class:now={block.id === blockId}></i></span
    >
  {/each}
</div>

<style>
  .day {
    display: flex;
    height: 20px;
  }
  span {
    position: relative;
    flex-basis: 0;
    height: 12px;
    border-top: 2px solid var(--plan);
    border-right: 2px solid var(--ink);
  }
  i {
    position: absolute;
    top: -2px;
    left: 0;
    height: 9px;
    background: var(--ink);
  }
  .now {
    border-right: 4px solid var(--ink);
  }
</style>

<!-- A link of a chain: the chunk and the one it is joined to, as brackets over their bars, and the seam between. What is in hand is thick. -->
<script lang="ts">
  import type { RoadBlock } from '$lib/core/record';
  import type { BarRange } from '$lib/core/units';

  let { link, isJoined }: { link: NonNullable<RoadBlock['link']>; isJoined: boolean } = $props();

  const { chunk, to } = $derived(link);
  const inOrder = $derived(chunk.fromBar < to.fromBar ? ([chunk, to] as const) : ([to, chunk] as const));
  const count = ({ fromBar, toBar }: BarRange) => toBar - fromBar + 1;
  const says = $derived(
    isJoined
      ? `bars ${inOrder[0].fromBar} to ${inOrder[1].toBar} over the seam at ${inOrder[1].fromBar}`
      : `bars ${chunk.fromBar} to ${chunk.toBar}, beside ${to.fromBar} to ${to.toBar}`
  );
</script>

<div class="link" role="img" aria-label={says}>
  {#each inOrder as part, i (part.fromBar)}
    {#if i === 1}<i class:crossed={isJoined}></i>{/if}
    <span class:in={isJoined || part === chunk} style:flex-grow={count(part)}
      ><b>{part.fromBar}–{part.toBar}</b></span
    >
  {/each}
</div>

<style>
  .link {
    display: flex;
    align-items: flex-end;
    max-width: 760px;
    height: 46px;
    margin: 4px 0 2px;
  }
  span {
    flex-basis: 0;
    height: 32px;
    padding: 2px 8px;
    border: solid var(--soft);
    border-width: 2px 2px 0;
    color: var(--soft);
    font-size: 18px;
    font-stretch: 80%;
  }
  .in {
    border-color: var(--ink);
    border-top-width: 7px;
    color: var(--ink);
  }
  /* the seam: two strokes that part, crossed where both are played */
  i {
    position: relative;
    width: 22px;
    height: 46px;
    transform: skewX(-14deg);
    border: solid var(--soft);
    border-width: 0 3px;
    margin: 0 6px;
  }
  .crossed {
    border-color: var(--ink);
  }
  .crossed::after {
    position: absolute;
    top: 14px;
    right: -12px;
    left: -12px;
    border-top: 7px solid var(--ink);
    content: '';
  }
</style>

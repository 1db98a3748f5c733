<!-- A block of the day's line: a window into its item's row, hanging below its target by clicks, what holds thick and today's step thin. -->
<script lang="ts">
  import type { DeskBlock } from '$lib/core/practice';
  import { clickOf } from '$lib/core/tempo';
  import NoteValue from '$lib/components/note/NoteValue.svelte';
  import Sign from '$lib/components/desk/Sign.svelte';
  import { sayAt } from '$lib/components/desk/tempo-words';
  import { hangs, sayBlockBars, sayBlockSpots } from './day-scale';

  let {
    block,
    isFirst,
    isInHand,
    minutes,
    share,
    width,
    onPick
  }: {
    block: DeskBlock;
    /** Of its line. */
    isFirst: boolean;
    isInHand: boolean;
    /** As they are while its barline is dragged. */
    minutes: number;
    /** Of the line's width. */
    share: number;
    /** The line's, in pixels. */
    width: number;
    onPick: () => void;
  } = $props();

  /** Narrower than this its name stands upright, and there is no room for words under it. */
  const SLIM = 0.075;
  /** From so wide on the bars of its spots stand in it. */
  const WITH_SPOTS = 0.1;
  /** So near the target a number stands under its tread. */
  const CLOSE_PX = 20;
  /** There two numbers stand close. */
  const TIGHT_PX = 104;
  /** Narrower than this neither a name nor a number stands free of what is beside it: they are said on pointing. */
  const HAIR_PX = 26;
  const isSlim = $derived(share < SLIM);
  const isHair = $derived(share * width < HAIR_PX);
  const isTight = $derived(share * width < TIGHT_PX);
  const said = $derived(
    `${block.name}, ${block.minutes} minutes${block.run?.end ? ', done' : ''}: ${block.why}`
  );
  const work = $derived(block.work);
  const start = $derived(work?.way[0]);
  const goal = $derived(work ? Math.max(...work.way) : undefined);
  const click = $derived(work && start !== undefined ? clickOf({ bpm: start, unit: work.unit }) : null);
</script>

<button
  class="block"
  class:first={isFirst}
  class:in-hand={isInHand}
  class:done={block.run?.end}
  class:slim={isSlim}
  class:tight={isTight}
  aria-label={said}
  title={isHair ? said : undefined}
  aria-pressed={isInHand}
  onclick={onPick}
>
  <span class="name"><span>{isSlim ? '' : block.name}</span></span>
  <span class="window">
    {#if isSlim}{#if !isHair}<span class="upright">{block.name}</span>{/if}
    {:else if work && click && start !== undefined && goal !== undefined}
      <span class="start" class:under={hangs(block, start) < CLOSE_PX} style:top="{8 + hangs(block, start)}px"
        ><b><NoteValue unit={click.unit} height={18} />{sayAt(start, work.unit)}</b></span
      >
      {#if goal > start}
        <span
          class="riser"
          style:top="{8 + hangs(block, goal)}px"
          style:height="{Math.max(2, hangs(block, start) - hangs(block, goal) + 5)}px"
        ></span>
        <span class="goal" class:under={hangs(block, goal) < CLOSE_PX} style:top="{8 + hangs(block, goal)}px"
          ><b>{sayAt(goal, work.unit, click)}</b></span
        >
      {/if}
      {#if block.spots?.length && share > WITH_SPOTS}
        <span class="spots" style:top="{8 + hangs(block, start) - 9}px"
          >{#each block.spots as spot (spot.id)}<em class:asked={spot.isAsked}>{spot.fromBar}</em
            >{/each}</span
        >
      {/if}
    {:else}<span class="sign"><Sign kind={block.kind} /></span>{/if}
  </span>
  <span class="minutes" class:unsaid={isHair}>{minutes}</span>
  <span class="why"
    >{#if block.bars}<b>{sayBlockBars(block)}{sayBlockSpots(block)}</b>{/if}
    {block.why}</span
  >
</button>

<style>
  .block {
    display: flex;
    width: 100%;
    flex-direction: column;
    min-width: 0;
    padding: 0;
    border: 0;
    background: none;
    line-height: 1.25;
    text-align: left;
  }
  /* the end of a long name goes, not its beginning */
  .name span {
    display: -webkit-box;
    overflow: hidden;
    -webkit-box-orient: vertical;
    -webkit-line-clamp: 2;
    line-clamp: 2;
  }
  .unsaid {
    visibility: hidden;
  }
  .name {
    display: grid;
    align-content: end;
    height: 44px;
    padding: 0 4px 6px 8px;
    overflow: hidden;
    font-size: 14px;
    font-stretch: 76%;
    font-weight: 650;
    hyphens: auto;
    overflow-wrap: break-word;
  }
  .window {
    position: relative;
    height: 192px;
    border-top: 1px solid var(--rule);
    border-bottom: 3px solid var(--plan);
    border-left: 1px solid var(--ink);
  }
  .first .window {
    border-left: 0;
  }
  .in-hand .window {
    background: var(--ground);
  }
  .done .window {
    border-bottom: 7px solid var(--ink);
  }
  .start {
    position: absolute;
    left: 0;
    width: 45%;
    border-top: 5px solid var(--ink);
  }
  .start b,
  .goal b {
    position: absolute;
    bottom: 6px;
    font-size: 18px;
    white-space: nowrap;
  }
  .start b {
    left: 4px;
  }
  .under b {
    top: 4px;
    bottom: auto;
  }
  .spots {
    position: absolute;
    left: 49%;
    display: flex;
    gap: 3px;
  }
  .spots em {
    padding: 0 5px;
    border: 2px solid var(--ink);
    background: var(--paper);
    font-size: 13px;
    font-stretch: 80%;
    font-style: normal;
    font-weight: 600;
    line-height: 19px;
  }
  .spots .asked {
    border-width: 1px;
    border-style: dotted;
  }
  .riser {
    position: absolute;
    left: 45%;
    border-left: 2px solid var(--plan);
  }
  .goal {
    position: absolute;
    left: 45%;
    width: 55%;
    border-top: 2px solid var(--plan);
    color: var(--plan);
  }
  .goal b {
    right: 4px;
    font-size: 16px;
  }
  .upright {
    position: absolute;
    inset: 8px 2px 8px 4px;
    overflow: hidden;
    font-size: 13px;
    font-stretch: 80%;
    font-weight: 600;
    text-overflow: ellipsis;
    white-space: nowrap;
    writing-mode: vertical-rl;
  }
  .sign {
    position: absolute;
    inset: 50px 10%;
    max-width: 110px;
    margin: 0 auto;
  }
  .minutes {
    padding: 4px 0 0 8px;
    font-size: 24px;
    font-weight: 700;
  }
  .why {
    height: 94px;
    padding: 0 6px 0 8px;
    overflow: hidden;
    color: var(--soft);
    font-size: 13px;
    font-stretch: 78%;
    overflow-wrap: break-word;
  }
  .why b {
    display: block;
    color: var(--ink);
    font-weight: 500;
  }
  .slim .why {
    visibility: hidden;
  }
  .tight .start {
    width: 62%;
  }
  .tight .riser {
    left: 62%;
  }
  .tight .goal {
    left: 62%;
    width: 38%;
  }
  .tight .spots {
    left: 66%;
  }
  .tight .start b,
  .tight .goal b {
    font-size: 15px;
    font-stretch: 76%;
  }
</style>

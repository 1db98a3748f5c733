<!--
  The day as one line, minutes from left to right, in systems where it is long: each block a window into its item's row, hanging below its
  target by clicks, what holds thick and today's step thin. A click takes a block in hand.
-->
<script lang="ts">
  import type { DeskBlock } from '$lib/core/practice';
  import { clickOf } from '$lib/core/tempo';
  import NoteValue from '$lib/components/note/NoteValue.svelte';
  import Sign from '$lib/components/desk/Sign.svelte';
  import { sayAt } from '$lib/components/desk/tempo-words';
  import { hangs, minutesOf, sayBlockBars, sayBlockSpots, systemsOf } from './day-scale';

  let {
    blocks,
    thereMin,
    inHand,
    onPick,
    onMinutes
  }: {
    blocks: readonly DeskBlock[];
    thereMin: number;
    inHand: string | null;
    onPick: (id: string) => void;
    /** A barline was dragged: the block before it lasts so long. */
    onMinutes: (id: string, minutes: number) => void;
  } = $props();

  const MOST_SPARE = 1.2;
  const systems = $derived(systemsOf(blocks));
  const isOne = $derived(systems.length === 1);
  const longest = $derived(Math.max(...systems.map(minutesOf)));
  /** A day with much to spare is not squeezed for it: what is free is said. */
  const scale = $derived(isOne && thereMin <= longest * MOST_SPARE ? Math.max(longest, thereMin) : longest);
  const over = $derived(minutesOf(blocks) - thereMin);
  /** Narrower than this its name stands upright, and there is no room for words under it. */
  const SLIM = 0.075;
  /** From so wide on the bars of its spots stand in it. */
  const WITH_SPOTS = 0.1;
  let width = $state(1);
  let dragged = $state<{ id: string; fromX: number; minutes: number; now: number } | null>(null);
  const minutesNow = (block: DeskBlock) => (dragged?.id === block.id ? dragged.now : block.minutes);

  function grip(event: PointerEvent, { id, minutes }: DeskBlock) {
    (event.currentTarget as HTMLElement).setPointerCapture(event.pointerId);
    dragged = { id, fromX: event.clientX, minutes, now: minutes };
  }
  function drag(event: PointerEvent) {
    if (!dragged) return;
    const by = ((event.clientX - dragged.fromX) * scale) / width;
    dragged = { ...dragged, now: Math.min(360, Math.max(1, Math.round(dragged.minutes + by))) };
  }
  function drop() {
    if (dragged && dragged.now !== dragged.minutes) onMinutes(dragged.id, dragged.now);
    dragged = null;
  }

  const isSlim = ({ minutes }: DeskBlock) => minutes / scale < SLIM;
  /** There two numbers stand close. */
  const isTight = ({ minutes }: DeskBlock) => (minutes / scale) * width < 104;
  const said = (block: DeskBlock) =>
    `${block.name}, ${block.minutes} minutes${block.run?.end ? ', done' : ''}: ${block.why}`;
</script>

{#each systems as system, s (s)}
  {@const isLast = s === systems.length - 1}
  <div class="system" bind:clientWidth={width}>
    {#each system as block (block.id)}
      {@const work = block.work}
      {@const start = work?.way[0]}
      {@const goal = work ? Math.max(...work.way) : undefined}
      {@const click = work && start !== undefined ? clickOf({ bpm: start, unit: work.unit }) : null}
      <button
        class="block"
        class:in-hand={inHand === block.id}
        class:done={block.run?.end}
        class:slim={isSlim(block)}
        class:tight={isTight(block)}
        style:width="{(100 * block.minutes) / scale}%"
        aria-label={said(block)}
        aria-pressed={inHand === block.id}
        onclick={() => onPick(block.id)}
      >
        <span class="name"><span>{isSlim(block) ? '' : block.name}</span></span>
        <span class="window">
          {#if isSlim(block)}<span class="upright">{block.name}</span>
          {:else if work && click && start !== undefined && goal !== undefined}
            <span class="start" style:top="{8 + hangs(block, start)}px"
              ><b><NoteValue unit={click.unit} height={18} />{sayAt(start, work.unit)}</b></span
            >
            {#if goal > start}
              <span
                class="riser"
                style:top="{8 + hangs(block, goal)}px"
                style:height="{Math.max(2, hangs(block, start) - hangs(block, goal) + 5)}px"
              ></span>
              <span class="goal" style:top="{8 + hangs(block, goal)}px"
                ><b>{sayAt(goal, work.unit, click)}</b></span
              >
            {/if}
            {#if block.spots?.length && minutesOf([block]) / scale > WITH_SPOTS}
              <span class="spots" style:top="{8 + hangs(block, start) - 9}px"
                >{#each block.spots as spot (spot.id)}<em class:asked={spot.isAsked}>{spot.fromBar}</em
                  >{/each}</span
              >
            {/if}
          {:else}<span class="sign"><Sign kind={block.kind} /></span>{/if}
        </span>
        <span class="minutes">{minutesNow(block)}</span>
        <span class="why"
          >{#if block.bars}<b>{sayBlockBars(block)}{sayBlockSpots(block)}</b>{/if}
          {block.why}</span
        >
      </button>
    {/each}
    {#each system as block, i (block.id)}
      {#if inHand === block.id && !block.run?.end}
        <!-- the keyboard's way is the words under the line -->
        <span
          class="grip"
          aria-hidden="true"
          style:left="{(100 * (minutesOf(system.slice(0, i + 1)) + minutesNow(block) - block.minutes)) /
            scale}%"
          onpointerdown={(event) => grip(event, block)}
          onpointermove={drag}
          onpointerup={drop}
          onpointercancel={() => (dragged = null)}
        ></span>
      {/if}
    {/each}
    {#if isLast}
      <span class="end" style:left="{(100 * minutesOf(system)) / scale}%"></span>
      {#if over > 0}<span
          class="over"
          style:left="{(100 * Math.max(0, minutesOf(system) - over)) / scale}%"
          style:width="{(100 * Math.min(over, minutesOf(system))) / scale}%"
        ></span>{/if}
    {/if}
  </div>
{/each}

<style>
  .system {
    position: relative;
    display: flex;
    align-items: flex-end;
    margin-bottom: 12px;
  }
  .block {
    display: flex;
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
  .block:first-child .window {
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
    height: 76px;
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
  .grip {
    position: absolute;
    top: 44px;
    width: 24px;
    height: 204px;
    margin-left: -12px;
    border: solid transparent;
    border-width: 150px 6px 18px;
    background: var(--ink);
    background-clip: padding-box;
    cursor: ew-resize;
    touch-action: none;
  }
  .end {
    position: absolute;
    top: 44px;
    height: 204px;
    border-left: 4px solid var(--ink);
    box-shadow: -5px 0 0 -3px var(--ink);
  }
  .over {
    position: absolute;
    top: 45px;
    height: 191px;
    border-left: 4px solid var(--ink);
    background: repeating-linear-gradient(45deg, var(--rule) 0 2px, transparent 2px 6px);
    pointer-events: none;
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

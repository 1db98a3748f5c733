<!--
  The day as one line, minutes from left to right, in systems where it is long: each block a window into its item's row, hanging below its
  target by clicks, what holds thick and today's step thin. A click takes a block in hand.
-->
<script lang="ts">
  import { type DeskBlock, mostMinutesOf } from '$lib/core/practice';
  import { type DndEvent, dragHandle, dragHandleZone } from 'svelte-dnd-action';
  import GripHorizontal from '@lucide/svelte/icons/grip-horizontal';
  import { neighboursOf } from './neighbours';
  import LineBlock from './LineBlock.svelte';
  import { minutesOf, systemsOf } from './day-scale';

  let {
    blocks,
    thereMin,
    inHand,
    onPick,
    onMinutes,
    onMove
  }: {
    blocks: readonly DeskBlock[];
    thereMin: number;
    inHand: string | null;
    onPick: (id: string) => void;
    /** A barline was dragged: the block before it lasts so long. */
    onMinutes: (id: string, minutes: number) => void;
    /** A block was dragged between those two. */
    onMove: (id: string, before: string | null, after: string | null) => unknown;
  } = $props();

  const MOST_SPARE = 1.2;
  /** As they are while a block is dragged from one place to another. */
  let moved = $state.raw<DeskBlock[][] | null>(null);
  const systems = $derived(moved ?? systemsOf(blocks));
  const withSystem = (s: number, items: DeskBlock[]) => systems.map((one, i) => (i === s ? items : one));
  const consider = (s: number, { detail }: CustomEvent<DndEvent<DeskBlock>>) =>
    (moved = withSystem(s, detail.items));
  async function finalize(s: number, { detail: { items, info } }: CustomEvent<DndEvent<DeskBlock>>) {
    const now = (moved = withSystem(s, items));
    // of two systems the one it came to tells
    if (info.trigger === 'droppedIntoAnother') return;
    const to = neighboursOf(blocks, now.flat(), info.id);
    if (to) await onMove(info.id, ...to);
    moved = null;
  }
  const isOne = $derived(systems.length === 1);
  const longest = $derived(Math.max(...systems.map(minutesOf)));
  /** A day with much to spare is not squeezed for it: what is free is said. */
  const scale = $derived(isOne && thereMin <= longest * MOST_SPARE ? Math.max(longest, thereMin) : longest);
  const over = $derived(minutesOf(blocks) - thereMin);
  let width = $state(1);
  let dragged = $state<{ id: string; fromX: number; minutes: number; most: number; now: number } | null>(
    null
  );
  const minutesNow = (block: DeskBlock) => (dragged?.id === block.id ? dragged.now : block.minutes);

  function grip(event: PointerEvent, block: DeskBlock) {
    (event.currentTarget as HTMLElement).setPointerCapture(event.pointerId);
    const { id, minutes } = block;
    dragged = { id, fromX: event.clientX, minutes, most: mostMinutesOf(block), now: minutes };
  }
  function drag(event: PointerEvent) {
    if (!dragged) return;
    const by = ((event.clientX - dragged.fromX) * scale) / width;
    dragged = { ...dragged, now: Math.min(dragged.most, Math.max(1, Math.round(dragged.minutes + by))) };
  }
  function drop() {
    if (dragged && dragged.now !== dragged.minutes) onMinutes(dragged.id, dragged.now);
    dragged = null;
  }
</script>

{#each systems as system, s (s)}
  {@const isLast = s === systems.length - 1}
  <div class="system" bind:clientWidth={width}>
    <div
      class="blocks"
      use:dragHandleZone={{
        ...{ items: system, type: 'day', flipDurationMs: 0, dropTargetStyle: {} },
        transformDraggedElement: (element) => element && (element.style.background = 'var(--paper)')
      }}
      onconsider={(event) => consider(s, event)}
      onfinalize={(event) => finalize(s, event)}
    >
      {#each system as block, i (block.id)}
        <div class="slot" style:width="{(100 * block.minutes) / scale}%">
          {#if block.run === null}<span
              class="handle"
              class:shown={inHand === block.id}
              role="button"
              tabindex="0"
              aria-label="Move {block.name}: drag, or press Enter and use the arrow keys"
              use:dragHandle><GripHorizontal size={18} /></span
            >{/if}
          <LineBlock
            {block}
            isFirst={i === 0}
            isInHand={inHand === block.id}
            minutes={minutesNow(block)}
            share={block.minutes / scale}
            {width}
            onPick={() => onPick(block.id)}
          />
        </div>
      {/each}
    </div>
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
    isolation: isolate;
    margin-bottom: 12px;
  }
  .blocks {
    display: flex;
    align-items: flex-end;
  }
  .slot {
    position: relative;
    min-width: 0;
  }
  .handle {
    position: absolute;
    z-index: 1;
    top: 46px;
    right: 3px;
    display: grid;
    place-items: center;
    width: 24px;
    height: 24px;
    color: var(--soft);
    cursor: grab;
    opacity: 0;
  }
  .slot:hover .handle,
  .handle:focus-visible,
  .shown {
    opacity: 1;
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
    /* words lie over it */
    z-index: -1;
    pointer-events: none;
  }
</style>

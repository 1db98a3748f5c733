<!-- The day on a phone: minutes run down, each block a row with what it climbs. -->
<script lang="ts">
  import type { Snippet } from 'svelte';
  import type { DeskBlock } from '$lib/core/practice';
  import { clickOf } from '$lib/core/tempo';
  import { sayBlockBars, sayBlockSpots } from './day-scale';
  import { type DndEvent, dragHandle, dragHandleZone } from 'svelte-dnd-action';
  import GripVertical from '@lucide/svelte/icons/grip-vertical';
  import { neighboursOf } from './neighbours';
  import Sign from '$lib/components/desk/Sign.svelte';
  import Tempo from '$lib/components/note/Tempo.svelte';
  import { tempoIn } from '$lib/core/units';

  let {
    blocks,
    inHand,
    onPick,
    onMove,
    words
  }: {
    blocks: readonly DeskBlock[];
    inHand: string | null;
    onPick: (id: string) => void;
    /** A block was dragged between those two. */
    onMove: (id: string, before: string | null, after: string | null) => unknown;
    /** What can be done with the block in hand, under it. */
    words: Snippet;
  } = $props();

  /** As it is while one is dragged. */
  let dragged = $state.raw<DeskBlock[] | null>(null);
  const order = $derived(dragged ?? [...blocks]);
  async function drop({ detail: { items, info } }: CustomEvent<DndEvent<DeskBlock>>) {
    dragged = items;
    const to = neighboursOf(blocks, items, info.id);
    if (to) await onMove(info.id, ...to);
    dragged = null;
  }

  /** Height of a minute, with enough for two lines. */
  const height = (minutes: number) => Math.max(58, Math.min(120, minutes * 7));
  function climb({ work }: DeskBlock) {
    if (!work) return null;
    const goal = Math.max(...work.way);
    const click = clickOf({ bpm: goal, unit: work.unit });
    if (!click) return null;
    const from = tempoIn({ bpm: work.way[0]!, unit: work.unit }, click.unit);
    return { ...click, from: from < click.bpm ? from : null };
  }
</script>

<ol
  use:dragHandleZone={{ items: order, flipDurationMs: 0, dropTargetStyle: {}, delayTouchStart: 150 }}
  onconsider={(event) => (dragged = event.detail.items)}
  onfinalize={drop}
>
  {#each order as block (block.id)}
    {@const tempo = climb(block)}
    <li>
      {#if block.run === null && inHand === block.id}<span
          class="handle"
          role="button"
          tabindex="0"
          aria-label="Move {block.name}: drag, or press Enter and use the arrow keys"
          use:dragHandle><GripVertical size={18} /></span
        >{/if}
      <button
        class:in-hand={inHand === block.id}
        class:done={block.run?.end}
        style:min-height="{height(block.minutes)}px"
        aria-pressed={inHand === block.id}
        onclick={() => onPick(block.id)}
      >
        <span class="minutes">{block.minutes}<span class="hidden"> minutes</span></span>
        <span class="line"></span>
        <span class="what">
          <strong>{block.name}</strong>
          <span
            >{[sayBlockBars(block) + sayBlockSpots(block), block.run?.end ? 'done' : '']
              .filter(Boolean)
              .join(', ')}</span
          >
          <span class="soft">{block.why}</span>
        </span>
        {#if tempo}<span class="tempo"
            ><Tempo bpm={tempo.bpm} unit={tempo.unit} from={tempo.from} height={18} /></span
          >{:else}<span class="sign"><Sign kind={block.kind} /></span>{/if}
      </button>
      {#if inHand === block.id}{@render words()}{/if}
    </li>
  {/each}
</ol>

<style>
  ol {
    margin: 0;
    padding: 0;
    border-bottom: 5px double var(--ink);
    list-style: none;
  }
  li {
    position: relative;
  }
  .handle {
    position: absolute;
    top: 30px;
    left: 0;
    display: grid;
    place-items: center;
    width: 34px;
    height: 28px;
    color: var(--soft);
    cursor: grab;
    touch-action: none;
  }
  li > button {
    display: grid;
    grid-template-columns: 34px 6px minmax(0, 1fr) auto;
    gap: 0 10px;
    align-items: stretch;
    width: 100%;
    padding: 0;
    border: 0;
    border-top: 1px solid var(--ink);
    background: none;
    line-height: 1.25;
    text-align: left;
  }
  .in-hand {
    background: var(--ground);
  }
  .minutes {
    padding-top: 4px;
    font-size: 20px;
    font-weight: 700;
    text-align: right;
  }
  .line {
    border-left: 3px solid var(--plan);
  }
  .done .line {
    border-left: 6px solid var(--ink);
  }
  .what {
    display: grid;
    align-content: start;
    padding: 5px 0 8px;
    font-stretch: 88%;
  }
  .what .soft {
    font-size: 0.93rem;
  }
  .tempo {
    padding-top: 5px;
    font-weight: 650;
  }
  .sign {
    width: 56px;
    height: 30px;
    margin-top: 8px;
  }
</style>

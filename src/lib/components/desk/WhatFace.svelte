<!--
  What is in hand: its bars on their lines, what the block has to work at, its name or the way it is practised, and after "not yet" what did
  not hold.
-->
<script lang="ts">
  import {
    type DeskBlock,
    type DeskDay,
    type Element,
    type TaskInHand,
    barsOfTask,
    type Ways,
    wayOf
  } from '$lib/core/practice';
  import type { SpotToDo } from '$lib/core/record';
  import { sayBars } from '$lib/core/units';
  import type { TodayView } from '$lib/schema/view';
  import Pattern from '$lib/components/note/Pattern.svelte';
  import DeskBars from './DeskBars.svelte';
  import Elements from './Elements.svelte';
  import LinkLine from './LinkLine.svelte';
  import Tasks from './Tasks.svelte';

  let {
    day,
    block,
    item,
    spot,
    ways,
    elements,
    onTake,
    onState,
    onMethods
  }: {
    day: DeskDay;
    block: DeskBlock;
    /** Null where it is of none. */
    item: TodayView['items'][number] | null;
    /** Null where the block's own bars are in hand. */
    spot: SpotToDo | null;
    ways: Ways;
    /** Asked about after "not yet". */
    elements: readonly Element[];
    onTake: (task: TaskInHand) => void;
    onState: (notHeld: readonly string[]) => void;
    onMethods: () => unknown;
  } = $props();

  const bars = $derived(barsOfTask(day, block));
  /** The chunk and its neighbour are played together. */
  const isJoined = $derived((block.run?.task.part ?? 0) >= block.parts.length);
  const last = $derived(block.run?.answers.at(-1) ?? null);
  const method = $derived(spot ? wayOf(block.run?.task.method, ways) : undefined);
  /** Bars picked in the middle are played to the next downbeat. */
  const where = $derived(
    !bars
      ? ''
      : spot && item && bars.toBar < item.toBar
        ? `${sayBars(bars)}, to the downbeat of ${bars.toBar + 1}`
        : sayBars(bars)
  );
</script>

<div class="what">
  {#if block.link && !spot}<LinkLine link={block.link} {isJoined} />
  {:else if item && bars}<DeskBars {item} {bars} />{/if}
  <Tasks {day} {block} {onTake} />
  {#if spot}
    <div class="way">
      <div>
        <h1>{method?.name ?? (spot.isAsked ? 'Once: does it still hold?' : spot.issue || 'The spot')}</h1>
        <p class="bars">{where}</p>
        <p class="soft">{block.name}{spot.issue ? `: ${spot.issue}` : ''}</p>
        {#if !spot.isAsked}<button class="other" onclick={onMethods}
            >{method ? 'another way' : 'choose a way'}</button
          >{/if}
      </div>
      <div class="how">
        {#if method?.pattern}<Pattern pattern={method.pattern} />{/if}
        {#if method}<p>{method.says}</p>{/if}
        {#if method?.caution}<p class="soft">{method.caution}</p>{/if}
      </div>
    </div>
  {:else if block.link}
    <h1>
      {isJoined
        ? `Over the seam at bar ${Math.max(block.link.chunk.fromBar, block.link.to.fromBar)}`
        : `Bars ${block.link.chunk.fromBar}–${block.link.chunk.toBar}, at tempo`}
    </h1>
    <p class="bars">
      {isJoined ? `${where}, as one` : `then joined to ${sayBars(block.link.to)}`}
    </p>
    <p class="soft">{block.name}: {block.why}</p>
  {:else}
    <h1>{block.name}</h1>
    <p class="bars">{bars ? where : block.why}</p>
    {#if bars}<p class="soft">{block.why}</p>{/if}
  {/if}
  {#if last?.mark === 'n'}<div class="stated">
      <Elements {elements} chosen={last.notHeld} onChange={onState} />
    </div>{/if}
</div>

<style>
  .what {
    position: relative;
    padding: 4px 24px 0;
  }
  h1 {
    margin-top: 8px;
    font-size: clamp(24px, 4vw, 42px);
    font-stretch: 92%;
    line-height: 1.1;
  }
  .bars {
    font-size: clamp(20px, 3.6vw, 36px);
    font-stretch: 84%;
    line-height: 1.15;
  }
  .soft {
    font-size: clamp(15px, 2vw, 20px);
    font-stretch: 84%;
  }
  .way {
    display: grid;
    grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
    gap: 0 32px;
  }
  .way h1 {
    font-size: clamp(22px, 3.3vw, 34px);
  }
  .way .bars {
    font-size: clamp(19px, 2.8vw, 29px);
  }
  .how {
    align-self: start;
    padding-top: 8px;
    font-size: clamp(16px, 2vw, 20px);
    font-stretch: 88%;
    line-height: 1.25;
  }
  .how .soft {
    font-size: 16px;
  }
  .other {
    justify-self: start;
    min-height: 44px;
    padding: 0;
    border: 0;
    background: none;
    color: var(--plan);
    font-size: 18px;
    text-decoration: underline;
    text-underline-offset: 4px;
  }
  .stated {
    position: absolute;
    right: 14px;
    bottom: 0;
    width: 380px;
  }
  .way ~ .stated {
    position: static;
    width: auto;
    margin: 0 -10px;
  }
  /* beside the brackets there is room for both from here on */
  @media (max-width: 1000px) {
    .stated {
      position: static;
      width: auto;
      margin: 0 -10px;
    }
  }
  @media (max-width: 720px) {
    .what {
      padding-right: 16px;
      padding-left: 16px;
    }
    .way {
      grid-template-columns: minmax(0, 1fr);
    }
    .stated {
      margin: 0 -7px;
    }
  }
</style>

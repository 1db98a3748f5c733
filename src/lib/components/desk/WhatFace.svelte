<!-- What is in hand: its bars on their lines, its parts, its name, and after "not yet" what did not hold. -->
<script lang="ts">
  import { type DeskBlock, type DeskDay, barsOfPart, standingOf } from '$lib/core/practice';
  import { sayBars } from '$lib/core/units';
  import type { TodayView } from '$lib/schema/view';
  import DeskBars from './DeskBars.svelte';
  import Elements from './Elements.svelte';
  import Parts from './Parts.svelte';

  let {
    day,
    block,
    item,
    onTake,
    onState
  }: {
    day: DeskDay;
    block: DeskBlock;
    /** Null where it is of none. */
    item: TodayView['items'][number] | null;
    onTake: (part: number) => void;
    onState: (notHeld: readonly string[]) => void;
  } = $props();

  const bars = $derived(barsOfPart(block, block.run?.part ?? 0));
  const last = $derived(block.run?.answers.at(-1) ?? null);
  function isHeld(part: number): boolean {
    const of = standingOf(day, block, part);
    return of !== null && of.heldBpm !== null && of.heldBpm >= of.goalBpm;
  }
</script>

<div class="what">
  {#if item && bars}<DeskBars {item} {bars} />{/if}
  {#if block.parts.length > 0}<Parts {block} {isHeld} {onTake} />{/if}
  <h1>{block.name}</h1>
  <p class="bars">{bars ? sayBars(bars) : block.why}</p>
  {#if bars}<p class="soft">{block.why}</p>{/if}
  {#if last?.mark === 'n'}<div class="stated"><Elements chosen={last.notHeld} onChange={onState} /></div>{/if}
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
  .stated {
    position: absolute;
    right: 14px;
    bottom: 0;
    width: 380px;
  }
  @media (max-width: 720px) {
    .what {
      padding-right: 16px;
      padding-left: 16px;
    }
    .stated {
      position: static;
      width: auto;
      margin: 0 -7px;
    }
  }
</style>

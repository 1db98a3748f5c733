<!-- The ladder of stages up to the round: treads at their dates, thick where they were played, thin where they are still to go. -->
<script lang="ts">
  import { dayOf, sayDate } from '$lib/core/units';
  import type { MocksView } from '$lib/schema/mock-view';
  import { ladderAxis } from './axis';

  let { view }: { view: Pick<MocksView, 'stages' | 'today' | 'roundOn' | 'mockFrom'> } = $props();

  const { today, round, first, across } = $derived(ladderAxis(view));
  const dated = $derived(
    view.stages.flatMap((one) => (one.date === null ? [] : [{ ...one, day: dayOf(one.date) }]))
  );
  /** A tread, in per cent, that has no room for its words. */
  const NARROW = 14;
  const treads = $derived(
    dated.map((one, i) => ({ ...one, left: across(one.day), right: across(dated[i + 1]?.day ?? round) }))
  );
  /** Stages stand one above the other. */
  const height = (stage: number) => 12 + 17 * (stage - 1);
  const without = $derived(view.stages.filter(({ date, isPassed }) => date === null && !isPassed));
</script>

<figure class="ladder" aria-label="The stages up to the round">
  <div class="picture">
    {#if view.mockFrom}<i class="window" style:left="{Math.max(0, across(dayOf(view.mockFrom)))}%"></i>{/if}
    {#each treads as tread, i (tread.stage)}
      {@const bottom = height(tread.stage)}
      <i
        class={['tread', { over: tread.isOver, booked: tread.mockId !== null }]}
        style:left="{tread.left}%"
        style:width="{tread.right - tread.left}%"
        style:bottom="{bottom}%"
      ></i>
      {#if i > 0}<i
          class={['riser', { over: tread.isOver, booked: tread.mockId !== null }]}
          style:left="{tread.left}%"
          style:bottom="{height(treads[i - 1]!.stage)}%"
          style:height="{bottom - height(treads[i - 1]!.stage)}%"
        ></i>{/if}
      <span
        class={['name', { aside: tread.right - tread.left < NARROW }]}
        style:left="{tread.left}%"
        style:bottom="calc({bottom}% + 6px)"
        ><b>{tread.stage} {tread.name}</b><br />{sayDate(tread.day)}{tread.time
          ? `, ${tread.time}`
          : ''}</span
      >
    {/each}
    {#if today >= first}<i class="today" style:left="{across(today)}%"></i>{/if}
    <i class="round"></i>
  </div>
  <figcaption>
    <span>today, {sayDate(today)}</span>
    {#if without.length > 0}<span
        >no day is left for {without.map(({ stage, name }) => `${stage}, ${name}`).join('; ')}</span
      >{/if}
    <span class="right"><b>{round - today}</b> days to go, {sayDate(round)}</span>
  </figcaption>
</figure>

<style>
  .ladder {
    margin: 0;
  }
  .picture {
    position: relative;
    height: 230px;
    margin-right: 6px;
    border-bottom: 1px solid var(--soft);
  }
  i {
    position: absolute;
  }
  .window {
    right: 0;
    bottom: 0;
    height: 16px;
    background: radial-gradient(var(--plan) 0.8px, transparent 1px) 0 0 / 4px 4px;
    opacity: 0.5;
  }
  .tread {
    height: 2px;
    background: var(--plan);
  }
  .riser {
    width: 2px;
    background: var(--plan);
  }
  .tread.booked {
    height: 4px;
  }
  .over {
    background: var(--ink);
  }
  .tread.over {
    height: 6px;
  }
  .riser.over {
    width: 6px;
  }
  .name {
    position: absolute;
    font-size: 14px;
    font-stretch: 88%;
    line-height: 1.25;
    white-space: nowrap;
    z-index: 1;
    background: linear-gradient(var(--paper), var(--paper)) content-box;
  }
  /* under the next step is no room: over the one before there is */
  .aside {
    padding-right: 8px;
    text-align: right;
    transform: translateX(-100%);
  }
  .today {
    bottom: 0;
    width: 2px;
    height: 100%;
    background: var(--ink);
  }
  .round {
    right: -6px;
    bottom: 0;
    width: 5px;
    height: 100%;
    background: var(--date);
  }
  figcaption {
    display: flex;
    flex-wrap: wrap;
    gap: 2px 24px;
    color: var(--soft);
    font-size: 14px;
  }
  .right b {
    font-size: 1.5rem;
  }
  .right {
    margin-left: auto;
    color: var(--date);
    font-weight: 600;
  }
  @media (max-width: 720px) {
    .picture {
      height: auto;
      border: 0;
    }
    .picture i {
      display: none;
    }
    .name {
      position: static;
      display: block;
      padding: 6px 0 6px 10px;
      text-align: left;
      border-left: 3px solid var(--plan);
      transform: none;
    }
    .name br {
      display: none;
    }
    .name b {
      margin-right: 8px;
    }
  }
</style>

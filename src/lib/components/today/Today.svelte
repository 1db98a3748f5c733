<!-- Today: the road map as one line of the day, its sum against the minutes there, and Begin. -->
<script lang="ts">
  import { onMount } from 'svelte';
  import { goto } from '$app/navigation';
  import { asBegun, blockInHand } from '$lib/core/practice';
  import { WEEKDAY_NAMES, dayOf, sayDate, weekdayOf } from '$lib/core/units';
  import type { TodayView } from '$lib/schema/view';
  import { DeskSession, type Player } from '$lib/state/desk.svelte';
  import QueueWords from '$lib/components/desk/QueueWords.svelte';
  import DayColumn from './DayColumn.svelte';
  import DayForms from './DayForms.svelte';
  import DayLine from './DayLine.svelte';
  import DayNotes from './DayNotes.svelte';
  import HurtNotice from './HurtNotice.svelte';
  import Unsent from './Unsent.svelte';
  import { BlockInHand } from './block-in-hand.svelte';
  import { minutesOf } from './day-scale';

  let { view, player }: { view: TodayView; player: Player } = $props();

  // one session for the page's life: what it shows comes from its events
  // svelte-ignore state_referenced_locally
  const session = new DeskSession(view, player);
  const { line } = session;
  onMount(() => {
    void session.open();
    return () => session.close();
  });

  const all = $derived(session.day?.blocks ?? asBegun(view.roadMap));
  const blocks = $derived(all.filter((block) => !block.isDropped));
  const dropped = $derived(all.filter((block) => block.isDropped));
  const sum = $derived(minutesOf(blocks));
  const over = $derived(sum - view.thereMin);
  const next = $derived(session.day ? blockInHand(session.day) : (blocks[0] ?? null));
  const hand = new BlockInHand(session, () => blocks);
  const { block: inHand, index } = $derived(hand);
  const isBegun = $derived(all.some((block) => block.run !== null));
  const begin = () => goto(`/auditions/${view.audition.id}/desk?begin`);
</script>

{#snippet takeBack()}
  {#if session.changes.last}<button class="quiet" onclick={session.takeBack}
      >undo: {session.changes.last}</button
    >{/if}
{/snippet}
{#snippet words()}
  {#if inHand}
    <div class="words" role="group" aria-label="Change {inHand.name}">
      <strong>{inHand.name}, {inHand.minutes} min</strong>
      <button class="quiet" disabled={index === 0 || inHand.run !== null} onclick={() => hand.shift(-1)}
        >earlier</button
      >
      <button
        class="quiet"
        disabled={index === blocks.length - 1 || inHand.run !== null}
        onclick={() => hand.shift(1)}>later</button
      >
      <button class="quiet" disabled={inHand.run?.end != null} onclick={() => hand.lengthen(1)}>longer</button
      >
      <button
        class="quiet"
        disabled={inHand.run?.end != null || inHand.minutes <= 1}
        onclick={() => hand.lengthen(-1)}>shorter</button
      >
      <button class="quiet" disabled={inHand.run !== null || inHand.minutes < 2} onclick={hand.split}
        >split</button
      >
      <button class="quiet" disabled={inHand.run !== null} onclick={hand.drop}>drop</button>
      {@render takeBack()}
      <span class="soft keys">Alt and arrows do the same</span>
    </div>
  {:else}<p class="back">{@render takeBack()}</p>
  {/if}
{/snippet}

<svelte:window onkeydown={hand.onKey} />
{#if session.isHurt}<HurtNotice
    since={view.hurt?.since ?? null}
    wish="/candidates/{view.candidate.id}?wish=lighter"
    onWell={player.isCandidate ? session.well : null}
  />{/if}
<Unsent {line} today={view.today} />
{#if line.state.kind === 'refused'}<p class="state"><QueueWords state={line.state} /></p>{/if}
<div class="today">
  <div class="side">
    <h2>{WEEKDAY_NAMES[weekdayOf(dayOf(view.today)) - 1]}</h2>
    <p class="soft">{sayDate(dayOf(view.today))}</p>
    {#if line.state.kind !== 'refused' && line.state.kind !== 'asking'}<p>
        <QueueWords state={line.state} />
      </p>{/if}
    {#if blocks.length > 0}<p class="sum phone"><b>{sum}</b> of {view.thereMin} minutes</p>{/if}
  </div>
  {#if blocks.length > 0}
    <div class="map">
      <div class="wide">
        <DayLine
          {blocks}
          thereMin={view.thereMin}
          inHand={hand.picked}
          onPick={hand.pick}
          onMinutes={(id, minutes) => session.set(id, { minutes })}
          onMove={hand.moveBetween}
        />
        {@render words()}
      </div>
      <div class="column">
        <DayColumn {blocks} inHand={hand.picked} onPick={hand.pick} onMove={hand.moveBetween} {words} />
      </div>
    </div>
    <p class="sum desk" class:over={over > 0}>
      <b>{sum}</b> of {view.thereMin}<br />
      {#if over > 0}<strong>{over} too many</strong>{:else if over < 0}{-over} free{:else}as planned{/if}
    </p>
    {#if next}<button class="begin" class:hushed={session.isHurt} onclick={begin}
        ><span>{next.run ? 'Go on' : isBegun ? 'Next' : 'Begin'}</span>
        <small>with {next.name}</small></button
      >{:else}<p class="begin done"><span>Done</span><small>all of today is played</small></p>{/if}
  {:else}
    <p class="map first">
      {view.roadMap.length === 0 ? 'Nothing is planned for today.' : 'All of today is left out.'}
    </p>
  {/if}
</div>
{#if session.fault}<p role="alert">{session.fault}</p>{/if}

<div class="rest">
  {#if dropped.length > 0}
    <h3>Left for later</h3>
    <p class="dropped">
      {#each dropped as block (block.id)}<button
          class="quiet"
          onclick={() => session.set(block.id, { isDropped: false })}
          >{block.name}, {block.minutes} min: put back</button
        >{/each}
    </p>
  {/if}
  <DayForms {view} {session} {all} freeMin={-over} />
  <DayNotes {view} {all} equipment={session.equipment} onEquip={session.equip} />
</div>

<style>
  .today {
    position: relative;
    display: grid;
    grid-template-columns: var(--names) minmax(0, 1fr) var(--targets);
    margin-top: 16px;
  }
  .side h2 {
    font-size: 1.9rem;
    line-height: 1.1;
  }
  .column,
  .sum.phone {
    display: none;
  }
  .sum.desk {
    align-self: start;
    padding: 116px 0 0 12px;
    font-size: 14px;
    font-stretch: 88%;
  }
  .sum b {
    font-size: 32px;
    line-height: 1;
  }
  .first {
    padding: 24px 0;
    font-size: 1.2rem;
  }
  .begin {
    position: absolute;
    top: 158px;
    left: 0;
    display: grid;
    align-content: center;
    gap: 5px;
    justify-items: end;
    width: var(--names);
    height: 81px;
    padding: 0 16px;
    border: 0;
    background: var(--ink);
    color: var(--paper);
    line-height: 1;
  }
  .begin.done {
    background: var(--paper);
    border-top: 3px solid var(--ink);
    border-bottom: 7px double var(--ink);
    color: var(--ink);
  }
  /* nothing urges while something hurts */
  .hushed {
    border: 2px solid var(--ink);
    background: var(--paper);
    color: var(--ink);
  }
  .begin span {
    font-size: 40px;
    font-weight: 700;
  }
  .begin small {
    max-width: 100%;
    overflow: hidden;
    font-size: 13px;
    font-stretch: 84%;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
  .words {
    display: flex;
    flex-wrap: wrap;
    align-items: baseline;
    gap: 4px 22px;
    padding: 6px 8px;
    border: solid var(--ink);
    border-width: 0 2px 2px;
  }
  .back {
    min-height: 24px;
    padding-left: 8px;
  }
  .words button:disabled {
    color: var(--soft);
    cursor: default;
    text-decoration: none;
  }
  .keys {
    margin-left: auto;
    font-size: 0.87rem;
  }
  .rest {
    display: grid;
    grid-template-columns: var(--names) minmax(0, 1fr);
    gap: 10px 0;
    align-items: baseline;
    margin-top: 24px;
    padding-top: 16px;
    border-top: 1px solid var(--rule);
  }
  .dropped {
    display: flex;
    flex-wrap: wrap;
    gap: 2px 24px;
  }
  .state {
    margin-top: 12px;
  }
  @media (max-width: 900px) {
    .today {
      display: block;
      padding-bottom: 8px;
    }
    .side {
      position: relative;
      margin-bottom: 10px;
    }
    .sum.phone {
      position: absolute;
      right: 0;
      bottom: 0;
      display: block;
    }
    .sum.phone b {
      font-size: 20px;
    }
    .sum.desk,
    .wide {
      display: none;
    }
    .column {
      display: block;
    }
    .begin {
      position: sticky;
      top: auto;
      bottom: 0;
      z-index: 2;
      grid-template-columns: auto 1fr;
      align-items: baseline;
      width: 100%;
      height: 72px;
      margin-top: 14px;
    }
    .begin small {
      font-size: 16px;
    }
    .rest {
      grid-template-columns: minmax(0, 1fr);
      gap: 4px;
    }
    .rest :global(h3) {
      margin-top: 10px;
    }
    .words button {
      min-height: 44px;
    }
    .keys {
      display: none;
    }
  }
</style>

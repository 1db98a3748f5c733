<script lang="ts">
  import Afterwards from '$lib/components/round-day/Afterwards.svelte';
  import DayAxis from '$lib/components/round-day/DayAxis.svelte';
  import DayForm from '$lib/components/round-day/DayForm.svelte';
  import DayList from '$lib/components/round-day/DayList.svelte';
  import UndoLine from '$lib/components/ui/UndoLine.svelte';
  import { dayOf, sayDate } from '$lib/core/units';
  import type { ActionData, PageData } from './$types';

  let { data, form }: { data: PageData; form: ActionData } = $props();
  const view = $derived(data.view);
  const faults = $derived((form && 'faults' in form && form.faults) || {});
  const undo = $derived(form && 'undo' in form ? form.undo : null);

  const LOOKS_EVERY_MS = 15_000;
  /** Since the page came, by the device's own clock: the studio's is what counts. */
  let sinceMs = $state(0);
  $effect(() => {
    const began = performance.now();
    sinceMs = 0;
    void view.nowMs;
    const ticking = setInterval(() => (sinceMs = performance.now() - began), LOOKS_EVERY_MS);
    return () => clearInterval(ticking);
  });
  const others = $derived(view.rounds.filter(({ id }) => id !== view.round.id));
</script>

<svelte:head><title>The day · {view.candidate.name} · Irvot</title></svelte:head>
<div class="page-of-day">
  <section class="day" aria-label="The day">
    <h2>{sayDate(dayOf(view.round.date))}</h2>
    {#if view.slotMs === null}
      <p class="first">
        The hour of {view.round.name} is not known yet: the day is counted back from it. It is entered with
        <a href="/auditions/{view.audition.id}/call">the call</a>.
      </p>
    {:else}
      {#if view.day.travelMin === null}<p class="soft">
          Nobody has said how long the way is: half an hour is presumed.
        </p>{/if}
      {#if view.homeZone}<p class="soft">
          Times are those of {view.round.zone}; beside them what the clock says at home, in {view.homeZone}.
        </p>{/if}
      <DayAxis {view} nowMs={view.nowMs + sinceMs} />
    {/if}
    <div class="slot">
      <strong>{view.round.time ?? '?'}</strong>
      <p>
        <b>{view.audition.name}</b>
        <span>{view.round.name}{view.day.place ? `, ${view.day.place}` : ''}</span>
      </p>
    </div>
    <DayList {view} />
    <p class="soft hint">
      Tap a tempo: one bar of it is heard once. Before each item a bar in the head, and its first notes.
    </p>
  </section>
  <section class="form" aria-label="What it stands on">
    {#if undo}{#key undo.token}<UndoLine {...undo} />{/key}{/if}
    {#key view.round.id}
      {#if view.isOver}<Afterwards {view} {faults} />{/if}
      <DayForm {view} {faults} />
    {/key}
    {#each others as round (round.id)}<p>
        <a href="?round={round.id}">The day of {round.name}, {sayDate(dayOf(round.date))}</a>
      </p>{/each}
    <button class="quiet" onclick={() => window.print()}>Print the day</button>
  </section>
</div>

<style>
  .page-of-day {
    display: grid;
    grid-template-columns: minmax(0, 6fr) minmax(0, 5fr);
    gap: 24px 56px;
    margin-top: 18px;
  }
  .first {
    margin: 12px 0 24px;
  }
  .slot {
    display: flex;
    gap: 20px;
    align-items: center;
    padding: 8px 0;
    border-top: 4px solid var(--date);
    border-bottom: 1.5px solid var(--ink);
  }
  .slot strong {
    color: var(--date);
    font-size: 3.2rem;
    font-stretch: 84%;
    line-height: 1;
  }
  .slot b,
  .slot span {
    display: block;
  }
  .slot span {
    color: var(--soft);
  }
  .hint {
    margin-top: 8px;
    font-size: 0.87rem;
  }
  @media (max-width: 900px) {
    .page-of-day {
      display: block;
    }
    .form {
      margin-top: 36px;
    }
  }
  @media print {
    .page-of-day {
      display: block;
    }
    .form,
    .hint,
    :global(.season nav),
    :global(.season > a) {
      display: none;
    }
  }
</style>

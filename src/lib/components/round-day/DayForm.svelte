<!-- What the day stands on: how long each thing takes, what to think of at it, and the thought before each item. -->
<script lang="ts">
  import { PRESUMED_TRAVEL_MIN, USUAL_MIN } from '$lib/core/round-day';
  import { DAY_STEPS } from '$lib/core/record/words';
  import { keepFields } from '$lib/state/kept-fields';
  import type { RoundDayView } from '$lib/schema/round-day-view';
  import { STEP_NAMES, STEP_SAYS } from './words';

  let { view, faults }: { view: RoundDayView; faults: Readonly<Record<string, string>> } = $props();

  // whose it is stays: the day of another round is set up anew
  // svelte-ignore state_referenced_locally
  const kept = keepFields(`round day ${view.audition.id} ${view.round.id}`);
  const { trouble } = kept;
</script>

{#snippet fault(name: string)}
  {#if faults[name]}<span class="fault" role="alert">{faults[name]}</span>{/if}
{/snippet}

<form method="POST" action="?/set&round={view.round.id}" use:kept.action>
  <h2>What it stands on</h2>
  <label class="long"
    ><span>Where: house, door, room</span><input
      name="place"
      maxlength="200"
      dir="auto"
      value={view.day.place}
    />{@render fault('place')}</label
  >
  <label class="way"
    ><span>Minutes from door to door; a quarter is kept besides</span><input
      name="travelMin"
      inputmode="numeric"
      size="4"
      placeholder={String(PRESUMED_TRAVEL_MIN)}
      value={view.day.travelMin ?? ''}
    />{@render fault('travelMin')}</label
  >
  <fieldset>
    <legend>Each thing, its minutes, and what to think of at it</legend>
    {#each DAY_STEPS as step (step)}
      <div class="row">
        <span>{STEP_NAMES[step]}</span>
        {#if step === 'leave'}<span></span>{:else}<input
            name="min-{step}"
            inputmode="numeric"
            aria-label="Minutes: {STEP_NAMES[step]}"
            placeholder={String(USUAL_MIN[step])}
            value={view.day.minutes[step] ?? ''}
          />{/if}
        <input
          name="note-{step}"
          maxlength="200"
          dir="auto"
          aria-label="To think of: {STEP_NAMES[step]}"
          placeholder={STEP_SAYS[step]}
          value={view.day.notes[step] ?? ''}
        />
        {@render fault(`min-${step}`)}{@render fault(`note-${step}`)}
      </div>
    {/each}
  </fieldset>
  <fieldset>
    <legend>The thought before each item; it stands at its runs as well</legend>
    {#each view.items as { id, name, thought } (id)}
      <label class="row item"
        ><span><bdi>{name}</bdi></span><input
          name="thought-{id}"
          maxlength="200"
          dir="auto"
          value={thought}
        />{@render fault(`thought-${id}`)}</label
      >
    {/each}
  </fieldset>
  <button class="action main">Save</button>
  {#if $trouble}<p class="fault" role="alert">{$trouble}</p>{/if}
</form>

<style>
  h2 {
    margin-bottom: 8px;
  }
  label span:first-child,
  legend {
    color: var(--soft);
    font-size: 0.93rem;
  }
  label {
    display: block;
    margin-bottom: 10px;
  }
  .long input {
    display: block;
    width: 100%;
  }
  .way input {
    display: block;
    width: 5em;
  }
  input {
    min-height: 40px;
  }
  fieldset {
    margin: 14px 0;
    padding: 0;
    border: 0;
  }
  legend {
    padding: 0;
  }
  .row {
    display: grid;
    grid-template-columns: 76px 64px minmax(0, 1fr);
    gap: 4px 8px;
    align-items: center;
    margin: 4px 0;
  }
  .row input {
    width: 100%;
  }
  .row.item {
    grid-template-columns: minmax(90px, 1fr) 2fr;
  }
  .row.item span:first-child {
    color: var(--ink);
  }
  .row .fault {
    grid-column: 1 / -1;
  }
</style>

<!-- One candidate's own slots in the rounds of a call that others take too. -->
<script lang="ts">
  import { enhance } from '$app/forms';
  import { dayOf, sayDate } from '$lib/core/units';
  import type { Round, Slot } from '$lib/schema/view';

  let {
    rounds,
    slots,
    name,
    fault,
    saved
  }: {
    rounds: readonly Round[];
    slots: readonly Slot[];
    name: string;
    fault: string | null;
    /** The round whose slot was just saved. */
    saved: string | null;
  } = $props();
  const slotOf = (id: string) => slots.find((s) => s.roundId === id);
</script>

<section>
  <h3>Slot of <bdi>{name}</bdi> alone</h3>
  <p class="soft">
    The call gives a date or a week for all; where this candidate’s own day or hour is known, it counts
    instead.
  </p>
  {#if fault}<p class="fault" role="alert">{fault}</p>{/if}
  {#each rounds.filter((r) => !r.isHistory) as round (round.id)}
    {@const slot = slotOf(round.id)}
    <form
      method="POST"
      action="?/slot"
      use:enhance={() =>
        ({ update }) =>
          update({ reset: false })}
    >
      <input type="hidden" name="roundId" value={round.id} />
      <span class="what"
        ><strong>{round.name}</strong>
        <span class="soft">{round.isWeek ? 'week of ' : ''}{sayDate(dayOf(round.date))}</span></span
      >
      <label>day <input type="date" name="date" value={slot?.date ?? ''} /></label>
      <label>hour <input type="time" name="time" value={slot?.time ?? ''} /></label>
      <button class="quiet">{slot ? 'Change the slot' : 'Save the slot'}</button>
      {#if saved === round.id}<span role="status" class="soft"
          >{slot ? 'Saved; the plan is laid again.' : 'No slot: the call’s date counts.'}</span
        >{/if}
    </form>
  {/each}
</section>

<style>
  section {
    max-width: 960px;
    margin-top: 32px;
    padding-top: 10px;
    border-top: 1.5px solid var(--ink);
  }
  form {
    display: flex;
    flex-wrap: wrap;
    gap: 6px 18px;
    align-items: center;
    padding: 8px 0;
    border-bottom: 1px solid var(--rule);
  }
  .what {
    min-width: 240px;
  }
  label {
    color: var(--soft);
    font-size: 0.87rem;
  }
  input:not([type='hidden']) {
    min-height: 34px;
    padding: 3px 6px;
    border: 1px solid var(--soft);
    background: var(--paper);
    font-size: 1rem;
  }
  .fault {
    padding: 4px 0 4px 8px;
    border-left: 3px solid var(--ink);
    font-weight: 600;
  }
</style>

<!-- The pin of one rung: set on its planned date, moved by choosing another, or taken off. -->
<script lang="ts">
  import { send } from '$lib/state/send';
  import type { PlannedRung } from '$lib/core/season';
  import { dayOf, sayDate } from '$lib/core/units';
  import PinForm from './PinForm.svelte';

  let { itemId, rung, name, today }: { itemId: string; rung: PlannedRung; name: string; today: string } =
    $props();

  const fields = $derived({ itemId, sectionId: rung.sectionId, bpm: rung.bpm });
</script>

{#if rung.pinnedTo === null}
  {#if rung.date}
    <PinForm
      action="pinRung"
      fields={{ ...fields, date: rung.date }}
      word="Pin"
      label="Pin {name} to {sayDate(dayOf(rung.date))}"
    />
  {/if}
{:else}
  <form method="POST" action="?/pinRung" use:send>
    {#each Object.entries(fields) as [key, value] (key)}<input type="hidden" name={key} {value} />{/each}
    <input
      type="date"
      name="date"
      value={rung.pinnedTo}
      min={today}
      required
      aria-label="Pinned date of {name}"
      onchange={(event) => event.currentTarget.form?.requestSubmit()}
    />
  </form>
  <PinForm action="unpinRung" {fields} word="Unpin" label="Take the pin off {name}" />
  {#if rung.pinnedTo !== rung.date}<span class="missed"
      >cannot be kept: {rung.pinnedTo < today
        ? 'that day is over'
        : 'there are no minutes for it on that day'}</span
    >{/if}
{/if}

<style>
  form {
    display: inline;
  }
  input {
    width: 9.5em;
    min-height: 28px;
    padding: 0 4px;
    font-size: inherit;
  }
  .missed {
    display: block;
    font-weight: 600;
  }
</style>

<!-- What is one candidate's own of a call: slots in its rounds, mocks and other dates. Part of the call's form. -->
<script lang="ts">
  import Field from '$lib/components/ui/Field.svelte';
  import { parseDate, sayDate } from '$lib/core/units';
  import type { CallForm } from '$lib/schema/call-form';

  type Faults = Record<string, string[] | undefined> | undefined;
  let {
    form = $bindable(),
    dateFaults,
    slotFaults,
    name
  }: {
    form: Pick<CallForm, 'rounds' | 'slots' | 'ownDates'>;
    dateFaults: (i: number) => Faults;
    slotFaults: (i: number) => Faults;
    name: string;
  } = $props();

  const add = () =>
    (form.ownDates = [...form.ownDates, { date: '', name: 'mock, alone', kind: 'mock', minutes: 20 }]);
  const say = (date: string) => (parseDate(date) === null ? '' : sayDate(parseDate(date)!));
  /** Rounds that are there already and still to come, each with its slot. */
  const slots = $derived(
    form.slots.flatMap((slot, i) => {
      const round = form.rounds.find((r) => r.id !== '' && r.id === slot.roundId);
      return round && !round.isHistory ? [{ slot, round, i }] : [];
    })
  );
</script>

{#if slots.length > 0}
  <h3>Slot of <bdi>{name}</bdi> alone</h3>
  <p class="soft">
    The call gives a date or a week for all; where this candidate’s own day or hour is known, it counts
    instead.
  </p>
  {#each slots as { slot, round, i } (slot.roundId)}
    <fieldset class="slot">
      <legend class="hidden">Slot in {round.name}</legend>
      <span class="what"
        ><strong><bdi>{round.name}</bdi></strong>
        <span class="soft">{round.isWeek ? 'week of ' : ''}{say(round.date)}</span></span
      >
      <Field
        id="slot-{i}-date"
        label="Day"
        errors={slotFaults(i)?.date}
        type="date"
        bind:value={form.slots[i]!.date}
      />
      <Field
        id="slot-{i}-time"
        label="Hour"
        errors={slotFaults(i)?.time}
        type="time"
        bind:value={form.slots[i]!.time}
      />
    </fieldset>
  {/each}
{/if}

<h3>Mocks and dates of <bdi>{name}</bdi> alone</h3>
{#each form.ownDates as date, i (i)}
  {@const faults = dateFaults(i)}
  <fieldset>
    <legend class="hidden">Own date {i + 1}</legend>
    <Field
      id="own-{i}-name"
      label="What"
      errors={faults?.name}
      dir="auto"
      bind:value={form.ownDates[i]!.name}
    />
    <Field
      id="own-{i}-date"
      label="Date"
      errors={faults?.date}
      type="date"
      bind:value={form.ownDates[i]!.date}
    />
    <Field id="own-{i}-kind" label="Kind" errors={faults?.kind}>
      {#snippet control(w)}<select {...w} bind:value={form.ownDates[i]!.kind}
          ><option value="mock">mock</option><option value="other">other</option></select
        >{/snippet}
    </Field>
    <Field
      id="own-{i}-minutes"
      label="Minutes it takes"
      errors={faults?.minutes}
      type="number"
      bind:value={form.ownDates[i]!.minutes}
    />
    <button
      type="button"
      class="quiet"
      aria-label="Remove {date.name}"
      onclick={() => (form.ownDates = form.ownDates.filter((_, j) => j !== i))}>Remove</button
    >
  </fieldset>
{/each}
<button type="button" class="action" onclick={add}>Add a mock</button>

<style>
  h3 {
    margin: 28px 0 4px;
    padding-top: 10px;
    border-top: 1.5px solid var(--ink);
  }
  fieldset {
    display: grid;
    grid-template-columns: 1fr 160px 130px 130px auto;
    gap: 8px 16px;
    align-items: end;
    padding: 10px 0;
    border: 0;
    border-bottom: 1px solid var(--rule);
  }
  .slot {
    grid-template-columns: 1fr 160px 130px;
  }
  .what {
    align-self: center;
  }
  .quiet {
    justify-self: start;
    min-height: 36px;
  }
  .action {
    margin-top: 12px;
  }
  @media (max-width: 720px) {
    fieldset,
    .slot {
      grid-template-columns: 1fr 1fr;
    }
    .what {
      grid-column: 1 / -1;
    }
  }
</style>

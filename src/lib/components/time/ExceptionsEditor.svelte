<!-- Dates on which the week is otherwise: days off, days away, days with more. -->
<script lang="ts">
  import type { Writable } from 'svelte/store';
  import Field from '$lib/components/ui/Field.svelte';
  import type { TimeForm } from '$lib/schema/time-form';

  let {
    form,
    errors
  }: {
    form: Writable<TimeForm>;
    errors:
      Partial<Record<number, Partial<Record<'date' | 'until' | 'minutes' | 'why', string[]>>>> | undefined;
  } = $props();
</script>

<h3>Otherwise on these dates</h3>
<p class="soft">0 minutes is a day off. A last date makes it several days away.</p>
{#each $form.exceptions as exception, i (i)}
  <div class="exception">
    <Field
      id="exception-{i}-date"
      label="From"
      errors={errors?.[i]?.date}
      type="date"
      bind:value={exception.date}
    />
    <Field
      id="exception-{i}-until"
      label="To"
      errors={errors?.[i]?.until}
      type="date"
      bind:value={exception.until}
    />
    <Field
      id="exception-{i}-minutes"
      label="Minutes"
      errors={errors?.[i]?.minutes}
      type="number"
      bind:value={exception.minutes}
    />
    <Field
      id="exception-{i}-why"
      label="Why"
      errors={errors?.[i]?.why}
      dir="auto"
      bind:value={exception.why}
    />
    <button
      type="button"
      class="quiet"
      onclick={() => ($form.exceptions = $form.exceptions.filter((_, j) => j !== i))}>Remove</button
    >
  </div>
{/each}
<button
  type="button"
  class="action"
  onclick={() => ($form.exceptions = [...$form.exceptions, { date: '', until: '', minutes: 0, why: '' }])}
  >Add a date</button
>

<style>
  h3 {
    margin-top: 28px;
  }
  .exception {
    display: grid;
    grid-template-columns: 140px 140px 76px 1fr auto;
    gap: 8px 12px;
    align-items: start;
    margin-top: 8px;
  }
  .exception button {
    align-self: end;
    min-height: 36px;
    font-size: 0.87rem;
  }
  .action {
    margin-top: 12px;
  }
  @media (max-width: 720px) {
    .exception {
      grid-template-columns: 1fr 1fr;
    }
  }
</style>

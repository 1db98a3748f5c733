<!-- Mocks and other dates of one candidate alone; they take their minutes from the day. -->
<script lang="ts">
  import type { SuperValidated } from 'sveltekit-superforms';
  import type { z } from 'zod';
  import DraftBack from '$lib/components/ui/DraftBack.svelte';
  import Field from '$lib/components/ui/Field.svelte';
  import FormFaults from '$lib/components/ui/FormFaults.svelte';
  import type { ownDatesForm } from '$lib/schema/call-form';
  import { keptForm } from '$lib/state/kept-form';

  let {
    form: initial,
    name,
    draftKey
  }: { form: SuperValidated<z.infer<typeof ownDatesForm>>; name: string; draftKey: string } = $props();

  // Read once, while it is set up: what comes later must not undo what is typed or opened.
  // svelte-ignore state_referenced_locally
  const { form, errors, enhance, submitting, trouble, isBack, forget } = keptForm(initial, draftKey);
  const add = () =>
    ($form.dates = [...$form.dates, { date: '', name: 'mock, alone', kind: 'mock', minutes: 20 }]);
</script>

<form method="POST" action="?/own" use:enhance>
  <h3>Mocks and dates of <bdi>{name}</bdi> alone</h3>
  {#if $isBack}<DraftBack {forget} />{/if}
  <FormFaults errors={$trouble ? [$trouble] : $errors._errors} />
  {#each $form.dates as date, i (i)}
    {@const faults = $errors.dates?.[i]}
    <fieldset>
      <legend class="hidden">Own date {i + 1}</legend>
      <Field id="own-{i}-name" label="What" errors={faults?.name}>
        {#snippet control(w)}<input {...w} dir="auto" bind:value={date.name} />{/snippet}
      </Field>
      <Field id="own-{i}-date" label="Date" errors={faults?.date}>
        {#snippet control(w)}<input {...w} type="date" bind:value={date.date} />{/snippet}
      </Field>
      <Field id="own-{i}-kind" label="Kind" errors={faults?.kind}>
        {#snippet control(w)}<select {...w} bind:value={date.kind}
            ><option value="mock">mock</option><option value="other">other</option></select
          >{/snippet}
      </Field>
      <Field id="own-{i}-minutes" label="Minutes it takes" errors={faults?.minutes}>
        {#snippet control(w)}<input {...w} type="number" bind:value={date.minutes} />{/snippet}
      </Field>
      <button
        type="button"
        class="quiet"
        aria-label="Remove {date.name}"
        onclick={() => ($form.dates = $form.dates.filter((_, j) => j !== i))}>Remove</button
      >
    </fieldset>
  {/each}
  <p class="ends">
    <button type="button" class="action" onclick={add}>Add a mock</button>
    <button class="action main" disabled={$submitting}>Save these dates</button>
  </p>
</form>

<style>
  form {
    max-width: 960px;
    margin-top: 32px;
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
  .quiet {
    min-height: 36px;
  }
  .ends {
    display: flex;
    gap: 12px;
    margin-top: 12px;
  }
  @media (max-width: 720px) {
    fieldset {
      grid-template-columns: 1fr 1fr;
    }
  }
</style>

<!-- A touch as a form; attempts are put down in the order played. -->
<script lang="ts">
  import type { SuperValidated } from 'sveltekit-superforms';
  import FormFaults from '$lib/components/ui/FormFaults.svelte';
  import Field from '$lib/components/ui/Field.svelte';
  import { elementsFor } from '$lib/core/practice';
  import type { InstrumentFamily } from '$lib/core/record/family';
  import type { SeasonItem } from '$lib/core/season';
  import { targetOf } from '$lib/core/tempo';
  import { BEAT_UNITS, type Tempo, sayUnit } from '$lib/core/units';
  import type { TouchForm } from '$lib/schema/touch-form';
  import { keptForm } from '$lib/state/kept-form';

  type Picked = { itemId: string; sectionId: string | null; click: Tempo | null; minutes: number };
  let {
    form: initial,
    items,
    picked,
    today,
    auditionId,
    family
  }: {
    form: SuperValidated<TouchForm>;
    items: readonly SeasonItem[];
    picked: Picked | null;
    today: string;
    auditionId: string;
    family: InstrumentFamily | null;
  } = $props();

  // Read once, while it is set up: what comes later must not undo what is typed or opened.
  // svelte-ignore state_referenced_locally
  const { form, errors, enhance, submitting, trouble } = keptForm(initial, `touch ${auditionId}`, {
    isFresh: picked !== null
  });

  // Read once, while it is set up: what comes later must not undo what is typed or opened.
  // svelte-ignore state_referenced_locally
  if (picked) fill(picked);

  function fill({ itemId, sectionId, click, minutes }: Picked) {
    const section = items.find((i) => i.id === itemId)?.sections.find((s) => s.id === sectionId);
    $form = {
      ...$form,
      itemId,
      minutes,
      date: today,
      fromBar: section?.fromBar ?? null,
      toBar: section?.toBar ?? null,
      tempoBpm: click?.bpm ?? null,
      unit: click?.unit ?? 'quarter',
      attempts: ''
    };
  }

  function useUnit() {
    const first = items.find((i) => i.id === $form.itemId)?.sections[0];
    const unit = first && targetOf(first.tempo)?.unit;
    if (unit) $form.unit = unit;
  }
</script>

<form method="POST" action="?/touch" use:enhance>
  {#if $trouble}<div class="note"><FormFaults errors={[$trouble]} /></div>{/if}
  <div class="item">
    <Field id="itemId" label="Item" errors={$errors.itemId}>
      {#snippet control(w)}<select {...w} bind:value={$form.itemId} onchange={useUnit}
          >{#each items as item (item.id)}<option value={item.id}>{item.name}</option>{/each}</select
        >{/snippet}
    </Field>
  </div>
  <Field id="date" label="Date" errors={$errors.date} type="date" max={today} bind:value={$form.date} />
  <Field id="fromBar" label="From bar" errors={$errors.fromBar} type="number" bind:value={$form.fromBar} />
  <Field id="toBar" label="To bar" errors={$errors.toBar} type="number" bind:value={$form.toBar} />
  <Field id="minutes" label="Minutes" errors={$errors.minutes} type="number" bind:value={$form.minutes} />
  <Field
    id="tempoBpm"
    label="Tempo, bpm"
    errors={$errors.tempoBpm}
    type="number"
    step="any"
    bind:value={$form.tempoBpm}
  />
  <Field id="unit" label="Beat unit" errors={$errors.unit}>
    {#snippet control(w)}<select {...w} bind:value={$form.unit}
        >{#each BEAT_UNITS as unit (unit)}<option value={unit}>{sayUnit(unit)}</option>{/each}</select
      >{/snippet}
  </Field>
  <div class="attempts">
    <Field
      id="attempts"
      label="Attempts, in order"
      hint="c is clean, n is not yet: ccncc"
      errors={$errors.attempts}
      autocomplete="off"
      bind:value={$form.attempts}
    />
    <button type="button" class="action" onclick={() => ($form.attempts += 'n')}>not yet</button>
    <button type="button" class="action" onclick={() => ($form.attempts += 'c')}>clean</button>
  </div>
  <fieldset>
    <legend>What did not hold</legend>
    {#each elementsFor(family) as element (element)}
      <label><input type="checkbox" bind:group={$form.notHeld} value={element} /> {element}</label>
    {/each}
  </fieldset>
  <div class="note">
    <Field id="note" label="Note" errors={$errors.note}>
      {#snippet control(w)}<textarea {...w} rows="2" dir="auto" bind:value={$form.note}></textarea>{/snippet}
    </Field>
  </div>
  <label class="recorded"
    ><input type="checkbox" bind:checked={$form.isRecorded} /> heard again on a recording</label
  >
  <button class="action main" disabled={$submitting}>Log this touch</button>
</form>

<style>
  form {
    display: grid;
    grid-template-columns: repeat(4, 1fr);
    gap: 12px 14px;
    align-items: start;
    margin-top: 10px;
  }
  .item {
    grid-column: span 2;
  }
  .attempts {
    display: grid;
    grid-template-columns: 1fr 1fr 1fr;
    grid-column: span 2;
    gap: 8px;
    align-items: start;
  }
  .attempts button {
    margin-top: 22px;
    padding: 6px 4px;
  }
  fieldset,
  .note {
    grid-column: 1 / -1;
  }
  fieldset {
    display: flex;
    flex-wrap: wrap;
    gap: 2px 16px;
    padding: 0;
    border: 0;
  }
  legend {
    color: var(--soft);
    font-size: 0.87rem;
  }
  fieldset label,
  .recorded {
    display: flex;
    gap: 6px;
    align-items: center;
    min-height: 30px;
  }
  .recorded {
    grid-column: span 2;
  }
  form > .action {
    grid-column: span 2;
    justify-self: end;
  }
  @media (max-width: 720px) {
    form {
      grid-template-columns: 1fr 1fr;
    }
    .attempts button {
      min-height: 44px;
    }
  }
</style>

<!-- What an item is: its name, its kind, and what a plan asks of that kind: bars, keys and octaves, or minutes alone. -->
<script lang="ts">
  import type { Writable } from 'svelte/store';
  import Field from '$lib/components/ui/Field.svelte';
  import FieldGrid from '$lib/components/ui/FieldGrid.svelte';
  import type { ItemForm } from '$lib/schema/item-form';
  import { askedOf } from '$lib/schema/list/row';

  let { form, errors }: { form: Writable<ItemForm>; errors: Record<string, string[]> } = $props();

  const asked = $derived(askedOf($form.kind));

  /** One section alone follows the item's bars while they are typed. */
  function followBars() {
    const [only] = $form.sections;
    if ($form.sections.length === 1 && only)
      $form.sections = [{ ...only, fromBar: $form.fromBar, toBar: $form.toBar }];
  }
</script>

<FieldGrid>
  <div class="wide">
    <Field id="name" label="Name" errors={errors.name} dir="auto" bind:value={$form.name} />
  </div>
  <Field
    id="composer"
    label="Composer, or what it is"
    errors={errors.composer}
    dir="auto"
    bind:value={$form.composer}
  />
  <Field id="kind" label="Kind" errors={errors.kind}>
    {#snippet control(w)}
      <select {...w} bind:value={$form.kind}>
        <option value="etude">etude</option><option value="excerpt">excerpt</option><option value="solo"
          >solo</option
        >
        <option value="scales">scales</option><option value="sight-reading">sight-reading</option>
      </select>
    {/snippet}
  </Field>
  {#if asked === 'minutes'}
    <Field
      id="minutesPerWeek"
      label="Minutes a week"
      errors={errors.minutesPerWeek}
      type="number"
      bind:value={$form.minutesPerWeek}
    />
  {:else if asked === 'keys'}
    <div class="wide">
      <Field
        id="key"
        label="Keys and octaves"
        errors={errors.key}
        placeholder="all major, two octaves"
        bind:value={$form.key}
      />
    </div>
  {:else}
    <Field
      id="fromBar"
      label="First bar"
      errors={errors.fromBar}
      type="number"
      bind:value={$form.fromBar}
      oninput={followBars}
    />
    <Field
      id="toBar"
      label="Last bar"
      errors={errors.toBar}
      type="number"
      bind:value={$form.toBar}
      oninput={followBars}
    />
    <Field id="metre" label="Metre" errors={errors.metre} bind:value={$form.metre} />
    <Field
      id="pickupBeats"
      label="Pickup, beats"
      errors={errors.pickupBeats}
      type="number"
      step="any"
      bind:value={$form.pickupBeats}
    />
  {/if}
  {#if asked !== 'bars'}
    <div class="wide">
      <Field
        id="tested"
        label="What is being tested"
        errors={errors.tested}
        dir="auto"
        bind:value={$form.tested}
      />
    </div>
  {/if}
</FieldGrid>

<!-- How an item climbs: strategy with the one recommended, step, shape; and the ladder or chain they make, before it is taken. -->
<script lang="ts">
  import type { Writable } from 'svelte/store';
  import Field from '$lib/components/ui/Field.svelte';
  import FieldGrid from '$lib/components/ui/FieldGrid.svelte';
  import { usualDemands } from '$lib/core/plan';
  import type { Touch } from '$lib/core/practice';
  import { STRATEGIES, previewClimb, recommendStrategy, sayRung } from '$lib/core/season';
  import { type ItemForm, readItemForm } from '$lib/schema/item-form';
  import { STRATEGY_NAMES } from '$lib/schema/steps';

  type Errors = Partial<Record<keyof ItemForm, string[] | undefined>>;
  let {
    form,
    errors,
    log,
    today,
    instruments
  }: {
    form: Writable<ItemForm>;
    errors: Errors;
    /** Touches of this item. */
    log: readonly Touch[];
    today: string;
    instruments: string;
  } = $props();

  const item = $derived.by(() => {
    const read = readItemForm($form);
    return read.ok ? { ...read.item, id: log[0]?.itemId ?? read.item.id } : null;
  });
  const advised = $derived(item && recommendStrategy(item, log));
  const ladders = $derived(item ? previewClimb(item, log, today) : []);
  const sectionOf = (id: string) => $form.sections.find((s) => s.id === id);
</script>

<FieldGrid>
  <div class="wide">
    <Field id="strategy" label="Strategy" errors={errors.strategy}>
      {#snippet control(w)}
        <select {...w} bind:value={$form.strategy}
          >{#each STRATEGIES as strategy (strategy)}<option value={strategy}
              >{STRATEGY_NAMES[strategy]}</option
            >{/each}</select
        >
      {/snippet}
    </Field>
  </div>
  <Field
    id="notesPerBeat"
    label="Notes a beat"
    hint="Where it is densest."
    errors={errors.notesPerBeat}
    type="number"
    step="any"
    bind:value={$form.notesPerBeat}
  />
  <Field
    id="tires"
    label="What it tires"
    hint="Kept apart in a day: {usualDemands(instruments).join(', ')}"
    errors={errors.tires}
    list="demands"
    bind:value={$form.tires}
  />
  <datalist id="demands"
    >{#each usualDemands(instruments) as demand (demand)}<option value={demand}></option>{/each}</datalist
  >
  {#if advised}
    <p class="advice">
      Recommended: <strong>{STRATEGY_NAMES[advised.strategy]}</strong>. {advised.reason}
      {#if advised.strategy !== $form.strategy}<button
          type="button"
          class="quiet"
          onclick={() => ($form.strategy = advised.strategy)}>Choose it</button
        >{/if}
    </p>
  {/if}
  <div class="wide">
    <Field id="step" label="Step of the click" errors={errors.step}>
      {#snippet control(w)}
        <select {...w} bind:value={$form.step}>
          <option value="auto">traditional scale: one click when shaky, two when easy</option>
          <option value="one">traditional scale, one click</option><option value="two"
            >traditional scale, two clicks</option
          >
          <option value="plus-2">+2 bpm</option><option value="plus-4">+4 bpm</option><option value="plus-5"
            >+5 bpm</option
          ><option value="plus-10">+10 bpm</option>
          <option value="percent-5">+5 percent</option><option value="zigzag"
            >two clicks forward, one back</option
          >
        </select>
      {/snippet}
    </Field>
  </div>
  <div class="wide">
    <Field id="shape" label="Shape of the ramp" errors={errors.shape}>
      {#snippet control(w)}
        <select {...w} bind:value={$form.shape}>
          <option value="equal-percent">equal percentage</option><option value="equal-bpm">equal bpm</option
          ><option value="smaller-near-top">smaller steps near the top</option>
        </select>
      {/snippet}
    </Field>
  </div>
  <Field id="inARow" label="Clean, so often" errors={errors.inARow} type="number" bind:value={$form.inARow} />
  <Field
    id="among"
    label="among the last"
    hint="Empty: one after the other."
    errors={errors.among}
    type="number"
    bind:value={$form.among}
  />
  <Field id="back" label="After two not yet" errors={errors.back}>
    {#snippet control(w)}
      <select {...w} bind:value={$form.back}>
        <option value="step">one step back</option><option value="held">back to what held last</option><option
          value="stay">stay</option
        >
      </select>
    {/snippet}
  </Field>
  <Field
    id="mostPerDayMin"
    label="Most minutes a day"
    hint="50 unless you say otherwise."
    errors={errors.mostPerDayMin}
    type="number"
    bind:value={$form.mostPerDayMin}
  />
</FieldGrid>
<ul class="ladders" aria-label="What it makes" aria-live="polite">
  {#each ladders as ladder (ladder.sectionId)}
    {@const section = sectionOf(ladder.sectionId)}
    <li>
      <span class="soft"
        >bars {section?.fromBar}–{section?.toBar}, {ladder.rungs.length}
        {ladder.rungs.length === 1 ? 'rung' : 'rungs'}, {ladder.minutes} min:</span
      >
      {ladder.rungs.map(sayRung).join(' · ')}
    </li>
  {:else}
    <li class="soft">
      {item
        ? 'It holds: no ladder is left.'
        : 'Its ladder is shown here once the fields above are filled in.'}
    </li>
  {/each}
</ul>

<style>
  .advice {
    grid-column: 1 / -1;
    padding-left: 8px;
    border-left: 3px solid var(--plan);
  }
  .ladders {
    margin-top: 12px;
    padding: 0;
    list-style: none;
    font-stretch: 90%;
  }
</style>

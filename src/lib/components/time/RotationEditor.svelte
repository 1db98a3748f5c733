<!-- Fundamentals by turns: what, how long, how often, until when and what then; with the sum against the minutes there are. -->
<script lang="ts">
  import type { Writable } from 'svelte/store';
  import Field from '$lib/components/ui/Field.svelte';
  import { rotationArithmetic, sayOften, startingSet } from '$lib/core/practice';
  import { familyOf } from '$lib/core/record/family';
  import { CLICK_STAGES } from '$lib/core/record/words';
  import { BEAT_UNITS, WEEKDAY_NAMES, sayUnit } from '$lib/core/units';
  import {
    OFTEN,
    type TimeForm,
    type TurnForm,
    fillOften,
    fillScales,
    readOften,
    readTurn
  } from '$lib/schema/time-form';

  let {
    form,
    errors,
    minutesADay,
    practised,
    instruments,
    today
  }: {
    form: Writable<TimeForm>;
    errors: Partial<Record<number, Partial<Record<keyof TurnForm, unknown>>>> | undefined;
    minutesADay: number;
    /** ISO weekdays with minutes. */
    practised: readonly number[];
    instruments: string;
    today: string;
  } = $props();

  const sum = $derived(rotationArithmetic($form.rotation.map(readTurn), today, { practised, minutesADay }));
  let made = 0;
  const blank = (): TurnForm => ({
    id: `new-${(made += 1)}`,
    name: '',
    minutes: 3,
    often: 'every 1',
    weekdays: [],
    tires: '',
    until: '',
    next: '',
    ...fillScales(undefined)
  });
  function begin() {
    $form.rotation = startingSet(familyOf(instruments)).map(({ often, tires = '', scales, ...one }) => ({
      ...blank(),
      ...one,
      tires,
      ...fillOften(often),
      ...fillScales(scales)
    }));
  }
  const wordOf = (often: TurnForm['often']) =>
    often === 'weekdays' ? 'on these days' : sayOften(readOften({ often, weekdays: [] }));
  const faultOf = (i: number, field: keyof TurnForm) => errors?.[i]?.[field] as string[] | undefined;
  function toggle(turn: TurnForm, day: number) {
    turn.weekdays = turn.weekdays.includes(day)
      ? turn.weekdays.filter((one) => one !== day)
      : [...turn.weekdays, day].sort();
    $form.rotation = $form.rotation;
  }
</script>

<h3>Fundamentals, by turns</h3>
{#if $form.rotation.length === 0}
  <p class="soft">
    Without a list they are one block a day. With one, each day brings those that are longest overdue, within
    the minutes above.
  </p>
  <p class="ways">
    <button type="button" class="action" onclick={begin}
      >Begin with a set for {instruments || 'the instrument'}</button
    >
    <button type="button" class="action" onclick={() => ($form.rotation = [blank()])}>Add one</button>
  </p>
{:else}
  <p class:over={sum.asked > sum.there} class="sum" role="status">
    These ask <strong>{sum.asked}</strong> minutes a week; there are <strong>{sum.there}</strong>{sum.asked >
    sum.there
      ? `: ${sum.asked - sum.there} too many, so that some wait each week.`
      : '.'}
  </p>
  {#each $form.rotation as turn, i (turn.id)}
    <div class="turn">
      <Field id="turn-{i}-name" label="What" dir="auto" errors={faultOf(i, 'name')} bind:value={turn.name} />
      <Field
        id="turn-{i}-minutes"
        label="Minutes"
        type="number"
        errors={faultOf(i, 'minutes')}
        bind:value={turn.minutes}
      />
      <Field id="turn-{i}-often" label="How often" errors={faultOf(i, 'often')}>
        {#snippet control(w)}<select {...w} bind:value={turn.often}
            >{#each OFTEN as often (often)}<option value={often}>{wordOf(often)}</option>{/each}</select
          >{/snippet}
      </Field>
      <Field
        id="turn-{i}-until"
        label="Until"
        type="date"
        errors={faultOf(i, 'until')}
        bind:value={turn.until}
      />
      <Field id="turn-{i}-next" label="Then" dir="auto" errors={faultOf(i, 'next')} bind:value={turn.next} />
      <Field
        id="turn-{i}-tires"
        label="Tires"
        dir="auto"
        errors={faultOf(i, 'tires')}
        bind:value={turn.tires}
      />
      <button
        type="button"
        class="quiet"
        aria-label="Remove {turn.name || 'this one'}"
        onclick={() => ($form.rotation = $form.rotation.filter((_, j) => j !== i))}>Remove</button
      >
      <details open={turn.keys !== '' || faultOf(i, 'keys') !== undefined}>
        <summary>{turn.keys ? 'Scales, key by key' : 'Key by key?'}</summary>
        <div class="scales">
          <Field
            id="turn-{i}-keys"
            label="Keys, drawn by chance"
            hint="“all major”, “all minor”, or keys with commas between"
            dir="auto"
            errors={faultOf(i, 'keys')}
            bind:value={turn.keys}
          />
          <Field
            id="turn-{i}-pattern"
            label="How"
            dir="auto"
            errors={faultOf(i, 'pattern')}
            bind:value={turn.pattern}
          />
          <Field
            id="turn-{i}-octaves"
            label="Octaves"
            type="number"
            errors={faultOf(i, 'octaves')}
            bind:value={turn.octaves}
          />
          <Field id="turn-{i}-unit" label="Beat" errors={faultOf(i, 'unit')}>
            {#snippet control(w)}<select {...w} bind:value={turn.unit}
                >{#each BEAT_UNITS as unit (unit)}<option value={unit}>{sayUnit(unit)}</option>{/each}</select
              >{/snippet}
          </Field>
          <Field
            id="turn-{i}-fromBpm"
            label="From"
            type="number"
            errors={faultOf(i, 'fromBpm')}
            bind:value={turn.fromBpm}
          />
          <Field
            id="turn-{i}-toBpm"
            label="To"
            type="number"
            errors={faultOf(i, 'toBpm')}
            bind:value={turn.toBpm}
          />
          <Field id="turn-{i}-stage" label="Click, to begin with" errors={faultOf(i, 'stage')}>
            {#snippet control(w)}<select {...w} bind:value={turn.stage}
                >{#each CLICK_STAGES as stage (stage)}<option value={stage}>{stage}</option>{/each}</select
              >{/snippet}
          </Field>
        </div>
      </details>
      {#if turn.often === 'weekdays'}
        <div class="days" role="group" aria-label="Days of {turn.name || 'this one'}">
          {#each WEEKDAY_NAMES as name, d (name)}<label
              ><input
                type="checkbox"
                checked={turn.weekdays.includes(d + 1)}
                onchange={() => toggle(turn, d + 1)}
              />
              {name.slice(0, 3)}</label
            >{/each}
        </div>
      {/if}
    </div>
  {/each}
  <button type="button" class="action add" onclick={() => ($form.rotation = [...$form.rotation, blank()])}
    >Add one</button
  >
{/if}

<style>
  h3 {
    margin-top: 28px;
  }
  .ways {
    display: flex;
    flex-wrap: wrap;
    gap: 10px;
    margin-top: 8px;
  }
  .sum {
    margin-top: 4px;
  }
  .over {
    padding-left: 8px;
    border-left: 4px solid var(--ink);
  }
  .turn {
    display: grid;
    grid-template-columns: minmax(180px, 2fr) 76px 150px 140px minmax(120px, 1.2fr) 96px auto;
    gap: 4px 12px;
    align-items: start;
    padding: 8px 0;
    border-top: 1px solid var(--rule);
  }
  .turn .quiet {
    align-self: end;
    min-height: 36px;
  }
  details {
    grid-column: 1 / -1;
  }
  summary {
    color: var(--soft);
  }
  .scales {
    display: grid;
    grid-template-columns: minmax(200px, 3fr) minmax(140px, 2fr) 76px 150px 76px 76px 190px;
    gap: 4px 12px;
    align-items: start;
    padding: 4px 0 6px;
  }
  .days {
    display: flex;
    flex-wrap: wrap;
    grid-column: 1 / -1;
    gap: 4px 18px;
  }
  .add {
    display: block;
    margin-top: 8px;
  }
  /* said once, above the first */
  @media (min-width: 1001px) {
    .turn ~ .turn > :global(:not(.days, details) label) {
      position: absolute;
      overflow: hidden;
      width: 1px;
      height: 1px;
      clip-path: inset(50%);
    }
  }
  @media (max-width: 1000px) {
    .turn {
      grid-template-columns: 1fr 1fr;
    }
    .turn > :global(:first-child) {
      grid-column: 1 / -1;
    }
    .scales {
      grid-template-columns: 1fr 1fr;
    }
  }
</style>

<!-- One section: its bars and the one kind of tempo it has. -->
<script lang="ts">
  import Field from '$lib/components/ui/Field.svelte';
  import NoteValue from '$lib/components/note/NoteValue.svelte';
  import Recordings from './Recordings.svelte';
  import { EVIDENCE_NAMES } from '$lib/core/record/words';
  import { heardBy } from '$lib/state/heard-by';
  import type { PlannedSection } from '$lib/core/season';
  import { BEAT_UNITS, sayUnit } from '$lib/core/units';
  import type { Writable } from 'svelte/store';
  import type { ItemForm, SectionForm } from '$lib/schema/item-form';

  type Errors = Partial<Record<keyof SectionForm, string[]>>;
  let {
    form,
    errors,
    index,
    today,
    planned,
    hasBars,
    isUntaken = false,
    canRemove,
    onRemove
  }: {
    /** The editor's form, of which this is one section. */
    form: Writable<ItemForm>;
    errors: Errors | undefined;
    index: number;
    /** Where the candidate lives. */
    today: string;
    /** The section as the plan knows it; missing while it is new. */
    planned: PlannedSection | undefined;
    /** Scales have none that anybody counts. */
    hasBars: boolean;
    /** Nobody takes the list yet: nothing holds. */
    isUntaken?: boolean;
    canRemove: boolean;
    onRemove: () => void;
  } = $props();

  const KINDS = [
    ['pulse', 'one tempo'],
    ['range', 'a published range'],
    ['recordings', 'from recordings'],
    ['change', 'changes on the way'],
    ['free', 'free, by ear']
  ] as const;
  const section = $derived($form.sections[index]!);
  const recorded = $derived(
    section.recordings
      .split(/[\s,;]+/)
      .map(Number)
      .filter((bpm) => bpm > 0)
  );
  /** What is said to hold, holds today, unless another day is chosen. */
  function dateIt() {
    $form.sections[index]!.holdsOn ||= today;
  }
  const id = (name: string) => `section-${index}-${name}`;
</script>

{#snippet number(
  name:
    | 'fromBar'
    | 'toBar'
    | 'targetBpm'
    | 'lowBpm'
    | 'highBpm'
    | 'stretchBpm'
    | 'fromBpm'
    | 'toBpm'
    | 'minutesPerWeek',
  label: string
)}
  <Field
    id={id(name)}
    {label}
    errors={errors?.[name]}
    type="number"
    step="any"
    bind:value={$form.sections[index]![name]}
  />
{/snippet}

<fieldset class:keyed={!hasBars}>
  <legend class="hidden">Section {index + 1}</legend>
  {#if hasBars}
    {@render number('fromBar', 'From bar')}
    {@render number('toBar', 'To bar')}
  {/if}
  <Field id={id('tempoKind')} label="Tempo" errors={errors?.tempoKind}>
    {#snippet control(w)}
      <select {...w} bind:value={$form.sections[index]!.tempoKind}
        >{#each KINDS as [value, name] (value)}<option {value}>{name}</option>{/each}</select
      >
    {/snippet}
  </Field>
  {#if section.tempoKind !== 'free'}
    <div class="unit">
      <Field id={id('unit')} label="Beat unit" errors={errors?.unit}>
        {#snippet control(w)}
          <select {...w} bind:value={$form.sections[index]!.unit}
            >{#each BEAT_UNITS as unit (unit)}<option value={unit}>{sayUnit(unit)}</option>{/each}</select
          >
        {/snippet}
      </Field>
      <span class="drawn"><NoteValue unit={section.unit} height={22} /></span>
    </div>
  {/if}
  {#if section.tempoKind === 'pulse'}
    {@render number('targetBpm', 'Target, bpm')}
  {:else if section.tempoKind === 'range'}
    {@render number('lowBpm', 'Lowest, bpm')}
    {@render number('highBpm', 'Highest, bpm')}
    {@render number('stretchBpm', 'Wanted, bpm')}
  {:else if section.tempoKind === 'change'}
    {@render number('fromBpm', 'From, bpm')}
    {@render number('toBpm', 'To, bpm')}
  {:else if section.tempoKind === 'free'}
    {@render number('minutesPerWeek', 'Minutes a week')}
  {:else}
    <div class="wide">
      <Field
        id={id('recordings')}
        label="Tempos measured, bpm"
        hint="Five reputable recordings: 92 88 96 90 94"
        errors={errors?.recordings}
        bind:value={$form.sections[index]!.recordings}
      />
    </div>
    <Field id={id('use')} label="Target is their" errors={errors?.use}>
      {#snippet control(w)}<select {...w} bind:value={$form.sections[index]!.use}
          ><option value="mean">mean</option><option value="median">median</option></select
        >{/snippet}
    </Field>
  {/if}
  <div class="due">
    <Field
      id={id('dueOn')}
      label="Due on"
      errors={errors?.dueOn}
      type="date"
      bind:value={$form.sections[index]!.dueOn}
    />
  </div>
  {#if section.tempoKind !== 'free' && !isUntaken}
    <div class="holds">
      <Field
        id={id('holdsBpm')}
        label="Holds now, bpm"
        errors={errors?.holdsBpm}
        type="number"
        step="any"
        bind:value={$form.sections[index]!.holdsBpm}
        oninput={dateIt}
      />
      {#if section.holdsBpm !== null}
        <Field id={id('holdsBy')} label="Heard by" errors={errors?.holdsBy}>
          {#snippet control(w)}
            <select {...w} bind:value={$form.sections[index]!.holdsBy}
              >{#each heardBy() as by (by)}<option value={by}>{EVIDENCE_NAMES[by]}</option>{/each}</select
            >
          {/snippet}
        </Field>
        <Field
          id={id('holdsOn')}
          label="On"
          errors={errors?.holdsOn}
          type="date"
          bind:value={$form.sections[index]!.holdsOn}
        />
      {:else}
        <p class="soft">
          {planned?.held
            ? `By the log it ${planned.says}.`
            : 'Play it once: what holds? Until that is said or logged, half the target is presumed.'}
        </p>
      {/if}
    </div>
  {/if}
  {#if canRemove}<button
      type="button"
      class="quiet"
      aria-label="Remove section {index + 1}"
      onclick={onRemove}>Remove</button
    >{/if}
  {#if section.tempoKind === 'recordings'}
    <div class="measuring">
      <Recordings
        bpms={recorded}
        onMeasure={(bpm) => ($form.sections[index]!.recordings = [...recorded, bpm].join(' '))}
      />
    </div>
  {/if}
</fieldset>

<style>
  fieldset {
    display: grid;
    grid-template-columns: 64px 64px 160px 168px repeat(3, minmax(76px, 1fr)) 158px auto;
    gap: 10px 12px;
    align-items: start;
    padding: 10px 0 14px;
    border: 0;
    border-bottom: 1px solid var(--rule);
  }
  .keyed {
    grid-template-columns: 160px 168px repeat(3, minmax(76px, 1fr)) 158px auto;
  }
  .unit {
    display: flex;
    gap: 6px;
    align-items: flex-end;
  }
  .drawn {
    padding-bottom: 6px;
  }
  .measuring {
    grid-column: 1 / -1;
  }
  .wide {
    grid-column: span 2;
  }
  .due {
    grid-column: 8;
  }
  .holds {
    display: flex;
    flex-wrap: wrap;
    grid-column: 1 / -1;
    gap: 10px 12px;
    align-items: flex-end;
  }
  .holds > :global(:first-child) {
    width: 140px;
  }
  .holds p {
    padding-bottom: 8px;
  }
  button {
    align-self: end;
    min-height: 36px;
  }
  @media (max-width: 900px) {
    fieldset,
    .keyed {
      grid-template-columns: 1fr 1fr;
    }
    .due {
      grid-column: auto;
    }
  }
</style>

<!-- Rows read from a pasted list or a file, to be looked over and mended before they are saved. -->
<script lang="ts">
  import type { SuperValidated } from 'sveltekit-superforms';
  import type { z } from 'zod';
  import FormFaults from '$lib/components/ui/FormFaults.svelte';
  import { ITEM_KINDS } from '$lib/core/season';
  import { BEAT_UNITS, sayUnit } from '$lib/core/units';
  import { type ListRow, type listForm, readListRow } from '$lib/schema/list-text';
  import { keptForm } from '$lib/state/kept-form';

  let {
    form: initial,
    rows,
    draftKey
  }: {
    form: SuperValidated<z.infer<typeof listForm>>;
    /** Just read; null where nothing was, and what was looked over before is back. */
    rows: readonly ListRow[] | null;
    draftKey: string;
  } = $props();

  // Read once, while it is set up: what comes later must not undo what is typed or opened.
  // svelte-ignore state_referenced_locally
  const { form, errors, enhance, submitting, trouble } = keptForm(initial, draftKey, {
    isFresh: rows !== null
  });
  // Whose it is stays: the page of another is set up anew.
  // svelte-ignore state_referenced_locally
  if (rows) $form.rows = rows.map((row) => ({ ...row }));
  const TEXTS = [
    ['name', 'Name', 'wide'],
    ['composer', 'Composer', 'wide']
  ] as const;
  type NumberColumns = readonly (readonly [
    'fromBar' | 'toBar' | 'lowBpm' | 'highBpm' | 'minutesPerWeek',
    string
  ])[];
  const BARS: NumberColumns = [
    ['fromBar', 'From bar'],
    ['toBar', 'To bar']
  ];
  const TEMPO_AND_MINUTES: NumberColumns = [
    ['lowBpm', 'Lowest bpm'],
    ['highBpm', 'Highest bpm'],
    ['minutesPerWeek', 'Minutes a week']
  ];
  const faultsOf = (i: number) =>
    Object.values($errors.rows?.[i] ?? {})
      .flat()
      .filter((text): text is string => typeof text === 'string');
  /** What a row still lacks, said while it is looked over. */
  const lacks = $derived(
    $form.rows.map((row) => {
      const read = readListRow(row);
      return read.ok ? null : read.fault;
    })
  );
  const lacking = $derived(lacks.filter((lack) => lack !== null).length);
</script>

{#snippet numbers(columns: NumberColumns, i: number)}
  {#each columns as [field, label] (field)}
    <td
      ><input
        type="number"
        aria-label="{label}, row {i + 1}"
        aria-invalid={$errors.rows?.[i]?.[field] ? 'true' : undefined}
        bind:value={$form.rows[i]![field]}
      /></td
    >
  {/each}
{/snippet}

{#if $form.rows.length > 0}<h2>Look it over</h2>{/if}
<form method="POST" action="?/save" use:enhance hidden={$form.rows.length === 0}>
  <FormFaults errors={$trouble ? [$trouble] : $errors._errors} />
  <div class="scroll">
    <table>
      <thead>
        <tr>
          <th scope="col">name</th><th scope="col">composer</th><th scope="col">kind</th><th scope="col"
            >bars from</th
          ><th scope="col">to</th><th scope="col">metre</th><th scope="col">beat</th><th scope="col">bpm</th
          ><th scope="col">up to</th><th scope="col">min a week</th><th scope="col"
            ><span class="hidden">leave out</span></th
          >
        </tr>
      </thead>
      <tbody>
        {#each $form.rows as row, i (i)}
          {@const bad = $errors.rows?.[i]}
          <tr class:open={bad || lacks[i]}>
            {#each TEXTS as [field, label, width] (field)}
              <td
                ><input
                  class={width}
                  dir="auto"
                  aria-label="{label}, row {i + 1}"
                  aria-invalid={bad?.[field] ? 'true' : undefined}
                  bind:value={row[field]}
                /></td
              >
            {/each}
            <td
              ><select aria-label="Kind, row {i + 1}" bind:value={row.kind}
                >{#each ITEM_KINDS as kind (kind)}<option>{kind}</option>{/each}</select
              ></td
            >
            {@render numbers(BARS, i)}
            <td><input class="metre" aria-label="Metre, row {i + 1}" bind:value={row.metre} /></td>
            <td
              ><select aria-label="Beat unit, row {i + 1}" bind:value={row.unit}
                >{#each BEAT_UNITS as unit (unit)}<option value={unit}>{sayUnit(unit)}</option>{/each}</select
              ></td
            >
            {@render numbers(TEMPO_AND_MINUTES, i)}
            <td
              ><button
                type="button"
                class="quiet"
                aria-label="Leave out row {i + 1}"
                onclick={() => ($form.rows = $form.rows.filter((_, j) => j !== i))}>Leave out</button
              ></td
            >
          </tr>
          {#each faultsOf(i) as says (says)}
            <tr><td colspan="11" class="fault"><span role="alert">Row {i + 1}: {says}</span></td></tr>
          {:else}
            {#if lacks[i]}<tr><td colspan="11" class="lacks">Row {i + 1}: {lacks[i].says}</td></tr>{/if}
          {/each}
        {/each}
      </tbody>
    </table>
  </div>
  <p class="ends">
    {#if lacking > 0}<span class="soft"
        >{lacking === 1 ? 'One row still lacks' : `${lacking} rows still lack`} something.</span
      >{/if}
    <button class="action main" disabled={$submitting}
      >Add {$form.rows.length === 1 ? 'this item' : `these ${$form.rows.length} items`}</button
    >
  </p>
</form>

<style>
  .scroll {
    position: relative;
    overflow-x: auto;
  }
  td {
    padding: 4px 6px 4px 0;
    vertical-align: middle;
  }
  .open td {
    border-bottom: 0;
  }
  .lacks {
    color: var(--soft);
  }
  input,
  select {
    width: 68px;
    min-height: 32px;
    padding: 3px 5px;
  }
  .wide {
    width: 190px;
  }
  .metre {
    width: 52px;
  }
  select {
    width: 136px;
  }
  .ends {
    display: flex;
    flex-direction: row-reverse;
    justify-content: flex-end;
    gap: 16px;
    align-items: center;
    margin-top: 14px;
  }
</style>

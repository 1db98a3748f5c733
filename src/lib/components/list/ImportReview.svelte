<!-- Rows read from a pasted list or a file, to be looked over and mended before they are saved. -->
<script lang="ts">
  import type { SuperValidated } from 'sveltekit-superforms';
  import type { z } from 'zod';
  import FormFaults from '$lib/components/ui/FormFaults.svelte';
  import { ITEM_KINDS } from '$lib/core/season';
  import { heardBy } from '$lib/state/heard-by';
  import { BEAT_UNITS, sayUnit } from '$lib/core/units';
  import { type ListRow, askedOf, type listForm, readListRow } from '$lib/schema/list/row';
  import { keptForm } from '$lib/state/kept-form';

  let {
    form: initial,
    rows,
    today,
    draftKey,
    isUntaken = false
  }: {
    form: SuperValidated<z.infer<typeof listForm>>;
    /** Just read; null where nothing was, and what was looked over before is back. */
    rows: readonly ListRow[] | null;
    /** What holds, holds on this day. */
    today: string;
    draftKey: string;
    /** Nobody takes the list yet: what holds is not asked. */
    isUntaken?: boolean;
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
    ['name', 'Name', 'name'],
    ['composer', 'Composer', 'composer']
  ] as const;
  type NumberField = 'fromBar' | 'toBar' | 'lowBpm' | 'highBpm' | 'minutesPerWeek' | 'holdsBpm';
  const faultsOf = (i: number) =>
    Object.values($errors.rows?.[i] ?? {})
      .flat()
      .filter((text): text is string => typeof text === 'string');
  /** What a row still lacks, said while it is looked over. */
  const lacks = $derived(
    $form.rows.map((row) => {
      const read = readListRow(row, today);
      return read.ok ? null : read.fault;
    })
  );
  /** Passages of one work, which become its sections. */
  function isSameItem(i: number): boolean {
    const [before, row] = [$form.rows[i - 1], $form.rows[i]!];
    if (!before || before.name !== row.name || before.composer !== row.composer) return false;
    return before.toBar !== null && row.fromBar !== null && row.fromBar > before.toBar;
  }
  const saysOf = (row: ListRow) => ({ kind: row.kind, metre: row.metre, unit: sayUnit(row.unit) });
  /** What nobody wrote, as long as it stands as it was presumed. */
  const presumedOf = (row: ListRow) => row.presumed.map((field) => saysOf(row)[field]).join(', ');
  function take(row: ListRow, into: 'name' | 'tested') {
    row[into] = [row[into], row.leftOver].filter(Boolean).join(', ');
    row.leftOver = '';
  }
  const lacking = $derived(lacks.filter((lack) => lack !== null).length);
</script>

{#snippet number(field: NumberField, label: string, i: number)}
  <td data-says={label.toLowerCase()}
    ><input
      type="number"
      step="any"
      aria-label="{label}, row {i + 1}"
      aria-invalid={$errors.rows?.[i]?.[field] ? 'true' : undefined}
      bind:value={$form.rows[i]![field]}
    /></td
  >
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
          ><th scope="col">up to</th><th scope="col">min a week</th>{#if !isUntaken}<th scope="col"
              >holds now</th
            ><th scope="col">heard by</th>{/if}<th scope="col"><span class="hidden">leave out</span></th>
        </tr>
      </thead>
      <tbody>
        {#each $form.rows as row, i (i)}
          {@const bad = $errors.rows?.[i]}
          {@const asked = askedOf(row.kind)}
          <tr class="open">
            {#each TEXTS as [field, label, width] (field)}
              <td data-says={field}
                ><input
                  class={width}
                  dir="auto"
                  aria-label="{label}, row {i + 1}"
                  aria-invalid={bad?.[field] ? 'true' : undefined}
                  bind:value={row[field]}
                /></td
              >
            {/each}
            <td data-says="kind"
              ><select
                aria-label="Kind, row {i + 1}"
                bind:value={row.kind}
                onchange={() => (row.presumed = row.presumed.filter((field) => field !== 'kind'))}
                >{#each ITEM_KINDS as kind (kind)}<option>{kind}</option>{/each}</select
              ></td
            >
            {#if asked === 'bars'}
              {@render number('fromBar', 'From bar', i)}
              {@render number('toBar', 'To bar', i)}
              <td data-says="metre"
                ><input class="metre" aria-label="Metre, row {i + 1}" bind:value={row.metre} /></td
              >
            {:else if asked === 'keys'}
              <td colspan="3" data-says="keys and octaves"
                ><input
                  class="keys"
                  aria-label="Keys and octaves, row {i + 1}"
                  placeholder="keys, octaves"
                  bind:value={row.key}
                /></td
              >
            {:else}<td colspan="3"></td>{/if}
            {#if asked === 'minutes'}<td colspan="3"></td>{:else}
              <td data-says="beat"
                ><select aria-label="Beat unit, row {i + 1}" bind:value={row.unit}
                  >{#each BEAT_UNITS as unit (unit)}<option value={unit}>{sayUnit(unit)}</option
                    >{/each}</select
                ></td
              >
              {#if row.recordings === ''}
                {@render number('lowBpm', 'Lowest bpm', i)}
                {@render number('highBpm', 'Highest bpm', i)}
              {:else}
                <td colspan="2" data-says="recordings"
                  ><input
                    class="recordings"
                    aria-label="Tempos of recordings, row {i + 1}"
                    aria-invalid={bad?.recordings ? 'true' : undefined}
                    bind:value={row.recordings}
                  /></td
                >
              {/if}
            {/if}
            {@render number('minutesPerWeek', 'Minutes a week', i)}
            {#if isUntaken}<!-- what holds is a candidate's -->{:else if asked === 'minutes'}<td colspan="2"
              ></td>{:else}
              {@render number('holdsBpm', 'Holds now, bpm', i)}
              <td data-says="heard by"
                ><select class="by" aria-label="Heard by, row {i + 1}" bind:value={row.holdsBy}
                  >{#each heardBy() as by (by)}<option>{by}</option>{/each}</select
                ></td
              >
            {/if}
            <td
              ><button
                type="button"
                class="quiet"
                aria-label="Leave out row {i + 1}"
                onclick={() => ($form.rows = $form.rows.filter((_, j) => j !== i))}>Leave out</button
              ></td
            >
          </tr>
          <tr
            ><td colspan={isUntaken ? 11 : 13} class="says">
              {#each faultsOf(i) as says, f (f)}<span class="fault" role="alert">Row {i + 1}: {says}</span
                >{:else}{#if lacks[i]}<strong>Row {i + 1}: {lacks[i].says}</strong>{/if}{/each}
              {#if row.place !== '' && !lacks[i]}<span>at {row.place}</span>{/if}
              {#if isSameItem(i)}<span>one item with the row above</span>{/if}
              {#if row.presumed.length > 0}<span>presumed: {presumedOf(row)}</span>{/if}
              {#if row.leftOver !== ''}<span
                  >left over: <mark>{row.leftOver}</mark>
                  <button
                    type="button"
                    class="quiet"
                    aria-label="Left over of row {i + 1}: to the name"
                    onclick={() => take(row, 'name')}>to the name</button
                  >
                  <button
                    type="button"
                    class="quiet"
                    aria-label="Left over of row {i + 1}: to what is tested"
                    onclick={() => take(row, 'tested')}>to what is tested</button
                  ></span
                >{/if}
              {#if row.tested !== ''}<span>tested: {row.tested}</span>{/if}
              {#if row.errata !== ''}<span>errata: {row.errata}</span>{/if}
              {#if row.cuts !== ''}<span>cuts: {row.cuts}</span>{/if}
            </td></tr
          >
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
    padding: 4px 5px 4px 0;
    vertical-align: middle;
  }
  .open td {
    border-bottom: 0;
    padding-bottom: 0;
  }
  .says {
    height: 26px;
    color: var(--soft);
    font-size: 0.87rem;
  }
  .says span,
  .says strong {
    margin-right: 20px;
  }
  .says strong {
    color: var(--ink);
  }
  .says mark {
    background: none;
    border-bottom: 2px solid var(--ink);
    color: var(--ink);
  }
  input,
  select {
    width: 58px;
    min-height: 32px;
    padding: 3px 5px;
  }
  .name {
    width: 190px;
  }
  .composer {
    width: 130px;
  }
  .metre {
    width: 48px;
  }
  .keys {
    width: 176px;
  }
  .recordings {
    width: 123px;
  }
  select {
    width: 118px;
  }
  .by {
    width: 94px;
  }
  /* on a narrow screen each row is a small form, its labels above its fields */
  @media (max-width: 900px) {
    thead,
    td:empty {
      display: none;
    }
    tr {
      display: flex;
      flex-wrap: wrap;
      gap: 4px 10px;
      align-items: end;
    }
    td {
      border-bottom: 0;
    }
    td[data-says]::before {
      display: block;
      color: var(--soft);
      font-size: 0.8rem;
      content: attr(data-says);
    }
    .says {
      width: 100%;
      height: auto;
      padding: 2px 0 12px;
      border-bottom: 1px solid var(--rule);
    }
    input,
    select,
    td button {
      min-height: 44px;
    }
    .name {
      width: 240px;
    }
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

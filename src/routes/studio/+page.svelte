<script lang="ts">
  import { onMount } from 'svelte';
  import Attention from '$lib/components/studio/Attention.svelte';
  import PlaysAhead from '$lib/components/studio/PlaysAhead.svelte';
  import StudioRow from '$lib/components/studio/StudioRow.svelte';
  import FormFaults from '$lib/components/ui/FormFaults.svelte';
  import Field from '$lib/components/ui/Field.svelte';
  import { dayOf, sayDate } from '$lib/core/units';
  import { keptForm } from '$lib/state/kept-form';
  import type { ActionData, PageData } from './$types';

  let { data, form: answer }: { data: PageData; form: ActionData } = $props();
  // Read once, while it is set up: what comes later must not undo what is typed or opened.
  // svelte-ignore state_referenced_locally
  const { form, errors, enhance, submitting, trouble } = keptForm(data.form, 'candidate new', {
    isPlain: true
  });
  const rows = $derived(data.studio.rows);

  onMount(() => {
    if (!$form.zone) $form.zone = Intl.DateTimeFormat().resolvedOptions().timeZone;
  });
</script>

<svelte:head><title>Studio · Irvot</title></svelte:head>
<div class="page">
  <div class="top">
    <h1>
      Studio{#if rows[0]}<span class="today">{sayDate(dayOf(rows[0].today))}</span>{/if}
    </h1>
    <nav aria-label="Studio">
      <a href="/lists">Lists</a> <a href="/studio/notes">Lesson notes</a>
      <a href="/studio/piano">For the accompanist</a>
      <a href="/studio/archive">Archive and backup</a>
    </nav>
  </div>
  {#if rows.length > 0}
    <Attention
      {rows}
      rechecks={data.studio.rechecks}
      checked={(answer && 'checked' in answer && answer.checked) || null}
    />
    <table class="by-day">
      <thead>
        <tr>
          <th scope="col" class="number">days to go</th>
          <th scope="col">candidate</th>
          <th scope="col">audition</th>
          <th scope="col">the plan</th>
          <th scope="col">the log</th>
        </tr>
      </thead>
      {#each rows as row (row.id)}<StudioRow {row} />{/each}
    </table>
    <PlaysAhead mocks={data.studio.mocks} />
  {:else}
    <p class="first">
      No candidates yet. Add the first one: a name, the instrument, and the time zone they practise in.
    </p>
  {/if}

  <section>
    <h2>Add a candidate</h2>
    <FormFaults errors={$trouble ? [$trouble] : $errors._errors} />
    <form method="POST" action="?/add" use:enhance>
      <Field
        id="name"
        name="name"
        autocomplete="off"
        label="Name"
        errors={$errors.name}
        bind:value={$form.name}
      />
      <Field
        id="instruments"
        name="instruments"
        autocomplete="off"
        label="Instruments"
        errors={$errors.instruments}
        bind:value={$form.instruments}
      />
      <Field
        id="zone"
        name="zone"
        autocomplete="off"
        label="Time zone at home"
        list="zones"
        errors={$errors.zone}
        bind:value={$form.zone}
      />
      <datalist id="zones"
        >{#each data.zones as zone (zone)}<option value={zone}></option>{/each}</datalist
      >
      <label class="minor"
        ><input type="checkbox" name="isMinor" bind:checked={$form.isMinor} /> is a minor</label
      >
      <button class="action" disabled={$submitting}>Add</button>
    </form>
  </section>
  {#if data.studio.archived.length > 0}
    <section>
      <h2>Put away</h2>
      <p>
        {#each data.studio.archived as { id, name, instruments } (id)}<a class="away" href="/candidates/{id}"
            ><bdi>{name}</bdi></a
          > <span class="soft">{instruments}</span>{/each}
      </p>
    </section>
  {/if}
</div>

<style>
  .top {
    display: flex;
    align-items: baseline;
    justify-content: space-between;
    flex-wrap: wrap;
    gap: 4px 24px;
  }
  nav {
    display: flex;
    flex-wrap: wrap;
    gap: 4px 18px;
  }
  .today {
    margin-left: 12px;
    color: var(--soft);
    font-size: 1rem;
    font-weight: 400;
  }
  .away {
    margin-right: 4px;
  }
  .minor {
    padding-bottom: 8px;
    white-space: nowrap;
  }
  .first {
    max-width: 60ch;
    margin-top: 12px;
    font-size: 1.1rem;
  }
  section {
    margin-top: 48px;
  }
  form {
    display: grid;
    grid-template-columns: 1fr 1fr 1fr auto auto;
    gap: 16px;
    align-items: end;
    max-width: 900px;
    margin-top: 8px;
  }
  @media (max-width: 720px) {
    form {
      grid-template-columns: 1fr;
    }
  }
</style>

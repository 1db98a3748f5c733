<script lang="ts">
  import { onMount } from 'svelte';
  import { superForm } from 'sveltekit-superforms';
  import StudioRow from '$lib/components/studio/StudioRow.svelte';
  import TextField from '$lib/components/ui/TextField.svelte';
  import type { PageData } from './$types';

  let { data }: { data: PageData } = $props();
  // Read once, while it is set up: what comes later must not undo what is typed or opened.
  // svelte-ignore state_referenced_locally
  const { form, errors, enhance, submitting } = superForm(data.form, { resetForm: false });
  const rows = $derived(data.studio.rows);

  onMount(() => {
    if (!$form.zone) $form.zone = Intl.DateTimeFormat().resolvedOptions().timeZone;
  });
</script>

<svelte:head><title>Studio · Irvot</title></svelte:head>
<div class="page">
  <h1>Studio</h1>
  {#if rows.length > 0}
    <table>
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
  {:else}
    <p class="first">
      No candidates yet. Add the first one: a name, the instrument, and the time zone they practise in.
    </p>
  {/if}

  <section>
    <h2>Add a candidate</h2>
    <form method="POST" use:enhance>
      <TextField name="name" label="Name" errors={$errors.name} bind:value={$form.name} />
      <TextField
        name="instruments"
        label="Instruments"
        errors={$errors.instruments}
        bind:value={$form.instruments}
      />
      <TextField
        name="zone"
        label="Time zone at home"
        list="zones"
        errors={$errors.zone}
        bind:value={$form.zone}
      />
      <datalist id="zones"
        >{#each data.zones as zone (zone)}<option value={zone}></option>{/each}</datalist
      >
      <button class="action" disabled={$submitting}>Add</button>
    </form>
  </section>
</div>

<style>
  table {
    margin-top: 16px;
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
    grid-template-columns: 1fr 1fr 1fr auto;
    gap: 16px;
    align-items: end;
    max-width: 900px;
    margin-top: 8px;
  }
  @media (max-width: 720px) {
    form {
      grid-template-columns: 1fr;
    }
    thead {
      display: none;
    }
  }
</style>

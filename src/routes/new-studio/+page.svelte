<script lang="ts">
  import { onMount } from 'svelte';
  import { superForm } from 'sveltekit-superforms';
  import FormFaults from '$lib/components/ui/FormFaults.svelte';
  import SignInFields from '$lib/components/ui/SignInFields.svelte';
  import Field from '$lib/components/ui/Field.svelte';
  import type { PageData } from './$types';

  let { data }: { data: PageData } = $props();
  // Read once, while it is set up: what comes later must not undo what is typed or opened.
  // svelte-ignore state_referenced_locally
  const { form, errors, enhance, submitting } = superForm(data.form, { resetForm: false });
  onMount(() => {
    if (!$form.zone) $form.zone = Intl.DateTimeFormat().resolvedOptions().timeZone;
  });
</script>

<svelte:head><title>A new studio · Irvot</title></svelte:head>
<div class="narrow">
  <p class="soft">Irvot: everything is counted back from the date.</p>
  <h1>A new studio</h1>
  <p>You are the first here. Everything stays on this machine.</p>
  <form method="POST" use:enhance>
    <FormFaults errors={$errors._errors} />
    <fieldset>
      <legend class="hidden">How you begin</legend>
      <label
        ><input type="radio" name="how" value="teach" bind:group={$form.how} /> I teach: a studio of candidates</label
      >
      <label><input type="radio" name="how" value="alone" bind:group={$form.how} /> I prepare alone</label>
    </fieldset>
    <Field
      id="name"
      name="name"
      label="Your name"
      autocomplete="name"
      errors={$errors.name}
      bind:value={$form.name}
    />
    {#if $form.how === 'alone'}
      <Field
        id="instruments"
        name="instruments"
        label="What you play"
        errors={$errors.instruments}
        bind:value={$form.instruments}
      />
      <Field
        id="zone"
        name="zone"
        label="Time zone at home"
        list="zones"
        errors={$errors.zone}
        bind:value={$form.zone}
      />
      <datalist id="zones"
        >{#each data.zones as zone (zone)}<option value={zone}></option>{/each}</datalist
      >
    {/if}
    <SignInFields bind:login={$form.login} bind:password={$form.password} errors={$errors} isNew />
    <button class="action main" disabled={$submitting}
      >{$form.how === 'alone' ? 'Begin' : 'Open the studio'}</button
    >
  </form>
</div>

<style>
  fieldset {
    display: grid;
    gap: 8px;
    padding: 0;
    border: 0;
  }
  form {
    display: grid;
    gap: 16px;
    justify-items: stretch;
    margin-top: 24px;
  }
</style>

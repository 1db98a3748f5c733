<script lang="ts">
  import { superForm } from 'sveltekit-superforms';
  import FormFaults from '$lib/components/ui/FormFaults.svelte';
  import SignInFields from '$lib/components/ui/SignInFields.svelte';
  import Field from '$lib/components/ui/Field.svelte';
  import type { PageData } from './$types';

  let { data }: { data: PageData } = $props();
  // Read once, while it is set up: what comes later must not undo what is typed or opened.
  // svelte-ignore state_referenced_locally
  const { form, errors, enhance, submitting } = superForm(data.form, { resetForm: false });
</script>

<svelte:head><title>A new studio · Irvot</title></svelte:head>
<div class="narrow">
  <p class="soft">Irvot: everything is counted back from the date.</p>
  <h1>A new studio</h1>
  <p>You are the first here, so this account is the teacher’s. Everything stays on this machine.</p>
  <form method="POST" use:enhance>
    <FormFaults errors={$errors._errors} />
    <Field
      id="name"
      name="name"
      label="Your name"
      autocomplete="name"
      errors={$errors.name}
      bind:value={$form.name}
    />
    <SignInFields bind:login={$form.login} bind:password={$form.password} errors={$errors} isNew />
    <button class="action main" disabled={$submitting}>Open the studio</button>
  </form>
</div>

<style>
  form {
    display: grid;
    gap: 16px;
    justify-items: stretch;
    margin-top: 24px;
  }
</style>

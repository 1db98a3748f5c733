<script lang="ts">
  import { superForm } from 'sveltekit-superforms';
  import FormFaults from '$lib/components/ui/FormFaults.svelte';
  import SignInFields from '$lib/components/ui/SignInFields.svelte';
  import type { PageData } from './$types';

  let { data }: { data: PageData } = $props();
  // Read once, while it is set up: what comes later must not undo what is typed or opened.
  // svelte-ignore state_referenced_locally
  const { form, errors, enhance, submitting } = superForm(data.form, { resetForm: false });
</script>

<svelte:head><title>Welcome · Irvot</title></svelte:head>
<div class="narrow">
  <p class="soft">Irvot: everything is counted back from the date.</p>
  <h1>Welcome, <bdi>{data.name}</bdi></h1>
  <p>
    Choose how you sign in from now on. This link works once. Your teacher sees what you log, nobody else
    does.
  </p>
  <form method="POST" use:enhance>
    <FormFaults errors={$errors._errors} />
    <SignInFields bind:login={$form.login} bind:password={$form.password} errors={$errors} isNew />
    <button class="action main" disabled={$submitting}>Set password and sign in</button>
  </form>
</div>

<style>
  form {
    display: grid;
    gap: 16px;
    margin-top: 24px;
  }
</style>

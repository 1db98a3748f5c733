<script lang="ts">
  import { superForm } from 'sveltekit-superforms';
  import Field from '$lib/components/ui/Field.svelte';
  import FormFaults from '$lib/components/ui/FormFaults.svelte';
  import type { PageData } from './$types';

  let { data }: { data: PageData } = $props();
  // Read once, while it is set up: what comes later must not undo what is typed or opened.
  // svelte-ignore state_referenced_locally
  const { form, errors, enhance, submitting } = superForm(data.form, { resetForm: false });
</script>

<svelte:head><title>A new studio · Irvot</title></svelte:head>
<div class="narrow">
  <h1>A new studio</h1>
  <p class="soft">
    You are the first here, so this account is the teacher’s. Everything stays on this machine.
  </p>
  <form method="POST" use:enhance>
    <FormFaults errors={$errors._errors} />
    <Field id="name" label="Your name" errors={$errors.name}>
      {#snippet control(wiring)}<input
          {...wiring}
          name="name"
          autocomplete="name"
          bind:value={$form.name}
        />{/snippet}
    </Field>
    <Field id="login" label="Sign-in name" errors={$errors.login}>
      {#snippet control(wiring)}<input
          {...wiring}
          name="login"
          autocomplete="username"
          bind:value={$form.login}
        />{/snippet}
    </Field>
    <Field
      id="password"
      label="Password"
      hint="At least 10 characters; three or four words make a good one."
      errors={$errors.password}
    >
      {#snippet control(wiring)}
        <input
          {...wiring}
          name="password"
          type="password"
          autocomplete="new-password"
          bind:value={$form.password}
        />
      {/snippet}
    </Field>
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

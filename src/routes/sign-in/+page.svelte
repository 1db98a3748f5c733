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

<svelte:head><title>Sign in · Irvot</title></svelte:head>
<div class="narrow">
  <h1>Irvot</h1>
  <p class="soft">Everything is counted back from the date.</p>

  {#if data.door}
    <section>
      <h2>The demo studio</h2>
      <p class="soft">Made-up people, places and works. Enter as</p>
      <form method="POST" action="/enter">
        <button class="door" name="as" value=""
          ><strong>{data.door.teacher}</strong> <span>teacher, the whole studio</span></button
        >
        {#each data.door.candidates as candidate (candidate.id)}
          <button class="door" name="as" value={candidate.id}
            ><strong>{candidate.name}</strong> <span>candidate, {candidate.instruments}</span></button
          >
        {/each}
      </form>
    </section>
  {:else}
    <form method="POST" use:enhance>
      <FormFaults errors={$errors._errors} />
      <SignInFields bind:login={$form.login} bind:password={$form.password} errors={$errors} />
      <button class="action main" disabled={$submitting}>Sign in</button>
    </form>
    <p class="soft">
      Forgotten? {data.isAlone
        ? 'A new password is set on the machine on which Irvot runs: npm run password.'
        : 'A candidate gets a new link from the teacher; the teacher sets a new password on the studio’s machine: npm run password.'}
    </p>
  {/if}
</div>

<style>
  form {
    display: grid;
    gap: 16px;
    margin: 24px 0;
  }
  section {
    margin-top: 32px;
  }
  section form {
    gap: 0;
    margin: 8px 0;
    border-top: 1.5px solid var(--ink);
  }
  .door {
    display: grid;
    grid-template-columns: 11em 1fr;
    align-items: center;
    gap: 8px;
    min-height: 48px;
    border: 0;
    border-bottom: 1px solid var(--rule);
    background: none;
    color: var(--soft);
    text-align: left;
  }
  .door strong {
    color: var(--ink);
  }
  .door:hover {
    background: var(--ground);
  }
</style>

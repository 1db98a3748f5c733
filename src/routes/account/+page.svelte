<script lang="ts">
  import { onMount } from 'svelte';
  import { superForm } from 'sveltekit-superforms';
  import { send } from '$lib/state/send';
  import FormFaults from '$lib/components/ui/FormFaults.svelte';
  import Field from '$lib/components/ui/Field.svelte';
  import type { ActionData, PageData } from './$types';

  let { data, form: answer }: { data: PageData; form: ActionData } = $props();
  // Read once, while it is set up: what comes later must not undo what is typed or opened.
  // svelte-ignore state_referenced_locally
  const { form, errors, enhance, submitting } = superForm(data.form, { resetForm: true });
  /** Once the page runs in a browser: times there are the reader's own. */
  let zone = $state('UTC');
  onMount(() => (zone = Intl.DateTimeFormat().resolvedOptions().timeZone));
  const say = (ms: number) =>
    new Intl.DateTimeFormat('en-GB', { dateStyle: 'medium', timeStyle: 'short', timeZone: zone }).format(ms);
</script>

<svelte:head><title>Your account · Irvot</title></svelte:head>
<div class="page">
  <p><a href="/">{data.who?.kind === 'teacher' && !data.who.isAlone ? 'Studio' : 'Your place'}</a></p>
  <h1>Your account</h1>
  <p class="soft">You sign in as <strong>{data.account.login}</strong>.</p>

  <div class="columns">
    <section>
      <h2>Change your password</h2>
      <form method="POST" action="?/password" use:enhance>
        <FormFaults errors={$errors._errors} />
        {#if answer && 'isChanged' in answer}<p class="done" role="status">
            Changed. Everywhere else you are signed out.
          </p>{/if}
        <Field
          id="present"
          name="present"
          label="The password you have now"
          type="password"
          autocomplete="current-password"
          errors={$errors.present}
          bind:value={$form.present}
        />
        <Field
          id="password"
          name="password"
          label="The new one"
          hint="At least 12 characters; three or four words make a good one."
          type="password"
          autocomplete="new-password"
          errors={$errors.password}
          bind:value={$form.password}
        />
        <button class="action main" disabled={$submitting}>Change it</button>
      </form>
    </section>

    <section>
      <h2>Where you are signed in</h2>
      <p class="soft">A device is signed out by itself after 30 days, or after 7 days without use.</p>
      <ul>
        {#each data.account.sessions as { handle, isHere, device, usedAtMs, createdAtMs } (handle)}
          <li>
            <span
              ><strong>{device || 'a browser'}</strong>{isHere ? ', this one' : ''}<br /><span class="soft"
                >last used {say(usedAtMs)} · signed in {say(createdAtMs)}</span
              ></span
            >
            {#if !isHere}<form method="POST" action="?/end" use:send>
                <input type="hidden" name="session" value={handle} />
                <button class="quiet">Sign out there</button>
              </form>{/if}
          </li>
        {/each}
      </ul>
    </section>
  </div>
</div>

<style>
  .columns {
    display: grid;
    grid-template-columns: 420px minmax(0, 560px);
    gap: 0 80px;
  }
  @media (max-width: 900px) {
    .columns {
      grid-template-columns: minmax(0, 560px);
    }
  }
  section {
    margin-top: 32px;
  }
  section > form {
    display: grid;
    gap: 14px;
    justify-items: start;
    margin-top: 10px;
  }
  section > form :global(.field) {
    width: min(360px, 100%);
  }
  ul {
    margin: 8px 0 0;
    padding: 0;
    border-top: 1.5px solid var(--ink);
    list-style: none;
  }
  li {
    display: flex;
    gap: 16px;
    align-items: center;
    justify-content: space-between;
    padding: 8px 0;
    border-bottom: 1px solid var(--rule);
  }
  .done {
    padding: 6px 12px;
    border-left: 4px solid var(--ink);
    background: var(--ground);
  }
</style>

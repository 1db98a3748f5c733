<!-- Signs out; what was typed on this device and not saved goes with it, after asking. What was played and not sent stays, for whoever played it. -->
<script lang="ts">
  import { type DraftOwner, countDrafts, forgetDrafts } from '$lib/state/draft';
  import { trouble } from '$lib/state/send';

  let { owner }: { owner: DraftOwner } = $props();
  /** A line that says nothing for so long is none. */
  const DEAD_MS = 6000;
  let unsaved = $state(0);
  let unsent = $state('');
  let dialog = $state<HTMLDialogElement>();
  let form = $state<HTMLFormElement>();

  async function ask(event: SubmitEvent) {
    event.preventDefault();
    unsaved = countDrafts(owner);
    const { sayUnsent } = await import('$lib/state/device/unsent');
    unsent = await sayUnsent(owner.accountId);
    if (unsaved > 0 || unsent) dialog?.showModal();
    else await leave();
  }

  async function leave() {
    // without a line nobody is signed out, and nothing is taken off the device
    const signal = AbortSignal.timeout(DEAD_MS);
    const isReached = await fetch('/sign-out', { method: 'HEAD', signal }).then(
      () => true,
      () => false
    );
    if (!isReached) {
      dialog?.close();
      trouble.set('There is no line to the studio: you are still signed in here.');
      return;
    }
    forgetDrafts(owner);
    const { clearDevice } = await import('$lib/state/device/unsent');
    await clearDevice();
    form?.submit();
  }
</script>

<form method="POST" action="/sign-out" onsubmit={ask} bind:this={form}>
  <button class="quiet">Sign out</button>
  <dialog bind:this={dialog} aria-label="Before you sign out">
    {#if unsaved > 0}
      <p>
        <strong
          >{unsaved === 1
            ? 'Something you typed on this device is not saved yet.'
            : `${unsaved} things you typed on this device are not saved yet.`}</strong
        >
      </p>
      <p>Nothing of it stays here when you sign out. To save it, go back to where you typed it.</p>
    {/if}
    {#if unsent}
      <p><strong>{unsent} on this device, not sent yet.</strong></p>
      <p>
        This stays here, is shown to nobody else, and is sent when you sign in on this device again. All else
        is taken off it.
      </p>
    {/if}
    <p class="ends">
      <button type="button" class="action main" onclick={() => dialog?.close()}>Stay signed in</button>
      <button type="button" class="action" onclick={leave}
        >{unsaved > 0 ? 'Sign out and let it go' : 'Sign out'}</button
      >
    </p>
  </dialog>
</form>

<style>
  form {
    margin-left: auto;
  }
  button {
    white-space: nowrap;
  }
  dialog {
    max-width: min(460px, 100% - 32px);
    padding: 20px 24px;
    border: 1.5px solid var(--ink);
    background: var(--paper);
    color: var(--ink);
    font-size: 1rem;
  }
  dialog > * + * {
    margin-top: 12px;
  }
  .ends {
    display: flex;
    flex-wrap: wrap;
    gap: 12px;
  }
</style>

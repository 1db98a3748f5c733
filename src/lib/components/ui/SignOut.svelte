<!-- Signs out; what was typed on this device and not saved goes with it, after asking. -->
<script lang="ts">
  import { type DraftOwner, countDrafts, forgetDrafts } from '$lib/state/draft';

  let { owner }: { owner: DraftOwner } = $props();
  let unsaved = $state(0);
  let dialog = $state<HTMLDialogElement>();
  let isSure = false;

  function ask(event: SubmitEvent) {
    unsaved = countDrafts(owner);
    if (unsaved > 0 && !isSure) {
      event.preventDefault();
      dialog?.showModal();
      return;
    }
    forgetDrafts(owner);
  }
</script>

<form method="POST" action="/sign-out" onsubmit={ask}>
  <button class="quiet">Sign out</button>
  <dialog bind:this={dialog} aria-labelledby="unsaved">
    {#if unsaved > 0}
      <p id="unsaved">
        <strong
          >{unsaved === 1
            ? 'Something you typed on this device is not saved yet.'
            : `${unsaved} things you typed on this device are not saved yet.`}</strong
        >
      </p>
      <p>Nothing of it stays here when you sign out. To save it, go back to where you typed it.</p>
      <p class="ends">
        <button type="button" class="action main" onclick={() => dialog?.close()}>Stay signed in</button>
        <button class="action" onclick={() => (isSure = true)}>Sign out and let it go</button>
      </p>
    {/if}
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
    max-width: 460px;
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

<!-- A sheet over the desk, with one way out. -->
<script lang="ts">
  import { type Snippet, onMount } from 'svelte';

  let { name, onClose, children }: { name: string; onClose: () => void; children: Snippet } = $props();

  let dialog: HTMLDialogElement;
  onMount(() => dialog.showModal());
</script>

<dialog bind:this={dialog} aria-label={name} onclose={onClose}>
  <h2>{name}</h2>
  {@render children()}
  <button onclick={onClose}>Close</button>
</dialog>

<style>
  dialog[open] {
    display: grid;
    grid-template-columns: minmax(0, max-content);
    align-content: safe center;
    justify-content: center;
    gap: 16px;
    width: 100vw;
    max-width: none;
    height: 100dvh;
    max-height: none;
    padding: 24px;
    border: 0;
    background: var(--paper);
    color: inherit;
    font-size: 20px;
  }
  h2 {
    font-size: 22px;
  }
  button {
    justify-self: start;
    min-height: 48px;
    padding: 0 24px;
    border: 2px solid var(--ink);
    background: none;
  }
</style>

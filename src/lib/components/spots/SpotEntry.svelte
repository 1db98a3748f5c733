<!-- A spot in one line, for an item of the list. -->
<script lang="ts">
  import { keepFields } from '$lib/state/kept-fields';

  let {
    items,
    newId,
    auditionId,
    fault
  }: {
    items: readonly { readonly id: string; readonly name: string; readonly fromBar: number }[];
    newId: string;
    auditionId: string;
    fault: string;
  } = $props();

  // Whose it is stays: the page of another is set up anew.
  // svelte-ignore state_referenced_locally
  const line = keepFields(`spot ${auditionId}`, { reset: true });
  const { trouble } = line;
  /** The next spot is often of the same item. */
  // svelte-ignore state_referenced_locally
  let itemId = $state(items[0]?.id ?? '');
</script>

<form method="POST" action="?/spot" use:line.action>
  <input type="hidden" name="id" value={newId} />
  <label
    ><span>Item</span>
    <select name="itemId" bind:value={itemId}>
      {#each items as { id, name } (id)}<option value={id}>{name}</option>{/each}
    </select></label
  >
  <label class="line"
    ><span>The bar, and what is wrong there</span>
    <input
      name="line"
      dir="auto"
      autocomplete="off"
      placeholder="{(items.find(({ id }) => id === itemId)?.fromBar ?? 1) +
        8} flat after the leap -intonation"
      aria-invalid={fault || $trouble ? 'true' : undefined}
      aria-describedby={fault || $trouble ? 'spot-fault' : undefined}
    /></label
  >
  <button class="action main">Keep it</button>
  {#if fault || $trouble}<p id="spot-fault" class="fault" role="alert">{fault || $trouble}</p>{/if}
</form>

<style>
  form {
    display: grid;
    grid-template-columns: var(--names) minmax(0, 1fr) auto;
    gap: 4px 14px;
    align-items: end;
    margin-top: 16px;
  }
  label span {
    display: block;
    color: var(--soft);
    font-size: 0.87rem;
  }
  select,
  .line input {
    width: 100%;
    min-height: 44px;
  }
  button {
    min-height: 44px;
  }
  .fault {
    grid-column: 1 / -1;
  }
  @media (max-width: 720px) {
    form {
      grid-template-columns: minmax(0, 1fr) auto;
    }
    label:first-of-type {
      grid-column: 1 / -1;
    }
  }
</style>

<!-- Says what was just done and offers to take it back. -->
<script lang="ts">
  import { enhance } from '$app/forms';
  import type { Undo } from '$lib/schema/view';

  let { undo }: { undo: Undo } = $props();
</script>

<form method="POST" action="?/{undo.action}" use:enhance>
  {#each Object.entries(undo.fields) as [name, value] (name)}<input type="hidden" {name} {value} />{/each}
  <span role="status">{undo.says}</span> <button class="quiet">Take it back</button>
</form>

<style>
  form {
    margin: 8px 0;
    padding: 6px 12px;
    border-left: 4px solid var(--ink);
    background: var(--ground);
  }
</style>

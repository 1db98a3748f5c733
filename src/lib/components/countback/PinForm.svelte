<!-- One button that sets or takes off a pin; the page it stands on answers the action. `fields` are what is pinned. -->
<script lang="ts">
  import { send } from '$lib/state/send';

  let {
    action,
    fields,
    word,
    label
  }: {
    action: 'pinBlock' | 'unpinBlock' | 'pinRung' | 'unpinRung';
    fields: Readonly<Record<string, string | number>>;
    word: string;
    /** What is pinned or taken off, for those who do not see where the button stands. */
    label: string;
  } = $props();
</script>

<form method="POST" action="?/{action}" use:send>
  {#each Object.entries(fields) as [name, value] (name)}<input type="hidden" {name} {value} />{/each}
  <button class="quiet" aria-label={label}>{word}</button>
</form>

<style>
  form {
    display: inline;
  }
  button {
    min-height: 24px;
    padding: 0 2px;
    font-size: inherit;
  }
</style>

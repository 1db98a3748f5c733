<!-- Says that a form was saved and offers to take it back, wherever one was led after saving. -->
<script lang="ts">
  import { page } from '$app/state';

  let { undoToken }: { undoToken: string } = $props();
</script>

<form method="POST" action="/undo">
  <input type="hidden" name="undo" value={undoToken} />
  <input type="hidden" name="to" value={page.url.pathname} />
  <span role="status">Saved.</span> <button class="quiet">Take it back</button>
</form>

<style>
  form {
    margin: 8px 0;
    padding: 6px 12px;
    border-left: 4px solid var(--ink);
    background: var(--ground);
  }
</style>

<!-- Says what was just done and offers to take it back; where that can no longer be, it says so and nothing is changed. -->
<script lang="ts">
  import { page } from '$app/state';

  let { token, says = 'Saved.' }: { token: string; says?: string } = $props();
  let refused = $state('');
  /** Where one is led afterwards: this page, without the offer. */
  const to = $derived(page.url.pathname);

  async function takeBack(event: SubmitEvent) {
    event.preventDefault();
    const body = new URLSearchParams({ undo: token });
    const headers = { accept: 'application/json' };
    const answer = await fetch('/undo', { method: 'POST', body, headers }).catch(() => null);
    // forms on the page show what was saved: read anew, with what is typed elsewhere kept as drafts
    if (answer?.ok) location.assign(to);
    else if (answer && answer.status < 500) refused = ((await answer.json()) as { message: string }).message;
    else refused = 'Not taken back: the studio did not answer. Try again in a moment.';
  }
</script>

<form class="notice" method="POST" action="/undo" onsubmit={takeBack}>
  <input type="hidden" name="undo" value={token} />
  <input type="hidden" name="to" value={to} />
  {#if refused}<span role="alert">{refused}</span>
  {:else}<span role="status">{says}</span> <button class="quiet">Take it back</button>{/if}
</form>

<!-- The link by which a candidate joins: made here, and on this device it stays to be seen until it was used. -->
<script lang="ts">
  import { onMount } from 'svelte';
  import ShareLink from '$lib/components/ui/ShareLink.svelte';
  import type { SharedLink } from '$lib/schema/view';
  import { draftOf } from '$lib/state/draft';
  import { send } from '$lib/state/send';

  let {
    candidateId,
    name,
    hasJoined,
    until,
    made
  }: {
    candidateId: string;
    name: string;
    hasJoined: boolean;
    /** The last day of the link that is open, in words; null where none is. */
    until: string | null;
    /** Just made. */
    made: SharedLink | null;
  } = $props();

  // whose it is stays: another candidate's page sets this up anew
  // svelte-ignore state_referenced_locally
  const kept = draftOf(`join link ${candidateId}`, true);
  let before = $state.raw<SharedLink | null>(null);
  onMount(() => {
    if (until === null) kept.forget();
    else void kept.read().then((link) => (before = link as SharedLink | null));
  });
  $effect(() => {
    if (made) kept.write(made);
  });
  const link = $derived(made ?? (until === null ? null : before));
</script>

<p>
  {#if hasJoined}Has joined. A new link lets them set a new password.{:else}Has not joined yet. Make a link
    and hand it over; it works once, for two weeks.{/if}
  {#if until !== null}<span>The link that was made last is open until {until}.</span>{/if}
</p>
{#if link}<ShareLink id="link" label="Link for {name}" {link} />{/if}
<form method="POST" action="?/link" use:send>
  <button class="action">{until !== null ? 'Make another link' : 'Make a link'}</button>
  {#if until !== null}<span class="soft">The one before it then opens nothing any more.</span>{/if}
</form>

<style>
  form {
    display: flex;
    flex-wrap: wrap;
    gap: 4px 14px;
    align-items: center;
    margin-top: 10px;
  }
</style>

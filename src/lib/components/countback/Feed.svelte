<!-- A private calendar address for the plan: made, shown once, ended. -->
<script lang="ts">
  import ShareLink from '$lib/components/ui/ShareLink.svelte';
  import type { SharedLink } from '$lib/schema/view';
  import { send } from '$lib/state/send';

  let { hasFeed, address }: { hasFeed: boolean; address: SharedLink | null } = $props();
  let isOpen = $state(false);
</script>

<details class="aside" bind:open={isOpen}>
  <summary>Calendar address that keeps itself up to date</summary>
  {#if address}
    <ShareLink
      id="feed"
      label="Give this address to a calendar program. Whoever has it can read the plan; it is shown only now."
      link={address}
    />
    <p class="soft">
      With <code>?by=block</code> behind it the calendar has one event a block instead of one a day.
    </p>
  {:else}
    <p class="soft">
      {hasFeed ? 'There is an address in use. A new one ends it.' : 'There is none yet.'}
    </p>
  {/if}
  <div class="ends">
    <form method="POST" action="?/feed" use:send>
      <button class="action">{hasFeed ? 'Make a new address' : 'Make an address'}</button>
    </form>
    {#if hasFeed}
      <form method="POST" action="?/endFeed" use:send><button class="quiet">End the address</button></form>
    {/if}
  </div>
</details>

<style>
  details {
    margin-top: 8px;
  }
  p {
    margin: 8px 0;
  }
  .ends {
    display: flex;
    gap: 20px;
    align-items: center;
  }
</style>

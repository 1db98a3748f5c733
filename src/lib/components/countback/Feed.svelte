<!-- A private calendar address for the plan: made, shown once, ended. -->
<script lang="ts">
  import { send } from '$lib/state/send';

  let { hasFeed, address }: { hasFeed: boolean; address: string | null } = $props();
  let isOpen = $state(false);
</script>

<details class="aside" bind:open={isOpen}>
  <summary>Calendar address that keeps itself up to date</summary>
  {#if address}
    <p>
      <label for="feed"
        >Give this address to a calendar program. Whoever has it can read the plan; it is shown only now.</label
      >
      <input id="feed" readonly value={address} onfocus={(e) => e.currentTarget.select()} />
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
  input {
    display: block;
    width: min(100%, 720px);
    margin-top: 4px;
  }
  .ends {
    display: flex;
    gap: 20px;
    align-items: center;
  }
</style>

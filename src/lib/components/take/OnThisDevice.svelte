<!-- Takes that wait on this device, and what the studio says to those that it refuses: kept until somebody lets go of them. -->
<script lang="ts">
  import type { TakesOut } from '$lib/state/device/takes-out.svelte';

  let { takesOut }: { takesOut: TakesOut } = $props();

  /** Asked once more before its only copy goes. */
  let asked = $state('');
</script>

{#each takesOut.waiting as id (id)}
  <p class="notice">
    {#if takesOut.refusals[id]}
      <span role="alert">A take on this device is refused: {takesOut.refusals[id]}</span>
      {#if asked === id}
        <button class="quiet" onclick={() => takesOut.letGo(id)}>it is its only copy: let it go</button>
        <button class="quiet" onclick={() => (asked = '')}>keep it</button>
      {:else}<button class="quiet" onclick={() => (asked = id)}>let go of it</button>{/if}
    {:else}<span role="status"
        >{takesOut.why
          ? `A take waits on this device, and is sent when it can be. ${takesOut.why}`
          : 'A take waits on this device, and is sent when there is a line.'}</span
      >{/if}
  </p>
{/each}

<!-- Says who else takes a call and its list, where what is changed reaches them too. -->
<script lang="ts">
  import type { Taker } from '$lib/schema/view';

  let { takers, auditionId, what }: { takers: readonly Taker[]; auditionId: string; what: string } = $props();
  const others = $derived(takers.filter((t) => t.auditionId !== auditionId));
</script>

{#if others.length > 0}
  <p class="notice">
    {what} are shared with {#each others as other, i (other.auditionId)}{i > 0 ? ', ' : ''}<a
        href="/auditions/{other.auditionId}"><bdi>{other.name}</bdi></a
      >{/each}: what you change reaches all.
  </p>
{/if}

<style>
  p {
    border-left-color: var(--plan);
  }
</style>

<!-- Fields side by side: four at a desk, two on a phone; what is marked wide takes two places. -->
<script lang="ts">
  import type { Snippet } from 'svelte';

  let { children }: { children: Snippet } = $props();
</script>

<div>{@render children()}</div>

<style>
  div {
    display: grid;
    grid-template-columns: repeat(4, 1fr);
    gap: 14px 16px;
    margin-top: 10px;
  }
  div > :global(.wide) {
    grid-column: span 2;
  }
  @media (max-width: 720px) {
    div {
      grid-template-columns: 1fr 1fr;
    }
  }
</style>

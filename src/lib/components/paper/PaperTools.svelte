<!-- What stands above sheets of paper on the screen, and on no sheet. -->
<script lang="ts">
  import type { Snippet } from 'svelte';

  let { label, children }: { label: string; children: Snippet } = $props();
</script>

<nav aria-label={label}>{@render children()}</nav>

<style>
  nav {
    display: flex;
    flex-wrap: wrap;
    gap: 6px 20px;
    align-items: center;
    padding: 14px var(--edge);
  }
  @media print {
    nav {
      display: none;
    }
  }
</style>

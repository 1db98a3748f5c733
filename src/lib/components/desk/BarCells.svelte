<!-- Bars to be tapped, one cell each. -->
<script lang="ts">
  let {
    numbers,
    picked,
    onToggle
  }: { numbers: readonly number[]; picked: readonly number[]; onToggle: (bar: number) => unknown } = $props();
</script>

<div class="cells" role="group" aria-label="Bars">
  {#each numbers as bar (bar)}<button aria-pressed={picked.includes(bar)} onclick={() => onToggle(bar)}
      >{bar}</button
    >{/each}
</div>

<style>
  .cells {
    display: flex;
    flex-wrap: wrap;
    gap: 4px;
  }
  button {
    min-width: 52px;
    min-height: 52px;
    border: 1px solid var(--soft);
    background: none;
    font-size: 20px;
  }
  [aria-pressed='true'] {
    border: 2px solid var(--ink);
    background: repeating-linear-gradient(45deg, var(--rule) 0 2px, transparent 2px 7px);
    font-weight: 700;
  }
</style>

<!-- A beat unit drawn as a note, with its name for whoever cannot see it. -->
<script lang="ts">
  import { type BeatUnit, sayUnit } from '$lib/core/units';

  let { unit, height = 18 }: { unit: BeatUnit; /** In px. */ height?: number } = $props();

  const base = $derived(unit.replace('dotted-', ''));
  const isDotted = $derived(unit.startsWith('dotted-'));
  const isOpen = $derived(base === 'whole' || base === 'half');
  const flags = $derived(base === 'eighth' ? 1 : base === 'sixteenth' ? 2 : 0);
</script>

<svg viewBox="0 0 18 24" {height} width={(height * 18) / 24} role="img" aria-label={sayUnit(unit)}>
  <ellipse
    cx="6"
    cy="19"
    rx="4.6"
    ry="3.2"
    transform="rotate(-22 6 19)"
    fill={isOpen ? 'none' : 'currentColor'}
    stroke="currentColor"
    stroke-width="1.7"
  />
  {#if base !== 'whole'}
    <path d="M10.4 18V2" stroke="currentColor" stroke-width="1.6" />
  {/if}
  {#each { length: flags } as _, i (i)}
    <path d="M10.4 {2 + i * 5}c1 4 5 4 5 9" fill="none" stroke="currentColor" stroke-width="1.7" />
  {/each}
  {#if isDotted}
    <circle cx="15.4" cy="19.4" r="1.7" fill="currentColor" />
  {/if}
</svg>

<style>
  svg {
    display: inline-block;
    vertical-align: -0.22em;
    flex: none;
  }
</style>

<!-- The printed sign of what has no tempo: hairpin for a warm-up, rest of many bars, slur for a straight run, an empty staff for what needs no instrument, a fermata for what is liked, an empty dotted page for the rest. -->
<script lang="ts">
  import type { DeskBlockKind } from '$lib/core/record/words';

  let { kind, share = 0 }: { kind: DeskBlockKind; /** How much of it has passed, 0 to 1. */ share?: number } =
    $props();
</script>

<svg viewBox="0 0 200 90" aria-hidden="true">
  {#if kind === 'warm-up' || kind === 'fundamentals'}
    <path d="M190 15 L10 45 L190 75" fill="none" stroke="currentColor" stroke-width={2 + 6 * share} />
  {:else if kind === 'rest'}
    <path d="M12 20V70M188 20V70" stroke="currentColor" stroke-width="5" />
    <path d="M12 45H188" stroke="currentColor" stroke-width="24" />
  {:else if kind === 'quiet'}
    <path d="M8 21H192M8 33H192M8 45H192M8 57H192M8 69H192" stroke="currentColor" stroke-width="1.5" />
  {:else if kind === 'liked'}
    <path d="M20 70C60 10 140 10 180 70" fill="none" stroke="currentColor" stroke-width="2" />
    <circle cx="100" cy="62" r="6" fill="currentColor" />
  {:else if kind === 'run' || kind === 'easy-run'}
    <path d="M8 78C50 6 150 6 192 78C150 20 50 20 8 78Z" fill="currentColor" />
  {:else}
    <rect
      x="50"
      y="8"
      width="100"
      height="74"
      fill="none"
      stroke="currentColor"
      stroke-width="2"
      stroke-dasharray="2 5"
    />
  {/if}
</svg>

<style>
  svg {
    display: block;
    width: 100%;
    height: 100%;
  }
</style>

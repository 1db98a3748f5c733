<!-- A tempo: the note that is counted, and the number a metronome says. -->
<script lang="ts">
  import type { BeatUnit } from '$lib/core/units';
  import NoteValue from './NoteValue.svelte';

  let { bpm, unit, height = 16 }: { bpm: number; unit: BeatUnit; height?: number } = $props();

  const said = $derived(Number.isInteger(bpm) ? String(bpm) : bpm.toFixed(1));
</script>

<span class="tempo"><NoteValue {unit} {height} />{said}</span>

<style>
  .tempo :global(svg) {
    margin-right: 3px;
  }
  .tempo {
    white-space: nowrap;
  }
</style>

<!-- A tempo: the note that is counted, and the number a metronome says; with the one it starts from, where it climbs. -->
<script lang="ts">
  import { type BeatUnit, sayBpm } from '$lib/core/units';
  import NoteValue from './NoteValue.svelte';

  let {
    bpm,
    unit,
    from = null,
    height = 16
  }: { bpm: number; unit: BeatUnit; from?: number | null; height?: number } = $props();
</script>

<span class="tempo"
  ><NoteValue {unit} {height} />{from === null ? '' : `${sayBpm(from)} → `}{sayBpm(bpm)}</span
>

<style>
  .tempo :global(svg) {
    margin-right: 3px;
  }
  .tempo {
    white-space: nowrap;
  }
</style>

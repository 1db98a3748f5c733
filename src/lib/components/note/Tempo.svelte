<!--
  A tempo: the note that is counted as it was entered, and its number; with the one it starts from, where it climbs. Where a metronome has no such
  number the click halves or doubles, and its note and number stand beside it. What lies between two whole numbers is said exactly on pointing.
-->
<script lang="ts">
  import { clickOf } from '$lib/core/tempo';
  import { type BeatUnit, sayBpm, tempoIn } from '$lib/core/units';
  import NoteValue from './NoteValue.svelte';

  let {
    bpm,
    unit,
    from = null,
    height = 16
  }: { bpm: number; unit: BeatUnit; from?: number | null; height?: number } = $props();

  /** Exactly, where the whole number is not. */
  const exact = $derived(Number.isInteger(bpm) ? undefined : `${Math.round(bpm * 100) / 100}`);
  const other = $derived.by(() => {
    const click = clickOf({ bpm, unit });
    if (!click || click.unit === unit) return null;
    return { ...click, from: from === null ? null : tempoIn({ bpm: from, unit }, click.unit) };
  });
</script>

<span class="tempo" title={exact}
  ><NoteValue {unit} {height} />{from === null ? '' : `${sayBpm(from)} → `}{sayBpm(bpm)}{#if other}<small
      >&nbsp;click&nbsp;<NoteValue unit={other.unit} height={height * 0.85} />{other.from === null
        ? ''
        : `${sayBpm(other.from)} → `}{sayBpm(other.bpm)}</small
    >{/if}</span
>

<style>
  .tempo :global(svg) {
    margin-right: 3px;
  }
  .tempo {
    white-space: nowrap;
  }
  small {
    color: var(--soft);
    font-size: 0.87em;
    font-weight: 400;
  }
</style>

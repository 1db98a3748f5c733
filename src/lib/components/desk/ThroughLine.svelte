<!-- A click through several tempos: each as long as it lasts and as high as it is fast; the one that sounds is thick, what is free is dotted. -->
<script lang="ts">
  import type { ThroughToDo } from '$lib/core/record';
  import NoteValue from '$lib/components/note/NoteValue.svelte';
  import { sayAt } from './tempo-words';

  let {
    through,
    beat
  }: {
    through: ThroughToDo;
    /** Beats since its first, the count left out; null while it does not sound. */
    beat: number | null;
  } = $props();

  /** A step narrower than this share has no room for its number. */
  const LEAST_SHARE = 0.08;
  const all = $derived(through.reduce((sum, { beats }) => sum + beats, 0));
  const [slowest, fastest] = $derived([
    Math.min(...through.map(({ bpm }) => bpm)),
    Math.max(...through.map(({ bpm }) => bpm))
  ]);
  const steps = $derived.by(() => {
    let from = 0;
    return through.map((one) => {
      const first = from;
      from += one.beats;
      const isNow = beat !== null && beat >= first && beat < from;
      const rise = fastest === slowest ? 0 : (one.bpm - slowest) / (fastest - slowest);
      return { ...one, isNow, rise, isWide: one.beats / all >= LEAST_SHARE };
    });
  });
</script>

<div class="through" role="img" aria-label={through.map(({ bpm, unit }) => sayAt(bpm, unit)).join(', then ')}>
  {#each steps as { bpm, unit, beats, isNow, isSilent, rise, isWide }, i (i)}
    <span
      class:now={isNow}
      class:free={isSilent}
      style:flex-grow={beats}
      style:margin-bottom="{Math.round(rise * 90)}px"
      >{#if isWide}<b
          >{#if isSilent}free{:else}<NoteValue {unit} height={26} />{sayAt(bpm, unit)}{/if}</b
        >{/if}</span
    >
  {/each}
</div>

<style>
  .through {
    display: flex;
    align-items: flex-end;
    width: 100%;
    min-height: 170px;
  }
  span {
    flex-basis: 0;
    min-width: 2px;
    border-bottom: 3px solid var(--plan);
    color: var(--plan);
  }
  .now {
    border-bottom: 12px solid var(--ink);
    color: var(--ink);
  }
  .free {
    border-bottom-style: dotted;
  }
  b {
    font-size: clamp(22px, 3.4vw, 40px);
    white-space: nowrap;
  }
</style>

<!-- The instrument as one stair: where each note lies for this player, its middle half as ground; the sounding note is one long stroke. -->
<script lang="ts">
  import type { NoteSpread } from '$lib/core/pitch';

  let {
    spreads,
    now,
    nameOf
  }: {
    spreads: readonly NoteSpread[];
    now: { readonly note: number; readonly cents: number; readonly isHeld: boolean } | null;
    nameOf: (note: number) => string;
  } = $props();

  /** Cents above and under the line that are drawn; what lies beyond stands at the edge. */
  const REACH = 25;
  const LEAST_NOTES = 13;
  const notes = $derived([...spreads.map(({ note }) => note), ...(now ? [now.note] : [])]);
  /** The range there is, and an octave at least. */
  const first = $derived(notes.length === 0 ? 60 : Math.min(...notes) - 1);
  const count = $derived(Math.max(LEAST_NOTES, notes.length === 0 ? 0 : Math.max(...notes) + 2 - first));
  const shareOf = (cents: number) => 0.5 - Math.max(-1, Math.min(1, cents / REACH)) / 2;
  const at = $derived((note: number) => ((note - first) / count) * 100);
  const isNatural = (name: string) => name.length === 1;
</script>

<div class="stair" aria-hidden="true">
  <div class="field">
    {#each [20, 10, 0, -10, -20] as cents (cents)}
      <i class="rule" class:mid={cents === 0} style:top="{shareOf(cents) * 100}%"></i>
    {/each}
    <span class="edge high">20 high</span><span class="edge low">20 low</span>
    {#each spreads as { note, median, low, high } (note)}
      <i
        class="spread"
        style:left="{at(note)}%"
        style:width="{100 / count}%"
        style:top="{shareOf(high) * 100}%"
        style:height="{(shareOf(low) - shareOf(high)) * 100}%"
      ></i>
      <i
        class="median"
        style:left="{at(note)}%"
        style:width="{100 / count}%"
        style:top="{shareOf(median) * 100}%"
      ></i>
    {/each}
    {#if now}
      <i
        class="now"
        class:held={now.isHeld}
        style:left="{at(now.note) - 100 / count}%"
        style:width="{300 / count}%"
        style:top="{shareOf(now.cents) * 100}%"
      ></i>
    {/if}
  </div>
  <div class="names">
    {#each { length: count } as _, i (i)}
      {@const name = nameOf(first + i)}
      <span
        class:under={!isNatural(name)}
        class:on={now?.note === first + i}
        style:left="{at(first + i)}%"
        style:width="{100 / count}%">{name}</span
      >
    {/each}
  </div>
</div>

<style>
  .stair {
    display: grid;
    grid-template-rows: 1fr 52px;
    min-height: 0;
    padding: 0 24px;
  }
  .field,
  .names {
    position: relative;
  }
  .field {
    border-bottom: 2px solid var(--plan);
  }
  i,
  span {
    position: absolute;
  }
  .rule {
    right: 0;
    left: 0;
    border-top: 1px solid var(--rule);
  }
  .mid {
    border-top: 3px solid var(--ink);
  }
  .edge {
    left: 0;
    padding-right: 8px;
    background: var(--paper);
    color: var(--soft);
    font-size: 16px;
    font-stretch: 84%;
  }
  .high {
    top: 0;
  }
  .low {
    bottom: 0;
  }
  .spread {
    background: var(--ground);
  }
  .median {
    height: 6px;
    margin-top: -3px;
    background: var(--ink);
  }
  .now {
    height: 16px;
    margin-top: -8px;
    background: var(--ink);
  }
  .held {
    border: 2px solid var(--ink);
    background: var(--paper);
  }
  .names span {
    top: 6px;
    color: var(--ink);
    font-size: 17px;
    font-stretch: 84%;
    text-align: center;
  }
  .names .under {
    top: 28px;
    color: var(--soft);
  }
  .names .on {
    color: var(--ink);
    font-weight: 700;
  }
  @media (max-width: 720px) {
    .stair {
      padding: 0 8px;
    }
    .names span {
      font-size: 12px;
    }
  }
</style>

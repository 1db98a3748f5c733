<!-- One line of the page as it sounds: its outline, heard thick and unheard thin, its bars, and what was marked. -->
<script lang="ts">
  import type { Milliseconds } from '$lib/core/units';
  import type { System } from './systems';

  let {
    system,
    widestMs,
    lengthMs,
    peaks,
    nowMs,
    heardToMs,
    bar,
    marks,
    onGo
  }: {
    system: System;
    /** The longest of the lines: it takes the whole width. */
    widestMs: Milliseconds;
    lengthMs: Milliseconds;
    /** Empty until it is read. */
    peaks: readonly number[];
    nowMs: Milliseconds;
    heardToMs: Milliseconds;
    /** The bar that sounds now. */
    bar: number | null;
    marks: readonly { readonly id: string; readonly atMs: number; readonly spotId: string | null }[];
    onGo: (atMs: Milliseconds) => void;
  } = $props();

  /** Strokes on the longest line. */
  const STROKES = 180;
  const spanMs = $derived(system.toMs - system.fromMs);
  const count = $derived(Math.max(1, Math.round((STROKES * spanMs) / widestMs)));
  const share = (atMs: Milliseconds) => (100 * (atMs - system.fromMs)) / spanMs;
  const isIn = (atMs: Milliseconds) => atMs >= system.fromMs && atMs < system.toMs;
  const here = $derived(marks.filter(({ atMs }) => isIn(atMs)));
  const isMarked = ({ fromMs, toMs }: System['cells'][number]) =>
    marks.some(({ atMs }) => atMs >= fromMs && atMs < toMs);
  /** Loudest of each stroke, as a share of full scale; quiet music is drawn by its root, so that it is seen. */
  const heights = $derived(
    Array.from({ length: count }, (_, i) => {
      const at = (k: number) =>
        Math.floor((peaks.length * (system.fromMs + (spanMs * k) / count)) / Math.max(1, lengthMs));
      return Math.sqrt(Math.max(0, ...peaks.slice(at(i), Math.max(at(i) + 1, at(i + 1)))) / 255);
    })
  );
  /** Strokes that sound: the take may end before the line does. */
  const sounding = $derived(
    Math.max(0, Math.min(count, Math.ceil((count * (lengthMs - system.fromMs)) / spanMs)))
  );
  const strokes = (from: number, to: number) =>
    heights
      .slice(from, Math.min(to, sounding))
      .map((height, i) => `M${from + i + 0.5} 100V${100 - Math.max(1, 96 * height)}`)
      .join('');
  const heard = $derived(
    Math.max(0, Math.min(count, Math.round((count * (heardToMs - system.fromMs)) / spanMs)))
  );

  function go(event: MouseEvent & { currentTarget: Element }) {
    const { left, width } = event.currentTarget.getBoundingClientRect();
    onGo(system.fromMs + (spanMs * (event.clientX - left)) / width);
  }
</script>

<div class="system">
  <span class="name">{system.name}</span>
  <div class="line" style:width="{(100 * spanMs) / widestMs}%">
    <!-- by keys one goes bar by bar -->
    <!-- svelte-ignore a11y_click_events_have_key_events, a11y_no_static_element_interactions -->
    <div class="wave" onclick={go}>
      <svg viewBox="0 0 {count} 100" preserveAspectRatio="none" aria-hidden="true">
        <path class="unheard" d={strokes(heard, count)} />
        <path class="heard" d={strokes(0, heard)} />
      </svg>
      {#each here as mark (mark.id)}<i
          class="mark"
          class:spot={mark.spotId !== null}
          style:left="{share(mark.atMs)}%"
        ></i>{/each}
      {#if isIn(nowMs)}<i class="now" style:left="{share(nowMs)}%">{bar !== null ? bar : ''}</i>{/if}
    </div>
    {#if system.cells.length > 0}
      <div class="bars">
        {#each system.cells as cell (cell.bar)}
          <button
            tabindex="-1"
            class:marked={isMarked(cell)}
            style:width="{(100 * (cell.toMs - cell.fromMs)) / spanMs}%"
            aria-label="to bar {cell.bar}"
            onclick={() => onGo(cell.fromMs)}
            >{#if isMarked(cell)}<b>{cell.bar}</b>{/if}</button
          >
        {/each}
      </div>
    {/if}
  </div>
</div>

<style>
  .system {
    display: grid;
    grid-template-columns: 40px 1fr;
    align-items: end;
    min-height: 84px;
  }
  .name {
    padding-bottom: 2px;
    color: var(--soft);
    font-size: 15px;
    font-stretch: 84%;
  }
  .line {
    min-width: 40px;
    border-right: 2px solid var(--ink);
  }
  .wave {
    position: relative;
    height: 54px;
    border-bottom: 2px solid var(--ink);
    cursor: pointer;
  }
  svg {
    display: block;
    width: 100%;
    height: 100%;
    overflow: visible;
  }
  path {
    fill: none;
    stroke: var(--ink);
  }
  .heard {
    stroke-width: 0.72;
  }
  .unheard {
    stroke: var(--soft);
    stroke-width: 0.28;
  }
  .mark {
    position: absolute;
    bottom: 0;
    width: 2px;
    height: 62px;
    background: var(--ink);
  }
  .mark::before {
    content: '';
    position: absolute;
    top: -4px;
    left: -6px;
    width: 14px;
    height: 14px;
    border: 2px solid var(--ink);
    background: var(--paper);
  }
  .spot::before {
    background: var(--ink);
  }
  .now {
    position: absolute;
    bottom: -28px;
    z-index: 1;
    width: 5px;
    height: 92px;
    background: var(--ink);
    font-size: 20px;
    font-style: normal;
    font-weight: 700;
    line-height: 20px;
    text-indent: 10px;
  }
  .bars {
    display: flex;
    height: 24px;
    padding-top: 2px;
  }
  .bars button {
    min-width: 0;
    padding: 0;
    border: 1px solid var(--soft);
    border-right-width: 0;
    background: none;
    font-size: 14px;
    line-height: 18px;
  }
  .bars .marked {
    border: 2px solid var(--ink);
    background: repeating-linear-gradient(45deg, var(--soft) 0 1px, transparent 1px 5px);
  }
  .bars b {
    padding: 0 4px;
    background: var(--paper);
  }
</style>

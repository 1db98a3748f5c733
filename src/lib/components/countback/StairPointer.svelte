<!-- Each step's date on pointing at the stairs, on touch, and by arrow keys. -->
<script lang="ts">
  import { type PlannedSection, type Step, rungKey } from '$lib/core/season';
  import { dayOf, sayBpm, sayDate } from '$lib/core/units';
  import { ROW_TOP } from './stair-shape';
  import type { TimeAxis } from './time-axis';

  let {
    name,
    sections,
    steps,
    axis,
    scale,
    onOpen
  }: {
    name: string;
    sections: readonly PlannedSection[];
    /** Planned ones, of all sections. */
    steps: readonly Step[];
    axis: TimeAxis;
    /** px per click. */
    scale: number;
    /** How a step came about. */
    onOpen: (rung: string) => void;
  } = $props();

  /** The numbers of the row above reach so far down into this one, in px. */
  const TOP = 6;
  const inTime = $derived([...steps].sort((a, b) => (a.date < b.date ? -1 : 1)));
  let at = $state<number | null>(null);
  let slider = $state<HTMLElement>();
  const step = $derived(at === null ? null : (inTime[Math.min(at, inTime.length - 1)] ?? null));
  const left = $derived(step ? axis.at(dayOf(step.date)) : 0);

  function say(one: Step): string {
    const section = sections.find(({ id }) => id === one.sectionId);
    const isOneOfMany = sections.filter(({ unit }) => unit !== null).length > 1;
    const bars = one.bars ?? (isOneOfMany ? section : undefined);
    const where = bars ? `bars ${bars.fromBar}–${bars.toBar}, ` : '';
    return `${where}${one.bars ? 'at tempo' : sayBpm(one.bpm)} by ${sayDate(dayOf(one.date))}`;
  }
  /** The step nearest to where one points: by its date, then by its height. */
  function point(event: PointerEvent & { currentTarget: HTMLElement }) {
    const box = event.currentTarget.getBoundingClientRect();
    const [x, y] = [((event.clientX - box.left) / box.width) * 100, event.clientY - box.top + TOP];
    const far = (one: Step) =>
      Math.hypot(
        ((axis.at(dayOf(one.date)) - x) / 100) * box.width,
        (ROW_TOP + one.clicksBelow * scale - y) / 2
      );
    const nearest = inTime.reduce((best, one, i) => (far(one) < far(inTime[best]!) ? i : best), 0);
    // left of today there is nothing planned
    at = x < axis.at(axis.today) ? null : nearest;
  }
  function onKey(event: KeyboardEvent) {
    const by = { ArrowRight: 1, ArrowUp: 1, ArrowLeft: -1, ArrowDown: -1 }[event.key];
    if (by !== undefined) {
      event.preventDefault();
      at = Math.min(inTime.length - 1, Math.max(0, (at ?? -1) + by));
    } else if (event.key === 'Enter' && step) onOpen(rungKey(step));
    else if (event.key === 'Escape') at = null;
  }
</script>

{#if inTime.length > 0}
  <div
    class="strip"
    style:top="{TOP}px"
    role="presentation"
    onpointermove={point}
    onpointerdown={point}
    onpointerleave={(event) => event.pointerType === 'mouse' && (at = null)}
    onclick={() => slider?.focus()}
  >
    <!-- small, since the rungs themselves lie over the strip -->
    <div
      class="slider"
      bind:this={slider}
      role="slider"
      tabindex="0"
      aria-label="Rungs of {name}"
      aria-valuemin={1}
      aria-valuemax={inTime.length}
      aria-valuenow={Math.min(at ?? 0, inTime.length - 1) + 1}
      aria-valuetext={say(step ?? inTime[0]!)}
      onfocus={() => (at ??= 0)}
      onblur={() => (at = null)}
      onkeydown={onKey}
    ></div>
  </div>
  {#if step}
    <span
      class="tip"
      class:right={left > 60}
      style:left="{left}%"
      style:top="{ROW_TOP + step.clicksBelow * scale}px">{say(step)}</span
    >
    <span class="dot" style:left="{left}%" style:top="{ROW_TOP + step.clicksBelow * scale}px"></span>
  {/if}
{/if}

<style>
  .strip {
    position: absolute;
    inset: 0;
    touch-action: pan-y;
  }
  .slider {
    width: 24px;
    height: 100%;
    outline: none;
  }
  .strip:has(:focus-visible) {
    outline: 2px solid var(--plan);
    outline-offset: -2px;
  }
  .tip,
  .dot {
    position: absolute;
    z-index: 3;
    pointer-events: none;
  }
  .tip {
    padding: 1px 7px;
    background: var(--ink);
    color: var(--paper);
    font-size: 0.87rem;
    line-height: 1.4;
    white-space: nowrap;
    transform: translate(6px, -115%);
  }
  .tip.right {
    transform: translate(calc(-100% - 6px), -115%);
  }
  .dot {
    width: 9px;
    height: 9px;
    border-radius: 50%;
    background: var(--ink);
    transform: translate(-50%, -50%);
  }
</style>

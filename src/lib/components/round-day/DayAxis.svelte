<!-- The day hung from its slot, time to scale: what has passed is thick, spare time hatched. -->
<script lang="ts">
  import { stepAt } from '$lib/core/round-day';
  import { dayOf, sayDate } from '$lib/core/units';
  import type { RoundDayView } from '$lib/schema/round-day-view';
  import { STEP_NAMES, STEP_SAYS, sayBefore } from './words';

  let { view, nowMs }: { view: RoundDayView; /** The studio's clock. */ nowMs: number } = $props();

  const PX_PER_MIN = 1.7;
  /** A line of words, before it is measured; their middle lies on their instant. */
  const LINE_PX = 26;
  const GAP_PX = 4;
  const MS_PER_MINUTE = 60_000;

  const steps = $derived(view.steps);
  const all = $derived(steps[0]!.beforeMin);
  const height = $derived(Math.max(300, all * PX_PER_MIN));
  const at = (beforeMin: number) => height * (1 - beforeMin / all);
  /** As high as the words of each step are where they stand. */
  const heights = $state<number[]>([]);
  /** Words keep apart from each other; the line stays to scale. */
  const labels = $derived.by(() => {
    let free = 0;
    return steps.map((step, i) => {
      const top = Math.max(at(step.beforeMin), free);
      free = top + (heights[i] ?? LINE_PX) + GAP_PX;
      return { ...step, line: at(step.beforeMin), top, end: free };
    });
  });
  const bottom = $derived(Math.max(height, labels.at(-1)!.end));
  const leftMin = $derived((view.slotMs! - nowMs) / MS_PER_MINUTE);
  const passed = $derived(leftMin >= all ? 0 : at(Math.max(0, leftMin)));
  const isToday = $derived(leftMin > 0 && leftMin < all);
  /** Its words give way to those of a step. */
  const nowTop = $derived(
    labels.reduce((top, label) => (top > label.top - LINE_PX && top < label.end ? label.end : top), passed)
  );
  const now = $derived(stepAt(steps, view.slotMs!, nowMs));
  const going = $derived(steps.find(({ step }) => step === 'leave')!);
  const warmUp = $derived(steps.find(({ step }) => step === 'warm-up')!);
  const silent = $derived(steps.find(({ step }) => step === 'silent')!);
  const clock = $derived(
    new Intl.DateTimeFormat('en-GB', { timeZone: view.round.zone, hour: '2-digit', minute: '2-digit' })
  );
</script>

<ol style:height="{bottom}px">
  <li class="axis" aria-hidden="true">
    <i class="line" style:height="{height}px"></i>
    <i class="passed" style:height="{passed}px"></i>
    <i
      class="way"
      style:top="{at(going.beforeMin)}px"
      style:height="{at(going.beforeMin - going.minutes + going.spareMin) - at(going.beforeMin)}px"
    ></i>
    <i
      class="spare"
      style:top="{at(going.beforeMin - going.minutes + going.spareMin)}px"
      style:height="{at(going.beforeMin - going.minutes) -
        at(going.beforeMin - going.minutes + going.spareMin)}px"
    ></i>
    <svg
      class="hairpin"
      viewBox="0 0 26 100"
      preserveAspectRatio="none"
      style:top="{at(warmUp.beforeMin) + 4}px"
      style:height="{Math.max(0, at(silent.beforeMin) - at(warmUp.beforeMin) - 8)}px"
      ><path d="M13 0 L1 100 M13 0 L25 100" /></svg
    >
    <i
      class="rest"
      style:top="{at(silent.beforeMin) + 4}px"
      style:height="{Math.max(0, height - at(silent.beforeMin) - 8)}px"
    ></i>
    {#if isToday}<i class="now" style:top="{passed}px"></i><b style:top="{nowTop}px"
        >now, {clock.format(nowMs)}</b
      >{/if}
  </li>
  {#each labels as { step, there, home, beforeMin, note, spareMin, line, top }, i (step)}
    <li
      class={['step', { over: leftMin < beforeMin }]}
      style:top="{top}px"
      bind:clientHeight={heights[i]}
      aria-current={step === now ? 'time' : undefined}
    >
      <span class="time"
        >{there.time}{#if home}<small>{home.time} at home</small>{/if}</span
      >
      <span class="before">{sayBefore(beforeMin)}</span>
      <i class="mark" style:top="{line - top}px"></i>
      <span class="what"
        ><b>{STEP_NAMES[step]}</b>
        {[
          there.date && `on ${sayDate(dayOf(there.date))}`,
          note || STEP_SAYS[step],
          spareMin > 0 && `${spareMin} min spare`
        ]
          .filter(Boolean)
          .join('; ')}</span
      >
    </li>
  {/each}
</ol>

<style>
  ol {
    position: relative;
    margin: 18px 0 6px;
    padding: 0;
    list-style: none;
    --axis: 128px;
  }
  .axis,
  .step {
    position: absolute;
  }
  .axis {
    top: 0;
    left: var(--axis);
    width: 46px;
  }
  .axis i,
  .axis svg,
  .axis b {
    position: absolute;
  }
  .line {
    left: 4px;
    width: 2px;
    background: var(--plan);
  }
  .passed {
    left: 1px;
    width: 8px;
    background: var(--ink);
  }
  .way,
  .spare {
    left: 12px;
    width: 26px;
    border: 2px solid var(--ink);
  }
  .spare {
    border-top: 0;
    background: repeating-linear-gradient(45deg, var(--soft) 0 1.5px, transparent 1.5px 5px);
  }
  .hairpin {
    left: 12px;
    width: 26px;
    overflow: visible;
  }
  .hairpin path {
    fill: none;
    stroke: var(--ink);
    stroke-width: 2;
    vector-effect: non-scaling-stroke;
  }
  .rest {
    left: 14px;
    width: 22px;
    border-block: 3px solid var(--ink);
    background: linear-gradient(var(--ink), var(--ink)) center / 10px 100% no-repeat;
  }
  .axis b {
    left: 60px;
    padding-right: 6px;
    transform: translateY(-50%);
    background: var(--paper);
    white-space: nowrap;
  }
  .now {
    width: 46px;
    height: 3px;
    margin-top: -1px;
    background: var(--ink);
  }
  .step {
    display: grid;
    grid-template-columns: 62px 58px 52px minmax(0, 1fr);
    gap: 0 6px;
    align-items: baseline;
    width: 100%;
    transform: translateY(-0.75em);
    line-height: 1.2;
  }
  .time {
    font-size: 1.25rem;
    font-weight: 700;
    text-align: right;
  }
  .time small {
    display: block;
    color: var(--soft);
    font-size: 12px;
    font-stretch: 80%;
    font-weight: 400;
    white-space: nowrap;
  }
  .before {
    color: var(--soft);
    font-size: 14px;
    font-stretch: 84%;
    text-align: right;
    white-space: nowrap;
  }
  .mark {
    position: absolute;
    left: var(--axis);
    width: 46px;
    height: 1.5px;
    margin-top: 0.75em;
    background: var(--soft);
  }
  .what {
    grid-column: 4;
    color: var(--soft);
    font-stretch: 88%;
  }
  .what b {
    color: var(--ink);
    font-size: 1.06rem;
  }
  .over:not([aria-current]) b,
  .over:not([aria-current]) .time {
    color: var(--soft);
    font-weight: 500;
  }
  @media (max-width: 720px) {
    .step {
      grid-template-columns: 56px 52px 52px minmax(0, 1fr);
    }
    ol {
      --axis: 118px;
    }
  }
</style>

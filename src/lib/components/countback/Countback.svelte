<!--
  The countback: time runs left to right and ends at the audition; every item hangs below its target line on one
  scale of clicks. What held is a thick stair, what is planned a thin one. Names left, targets right.
-->
<script lang="ts">
  import type { Snippet } from 'svelte';
  import type { Move, SeasonPlan } from '$lib/core/season';
  import type { CountbackView } from '$lib/schema/view';
  import CountbackHead from './CountbackHead.svelte';
  import ItemRow from './ItemRow.svelte';
  import LoadLine from './LoadLine.svelte';
  import { pxPerClick } from './stair-shape';
  import { timeAxis, weekMarks } from './time-axis';
  import { dayOf, sayDate } from '$lib/core/units';

  let {
    view,
    plan,
    canPin = false,
    moves = [],
    between
  }: {
    view: CountbackView;
    plan: SeasonPlan;
    /** Whether rungs and blocks can be set by hand here. */
    canPin?: boolean;
    /** Moves to be shown where they happened: from the old date to the new one. */
    moves?: readonly Move[];
    /** What stands between the load and the items. */
    between?: Snippet;
  } = $props();

  const round = $derived(view.audition.rounds.find((r) => r.id === plan.nextRoundId)!);
  const axis = $derived(timeAxis(plan.began, plan.today, round.date));
  const mocks = $derived(
    view.audition.dates.filter(
      (d) => d.kind === 'mock' && dayOf(d.date) >= axis.from && dayOf(d.date) <= axis.dayZero
    )
  );
  const marked = $derived(view.equipment.filter(({ date }) => dayOf(date) >= axis.from));
  const hasSeveral = $derived(view.items.some((item) => item.heldSections.length > 0));
  const scale = $derived(pxPerClick(view.items, axis.from));
  /** Two labels keep at least a finger's width between them, in per cent of the time axis. */
  let innerWidth = $state(1280);
  const axisPx = $derived(innerWidth > 720 ? Math.min(innerWidth, 1280) - 390 : innerWidth - 36);
  const labelGap = $derived((27 / axisPx) * 100);
  let open = $state<{ itemId: string; rung: string | null } | null>(null);

  const toggle = (itemId: string, rung: string | null) => {
    open = open?.itemId === itemId && (rung === null || open.rung === rung) ? null : { itemId, rung };
  };
</script>

<svelte:window bind:innerWidth />
<div class="countback">
  <CountbackHead
    {axis}
    {axisPx}
    {plan}
    lessons={view.lessons}
    dates={view.audition.dates}
    rounds={view.audition.rounds}
  />
  <LoadLine
    {axis}
    {axisPx}
    {plan}
    {canPin}
    practised={view.practised}
    holdsHref={canPin ? `/auditions/${view.audition.id}/list/holds` : null}
  />
  {@render between?.()}
  <div class="items">
    <div class="under" aria-hidden="true">
      {#each weekMarks(axis) as mark (mark.weeks)}<span class="week" style:left="{axis.at(mark.day)}%"
        ></span>{/each}
      {#if plan.stages}<span class="mock-window" style:left="{axis.at(dayOf(plan.stages.mockFrom))}%"
        ></span>{/if}
      {#each mocks as mock, i (i)}<span class="mock" style:left="{axis.at(dayOf(mock.date))}%"></span>{/each}
      {#each marked as mark (mark.id)}<span class="equipment" style:left="{axis.at(dayOf(mark.date))}%"
        ></span>{/each}
      <span class="today" style:left="{axis.at(axis.today)}%"></span>
    </div>
    {#each plan.items as planned (planned.id)}
      {@const item = view.items.find((i) => i.id === planned.id)}
      {#if item && planned.state !== 'past'}
        <ItemRow
          {planned}
          {item}
          {axis}
          {scale}
          {labelGap}
          moves={moves.filter((m) => m.itemId === planned.id)}
          unkept={plan.unkept?.filter((one) => one.itemId === planned.id) ?? []}
          pinFrom={canPin ? plan.today : null}
          openRung={open?.itemId === planned.id ? (open.rung ?? '') : null}
          onOpen={(rung) => toggle(planned.id, rung)}
        />
      {/if}
    {/each}
  </div>
  {#if marked.length > 0}
    <p class="changed">
      <span class="mark equipment"></span> Equipment:
      {#each marked as { id, date, says }, i (id)}{i > 0 ? ' · ' : ''}{sayDate(dayOf(date))}
        <bdi>{says}</bdi>{/each}
    </p>
  {/if}
  <p class="words">
    <span class="sign"><span class="mark held"></span> held</span>
    <span class="sign"><span class="mark planned"></span> planned</span>
    <span class="sign"><span class="mark aged"></span> held, a fortnight old</span>
    {#if hasSeveral}<span class="sign"><span class="mark other"></span> another section of the item</span
      >{/if}
    <span class="sign"><span class="mark window"></span> mock window</span>
    <span class="sign"><span class="mark off"></span> day off</span>
    <span class="sign"><span class="mark lesson"></span> lesson</span>
    <span class="sign"><span class="mark pinned"></span> set by hand</span>
    <span class="sign"><span>+20 %</span> a week 20 % above the two before</span>
    <span class="below">Every row hangs below its target by the clicks it still has to go.</span>
  </p>
</div>

<style>
  .countback {
    margin-top: 10px;
  }
  .items {
    position: relative;
    border-bottom: 1px solid var(--rule);
  }
  .under {
    position: absolute;
    inset: 0 var(--targets) 0 var(--names);
    border-right: 4px solid var(--date);
    pointer-events: none;
  }
  .under > span {
    position: absolute;
    top: 0;
    bottom: 0;
  }
  .week {
    border-left: 1px solid color-mix(in srgb, var(--rule) 55%, transparent);
  }
  .today {
    border-left: 2px solid var(--ink);
  }
  .mock-window,
  .mark.window {
    background: radial-gradient(
        circle,
        color-mix(in srgb, var(--plan) 60%, transparent) 0.8px,
        transparent 1px
      )
      0 0 / 4px 4px;
  }
  .mock-window {
    right: 0;
    border-left: 1px dotted var(--plan);
  }
  .mock {
    border-left: 1px dotted var(--plan);
  }
  .under .equipment {
    border-left: 2px dotted var(--soft);
  }
  .changed {
    margin-top: 10px;
    font-stretch: 90%;
  }
  .mark.equipment {
    display: inline-block;
    width: 0;
    height: 14px;
    margin: 0 8px 0 10px;
    border-left: 2px dotted var(--soft);
    vertical-align: -2px;
  }
  .words {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 2px 8px;
    margin-top: 8px;
    color: var(--soft);
    font-size: 0.8rem;
  }
  /* no line ends between a mark and its word */
  .sign {
    display: flex;
    gap: 8px;
    align-items: center;
    margin-left: 10px;
  }
  .below {
    margin-left: auto;
  }
  .mark {
    width: 22px;
    height: 0;
  }
  .held {
    border-top: 4px solid var(--ink);
  }
  .planned {
    border-top: 1.5px solid var(--plan);
  }
  .other {
    border-top: 1px dashed var(--plan);
  }
  .aged {
    border-top: 4px dotted var(--ink);
  }
  .mark.window {
    height: 12px;
    border: 1px dotted var(--plan);
  }
  .mark.pinned {
    width: 8px;
    height: 8px;
    background: var(--plan);
  }
  .mark.off {
    height: 9px;
    background: repeating-linear-gradient(45deg, var(--soft) 0 1px, transparent 1px 4px);
  }
  .mark.lesson {
    width: 6px;
    height: 6px;
    border-radius: 50%;
    background: var(--ink);
  }
  @media (max-width: 720px) {
    .under {
      inset: 0 0 0 0;
    }
    .below {
      margin-left: 10px;
    }
  }
</style>

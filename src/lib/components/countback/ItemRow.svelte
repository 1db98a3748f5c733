<!-- One item of the countback: its name, its stairs below the target line, its target. A step or the name opens how it came about. -->
<script lang="ts">
  import { sayFacts, sayLine, sayOpen } from './row-words';
  import { type Move, type PlannedItem, type Unkept, sectionStairs } from '$lib/core/season';
  import { dayOf, formatDate, sayBpm } from '$lib/core/units';
  import type { CountbackItem } from '$lib/schema/view';
  import ItemGoal from './ItemGoal.svelte';
  import RungTable from './RungTable.svelte';
  import StairMarks from './StairMarks.svelte';
  import StairPointer from './StairPointer.svelte';
  import { ROW_TOP, labelled, rowHeight, seen, stairPath } from './stair-shape';
  import type { TimeAxis } from './time-axis';

  let {
    planned,
    item,
    axis,
    scale,
    labelGap,
    moves,
    unkept,
    pinFrom,
    openRung,
    onOpen
  }: {
    planned: PlannedItem;
    item: CountbackItem;
    axis: TimeAxis;
    /** px per click. */
    scale: number;
    /** Least distance between two labels, in per cent. */
    labelGap: number;
    /** Moves of this item that are to be seen on its stairs. */
    moves: readonly Move[];
    /** What of it could not be kept as a teacher would sign it. */
    unkept: readonly Unkept[];
    /** First day that can be pinned to; null where nothing can be pinned. */
    pinFrom: string | null;
    /** Key of the rung that is explained, '' for the whole ladder, null while closed. */
    openRung: string | null;
    onOpen: (rung: string | null) => void;
  } = $props();

  const isSmall = $derived(planned.state !== 'climbing');
  const height = $derived(isSmall ? 40 : rowHeight(item, scale, axis.from));
  const slowest = $derived(planned.sections.find((s) => s.id === planned.slowestSectionId) ?? null);
  const held = $derived(seen(item.heldSteps, axis.from));
  /** A work that another audition governs is kept warm beyond that one's date. */
  const until = $derived(
    planned.dayZero && !planned.broughtBy?.isShared
      ? Math.min(axis.dayZero, dayOf(planned.dayZero))
      : axis.dayZero
  );
  /** Of an item in several sections, those that do not set it: drawn fine. */
  const others = $derived(
    isSmall
      ? []
      : sectionStairs(planned, formatDate(axis.today)).map(({ sectionId, steps }) => ({
          sectionId,
          planned: steps,
          held: seen(item.heldSections.find((one) => one.sectionId === sectionId)?.steps ?? [], axis.from)
        }))
  );
  const top = $derived(isSmall ? 20 : ROW_TOP);
  const reached = $derived(planned.rungs.filter((r) => r.date).at(-1));
  const plannedUntil = $derived(
    planned.shortMin > 0 ? Math.min(until, reached?.date ? dayOf(reached.date) + 1 : axis.today) : until
  );
  /** Width of the words for open rungs, in labels. */
  const OPEN_WORDS = 5;
  const isOpenLeft = $derived(axis.at(plannedUntil) + OPEN_WORDS * labelGap > 100);
  /** Numbers of the section that sets the item; those of other sections would not compare. */
  const ownSteps = $derived(
    item.plannedSteps.slice(1).filter((s) => s.sectionId === planned.slowestSectionId)
  );
  /** Where the words for open rungs stand left of the last step, no number may stand under them. */
  const freeUntil = $derived(
    planned.shortMin > 0 && isOpenLeft ? axis.at(plannedUntil) - OPEN_WORDS * labelGap : 101
  );
  const labels = $derived(
    isSmall
      ? []
      : labelled(planned.shortMin > 0 ? ownSteps.slice(0, -1) : ownSteps, axis, labelGap).filter(
          (s) => axis.at(dayOf(s.date)) < freeUntil
        )
  );
  /** From here on what held is old: drawn dotted. */
  const agedFrom = $derived(slowest?.held?.isAged ? Math.max(axis.from, dayOf(slowest.held.on)) : null);
  const aged = $derived(
    agedFrom === null ? [] : held.slice(-1).map((s) => ({ ...s, date: formatDate(agedFrom) }))
  );
  const nowY = $derived(ROW_TOP + (item.plannedSteps[0]?.clicksBelow ?? 0) * scale);
  const openRungs = $derived(planned.rungs.filter((r) => r.date === null));
  const openOwn = $derived(openRungs.filter((r) => r.sectionId === (openRungs.at(-1)?.sectionId ?? '')));
  /** Left of today there is no room for the words: they stand with the name. */
  const isUnseenNamed = $derived(!isSmall && !slowest?.held && axis.at(axis.today) < 22);
  const facts = $derived(sayFacts(planned, item, isUnseenNamed));
</script>

<article class:small={isSmall} class:short={planned.shortMin > 0} id="item-{planned.id}">
  <div class="row">
    <button class="name" aria-expanded={openRung !== null} onclick={() => onOpen(null)}>
      <strong><bdi>{planned.name}</bdi></strong>
      <span class="soft"
        >{#if item.composer}<bdi>{item.composer}</bdi>{/if}{#if facts}{item.composer
            ? ' · '
            : ''}{facts}{/if}</span
      >
    </button>
    <div class="stairs" style:height="{height}px">
      <svg viewBox="0 0 100 {height}" preserveAspectRatio="none" aria-hidden="true">
        {#if planned.state !== 'minutes' && planned.state !== 'left-out'}
          <path class="target" d="M0 {top}H100" />
          {#if isSmall}
            <path class="planned" d="M{axis.at(axis.today)} {top}H{axis.at(until)}" />
            {#if item.heldSince}<path
                class="held"
                d="M{axis.at(dayOf(item.heldSince))} {top}H{axis.at(axis.today)}"
              />{/if}
          {:else}
            {#each others as other (other.sectionId)}
              <path class="other planned" d={stairPath(other.planned, plannedUntil, axis, scale)} />
              <path class="other held" d={stairPath(other.held, axis.today, axis, scale)} />
            {/each}
            <path class="planned" d={stairPath(item.plannedSteps, plannedUntil, axis, scale)} />
            <path class="held" d={stairPath(held, agedFrom ?? axis.today, axis, scale)} />
            {#if agedFrom !== null}<path
                class="held aged"
                d={stairPath(aged, axis.today, axis, scale)}
              />{/if}
          {/if}
        {/if}
      </svg>
      {#if isSmall}
        <p class="state" style:left="{axis.at(axis.today)}%">
          {sayLine(planned, item.heldSince)}
        </p>
      {:else}
        {#if slowest?.held}
          <span class="now" style:left="{axis.at(axis.today)}%" style:top="{nowY}px"
            >{sayBpm(slowest.held.bpm)}</span
          >
        {:else if !isUnseenNamed}
          <span class="unseen" style:left="{axis.at(axis.today)}%" style:top="{nowY}px">no evidence yet</span>
        {/if}
        <StairPointer
          name={planned.name}
          sections={planned.sections}
          steps={others.length > 0
            ? others.flatMap((one) => one.planned.slice(1))
            : item.plannedSteps.slice(1)}
          {axis}
          {scale}
          {onOpen}
        />
        <StairMarks {planned} {item} {axis} {scale} {moves} {labels} {onOpen} />
        {#if openRungs.length > 0}
          <span
            class="open"
            class:left={isOpenLeft}
            class:none={!reached}
            style:left="{axis.at(plannedUntil)}%"
            style:top="{ROW_TOP + (item.plannedSteps.at(-1)?.clicksBelow ?? 0) * scale}px"
          >
            {sayOpen(openOwn)}: no minutes
          </span>
        {/if}
      {/if}
    </div>
    <ItemGoal {planned} {slowest} {isSmall} />
  </div>
  {#if openRung !== null}<RungTable {planned} {openRung} {unkept} {pinFrom} />{/if}
</article>

<style>
  article {
    position: relative;
    border-top: 1px solid var(--rule);
  }
  .row {
    display: grid;
    grid-template-columns: var(--names) 1fr var(--targets);
  }
  .name {
    display: flex;
    flex-direction: column;
    padding: 6px 12px 4px 0;
    border: 0;
    background: none;
    text-align: left;
    line-height: 1.25;
  }
  .short .name {
    padding-left: 8px;
    border-left: 5px solid var(--ink);
  }
  .small .name {
    flex-direction: row;
    flex-wrap: wrap;
    gap: 0 8px;
    align-items: center;
  }
  .name strong {
    font-weight: 620;
  }
  .name:hover strong {
    text-decoration: underline;
  }
  .name span {
    font-size: 0.87rem;
  }
  .stairs {
    position: relative;
    border-right: 4px solid transparent;
  }
  svg {
    position: absolute;
    inset: 0;
    width: 100%;
    height: 100%;
  }
  path {
    fill: none;
    vector-effect: non-scaling-stroke;
  }
  .target {
    stroke: var(--rule);
    stroke-width: 2;
  }
  .held {
    stroke: var(--ink);
    stroke-width: 4.5;
  }
  .held.aged {
    stroke-dasharray: 1 7;
    stroke-linecap: round;
  }
  .planned {
    stroke: var(--plan);
    stroke-width: 1.75;
  }
  .other {
    opacity: 0.75;
  }
  .other.held {
    stroke-width: 1.5;
  }
  .other.planned {
    stroke-width: 1;
    stroke-dasharray: 4 2;
  }
  .stairs > :not(svg) {
    position: absolute;
    font-stretch: 88%;
  }
  .now {
    padding: 0 7px 3px 3px;
    font-size: 1.13rem;
    font-weight: 700;
    line-height: 1;
    transform: translate(-100%, -100%);
    text-shadow:
      0 0 3px var(--paper),
      0 0 3px var(--paper);
  }
  .unseen {
    padding: 3px 6px;
    color: var(--soft);
    font-size: 0.8rem;
    line-height: 1;
    white-space: nowrap;
    background: var(--paper);
    transform: translate(-100%, -100%);
  }
  .open {
    padding: 3px 6px;
    font-size: 0.82rem;
    font-weight: 600;
    line-height: 1.2;
    white-space: nowrap;
    background: var(--paper);
    transform: translateY(-50%);
  }
  .open.none {
    margin-left: 3px;
    transform: none;
  }
  .open.left {
    transform: translate(-100%, -105%);
  }
  .state {
    top: 0;
    margin-left: 8px;
    padding: 0 3px;
    line-height: 1.2;
    color: var(--soft);
    font-size: 0.82rem;
    white-space: nowrap;
    background: var(--paper);
  }
  @media (max-width: 720px) {
    .name {
      position: relative;
      z-index: 1;
      background: var(--paper);
    }
    .row {
      grid-template-columns: 1fr auto;
    }
    .stairs {
      margin-bottom: 12px;
      grid-row: 2;
      grid-column: 1 / -1;
    }
    /* right of today there may be no room for the words */
    .state {
      right: 4px;
      left: auto !important;
    }
  }
</style>

<!-- Minutes asked against minutes there, week by week; a week opens its days. Where it does not fit, a sentence says so. -->
<script lang="ts">
  import { type SeasonPlan, sayPresumed } from '$lib/core/season';
  import { type DayNumber, dayOf, formatDate, saySpan } from '$lib/core/units';
  import type { TimeAxis } from './time-axis';
  import WeekDays from './WeekDays.svelte';

  let {
    axis,
    axisPx,
    plan,
    practised,
    canPin,
    holdsHref
  }: {
    axis: TimeAxis;
    /** Width of the time axis on this screen. */
    axisPx: number;
    plan: SeasonPlan;
    practised: Readonly<Record<string, number>>;
    canPin: boolean;
    /** Where it is said what holds of an item; null for who may not. */
    holdsHref: string | null;
  } = $props();

  const isEmpty = $derived(plan.items.length > 0 && plan.items.every((item) => item.state === 'left-out'));

  const presumed = $derived(sayPresumed(plan));
  const nameOf = (id: string) => plan.items.find((item) => item.id === id)?.name ?? '';
  const spans = $derived(plan.short?.reasons.flatMap((reason) => reason.spans) ?? []);
  /** Names of more than these would be a wall of words; the rows below have them all. */
  const MOST_NAMED = 5;
  const shortItems = $derived.by(() => {
    const all = plan.short?.items ?? [];
    const isMany = all.length > MOST_NAMED;
    const named = all.slice(0, isMany ? MOST_NAMED - 1 : MOST_NAMED);
    const words = named.map(({ itemId, minutes }) => `${nameOf(itemId)} ${minutes}`).join(', ');
    const rest = all.slice(named.length);
    const restMin = rest.reduce((sum, { minutes }) => sum + minutes, 0);
    return isMany ? `${words} and ${rest.length} more ${restMin}` : words;
  });

  const HEIGHT = 30;
  /** A bar lower than this has no room for the sign of a jump, which then stands above it. */
  const SIGN_PX = 20;
  const weeks = $derived(plan.weeks.filter((w) => w.weeksToGo > 0));
  const past = $derived(pastWeeks(axis));
  const most = $derived(
    Math.max(60, ...weeks.map((w) => Math.max(w.thereMin, w.askedMin)), ...past.map((w) => w.minutes))
  );
  const px = (minutes: number) => Math.round((minutes / most) * HEIGHT);
  let openWeek = $state<number | null>(null);
  /** A target smaller than this is hard to hit (WCAG 2.2, 2.5.8); then a list opens the weeks instead. */
  const LEAST_TARGET_PX = 24;
  const widthOf = (w: (typeof weeks)[number]) =>
    axis.at(dayOf(w.from) + 7) - axis.at(Math.max(axis.from, dayOf(w.from)));
  const canTap = (w: (typeof weeks)[number]) => (widthOf(w) / 100) * axisPx >= LEAST_TARGET_PX;
  const toggle = (w: (typeof weeks)[number]) => (openWeek = openWeek === w.weeksToGo ? null : w.weeksToGo);

  function pastWeeks({ from, today, dayZero }: TimeAxis) {
    const first = Math.ceil((dayZero - from) / 7);
    const last = Math.ceil((dayZero - today) / 7);
    return Array.from({ length: Math.max(0, first - last) }, (_, i) => dayZero - 7 * (first - i)).map(
      (start) => ({ start, minutes: sumFrom(start) })
    );
  }

  function sumFrom(start: DayNumber): number {
    return [0, 1, 2, 3, 4, 5, 6].reduce((sum, i) => sum + (practised[formatDate(start + i)] ?? 0), 0);
  }

  const says = (w: (typeof weeks)[number]) =>
    `${saySpan(dayOf(w.from), dayOf(w.to))}: ${w.askedMin} min asked, ${w.thereMin} there${w.askedMin > w.plannedMin ? `, ${w.askedMin - w.plannedMin} short` : ''}${w.isJump ? '; more than 20 % above the two weeks before' : ''}`;
</script>

<div class="load">
  <p class="names">minutes asked, minutes there</p>
  <div class="weeks">
    {#each past as week (week.start)}
      <span
        class="past"
        style:left="{axis.at(week.start)}%"
        style:width="{axis.at(week.start + 7) - axis.at(week.start)}%"
        title="{saySpan(week.start, week.start + 6)}: {week.minutes} min practised"
      >
        <i style:height="{px(week.minutes)}px"></i>
      </span>
    {/each}
    {#each weeks as week (week.weeksToGo)}
      {@const from = Math.max(axis.from, dayOf(week.from))}
      {@const isShort = week.askedMin > week.plannedMin}
      {#snippet bars()}
        <i class="there" style:height="{px(week.thereMin)}px"></i>
        <i class="asked" style:height="{px(week.askedMin)}px"></i>
        {#if week.isJump}<b
            aria-hidden="true"
            style:bottom="{px(week.askedMin) < SIGN_PX ? px(week.askedMin) + 6 : 1}px">+20 %</b
          >{/if}
      {/snippet}
      {#if canTap(week)}
        <button
          class="week"
          class:short={isShort}
          style:left="{axis.at(from)}%"
          style:width="{widthOf(week)}%"
          aria-expanded={openWeek === week.weeksToGo}
          aria-label={says(week)}
          title={says(week)}
          onclick={() => toggle(week)}
        >
          {@render bars()}
        </button>
      {:else}
        <span
          class="week"
          class:short={isShort}
          style:left="{axis.at(from)}%"
          style:width="{widthOf(week)}%"
          title={says(week)}
        >
          {@render bars()}
        </span>
      {/if}
    {/each}
    {#each spans as span (span.from)}
      <span
        class="span"
        style:left="{axis.at(dayOf(span.from))}%"
        style:width="{axis.at(dayOf(span.to) + 1) - axis.at(dayOf(span.from))}%"
      ></span>
    {/each}
  </div>
</div>
{#snippet unknown()}<span
    >{presumed}
    {#if holdsHref}<a href={holdsHref}>Say what holds</a>{/if}</span
  >{/snippet}
<div class="says">
  {#if plan.short}
    <div>
      {#each plan.short.reasons as reason (reason.says)}
        <p>
          <strong>{reason.says}</strong>
          {#if reason.itemIds.length > 2 && reason.itemIds.length < plan.items.length}<span
              >{reason.itemIds.map(nameOf).join(', ')}.</span
            >{/if}
        </p>
      {/each}
      <p>
        <span>The lowest of the order are short: {shortItems} min. Their last rungs are open below.</span>
      </p>
      {#if presumed}<p>{@render unknown()}</p>{/if}
    </div>
  {:else}
    <p>
      <span
        >{isEmpty
          ? 'Every item is left out: nothing is planned.'
          : 'The plan fits: every rung has its minutes.'}</span
      >
      {#if presumed}{@render unknown()}{/if}
    </p>
  {/if}
  {#if !weeks.every(canTap)}
    <label class="pick">
      Open a week
      <select bind:value={openWeek}>
        <option value={null}></option>
        {#each weeks as week (week.weeksToGo)}<option value={week.weeksToGo}>{says(week)}</option>{/each}
      </select>
    </label>
  {/if}
</div>
{#if openWeek !== null}
  <WeekDays
    {plan}
    {canPin}
    week={weeks.find((w) => w.weeksToGo === openWeek)!}
    onClose={() => (openWeek = null)}
  />
{/if}

<style>
  .load {
    display: grid;
    grid-template-columns: var(--names) 1fr var(--targets);
    align-items: end;
  }
  .names {
    padding-bottom: 4px;
    font-size: 0.87rem;
  }
  .weeks {
    position: relative;
    height: 36px;
    border-right: 4px solid var(--date);
  }
  .week,
  .past {
    position: absolute;
    bottom: 0;
    height: 38px;
    padding: 0;
    border: 0;
    background: none;
  }
  .week i,
  .past i {
    position: absolute;
    right: 1px;
    bottom: 0;
    left: 1px;
  }
  .past i {
    border-top: 3px solid var(--soft);
    background: color-mix(in srgb, var(--ground) 60%, transparent);
  }
  .there {
    background: var(--ground);
  }
  .asked {
    border: 1.5px solid var(--plan);
    border-bottom: 0;
  }
  .short .asked {
    border-top: 5px solid var(--ink);
  }
  .week:hover .there,
  .week[aria-expanded='true'] .there {
    background: var(--rule);
  }
  .week b {
    position: absolute;
    left: 4px;
    font-size: 0.74rem;
    font-weight: 500;
    line-height: 1.1;
    white-space: nowrap;
    color: var(--ink);
  }
  .span {
    position: absolute;
    bottom: -6px;
    height: 5px;
    border: solid var(--ink);
    border-width: 0 2px 2px;
    pointer-events: none;
  }
  .says {
    display: flex;
    flex-wrap: wrap;
    gap: 4px 16px;
    align-items: center;
    justify-content: space-between;
    padding: 6px var(--targets) 10px var(--names);
    font-size: 0.93rem;
  }
  .says p > span {
    color: var(--soft);
  }
  .pick {
    color: var(--soft);
    font-size: 0.87rem;
  }
  .pick select {
    width: 9em;
    min-height: 26px;
    background: var(--paper);
  }
  @media (max-width: 720px) {
    .week b {
      left: 0;
    }
    .load {
      grid-template-columns: 1fr;
    }
    .says {
      padding: 6px 0 10px;
    }
  }
</style>

<!-- The head of the countback: weeks and days counted down to 0, lessons, days off, dates, and the days to go. -->
<script lang="ts">
  import type { SeasonPlan } from '$lib/core/season';
  import { dayOf, formatDate, sayDate, weekdayOf } from '$lib/core/units';
  import { placeLabels } from './date-labels';
  import { type TimeAxis, countMarks } from './time-axis';

  type Dated = { readonly date: string; readonly name: string };
  let {
    axis,
    axisPx,
    plan,
    lessons,
    dates,
    rounds
  }: {
    axis: TimeAxis;
    /** Width of the time axis on this screen. */
    axisPx: number;
    plan: SeasonPlan;
    lessons: readonly { readonly weekday: number }[];
    dates: readonly (Dated & { readonly kind: string })[];
    rounds: readonly Dated[];
  } = $props();

  const counted = $derived(countMarks(axis));
  const isFine = $derived(axis.dayZero - axis.from <= 110);
  const capacity = $derived(new Map(plan.days.map((d) => [d.date, d])));
  const days = $derived(
    Array.from({ length: axis.dayZero - axis.from }, (_, i) => axis.from + i).map((day) => ({
      day,
      isWeek: (axis.dayZero - day) % 7 === 0,
      isLesson: day >= axis.today && lessons.some((l) => l.weekday === weekdayOf(day)),
      isOff: day >= axis.today && capacity.get(formatDate(day))?.capacityMin === 0,
      parts: capacity.get(formatDate(day))?.parts ?? []
    }))
  );
  const shown = $derived(
    dates
      .filter((d) => dayOf(d.date) >= axis.from && dayOf(d.date) <= axis.dayZero)
      .sort((a, b) => a.date.localeCompare(b.date))
  );
  const labelOf = (d: Dated) => ({
    text: `${d.name} ${sayDate(dayOf(d.date)).slice(4)}`,
    at: axis.at(dayOf(d.date))
  });
  /** Tasks have a mark alone: their words stand around the audition. */
  const labels = $derived([
    ...placeLabels(shown.filter(({ kind }) => kind !== 'task').map(labelOf), axisPx),
    ...shown.filter(({ kind }) => kind === 'task').map((d) => ({ ...labelOf(d), isRight: false, row: null }))
  ]);
  /** Dates beside the weeks to go, as many as have room; the last leaves it to the round. */
  const PX_PER_DATE = 50;
  const dated = $derived.by(() => {
    const marks = counted.marks.map(({ day }) => ({ day, text: sayDate(day).slice(4) }));
    const kept: typeof marks = [];
    const px = (day: number) => (axis.at(day) / 100) * axisPx;
    for (const mark of [...marks].reverse()) {
      const right = kept.length > 0 ? px(kept.at(-1)!.day) : axisPx;
      if (right - px(mark.day) >= PX_PER_DATE) kept.push(mark);
    }
    return kept;
  });
  const later = $derived(rounds.filter((r) => dayOf(r.date) > axis.dayZero));
  const reason = (day: (typeof days)[number]) => day.parts.find((p) => p.what !== 'the weekday')?.what;
</script>

<div class="head">
  <div class="names">
    <p>{counted.unit} to go</p>
    <p class="dates-name">dates</p>
  </div>
  <div class="axis">
    <p class="today" class:first={axis.at(axis.today) < 8} style:left="{axis.at(axis.today)}%">
      today, {sayDate(axis.today)}
    </p>
    {#each counted.marks as mark (mark.count)}
      {#if counted.unit === 'days' || Math.abs(axis.at(mark.day) - axis.at(axis.today)) > 0.6}<span
          class="weeks"
          style:left="{axis.at(mark.day)}%"
          title={sayDate(mark.day)}>{mark.count}</span
        >{/if}
    {/each}
    {#each dated as { day, text } (day)}<span class="date" style:left="{axis.at(day)}%">{text}</span>{/each}
    {#each days as day (day.day)}
      {#if day.isWeek || (isFine && !day.isOff)}
        <span
          class="tick"
          class:week={day.isWeek}
          class:past={day.day < axis.today}
          style:left="{axis.at(day.day)}%"
        ></span>
      {/if}
      {#if day.isLesson}<span
          class="lesson"
          style:left="{axis.at(day.day + 0.5)}%"
          title="lesson, {sayDate(day.day)}"
        ></span>{/if}
      {#if day.isOff && reason(day)}<span
          class="off"
          style:left="{axis.at(day.day)}%"
          style:width="{axis.dayWidth}%"
          title="{reason(day)}, {sayDate(day.day)}"
        ></span>{/if}
    {/each}
    <ul class="dates" aria-label="Dates">
      {#each labels as { text, at, isRight, row }, i (i)}
        <li
          class:right={isRight}
          class:low={row === 1}
          class:bare={row === null}
          style:left="{at}%"
          title={text}
        >
          {#if row === null}<span class="hidden">{text}</span>{:else}{text}{/if}
        </li>
      {/each}
    </ul>
  </div>
  <div class="days">
    <strong>{plan.daysToGo}</strong>
    <span>days to go</span>
    {#each later as round, i (i)}<span class="soft">{round.name} {sayDate(dayOf(round.date)).slice(4)}</span
      >{/each}
  </div>
</div>

<style>
  .head {
    display: grid;
    grid-template-columns: var(--names) 1fr var(--targets);
    min-height: 106px;
  }
  .names {
    padding-top: 22px;
    color: var(--soft);
    font-size: 0.87rem;
  }
  .axis {
    position: relative;
    border-right: 4px solid var(--date);
  }
  .axis > * {
    position: absolute;
  }
  .today {
    top: 0;
    font-size: 0.87rem;
    font-weight: 650;
    white-space: nowrap;
    transform: translateX(-50%);
  }
  .today.first {
    transform: none;
  }
  .weeks {
    top: 20px;
    padding-left: 3px;
    color: var(--soft);
    font-size: 0.87rem;
  }
  .date {
    top: 36px;
    padding-left: 3px;
    color: var(--soft);
    font-size: 0.8rem;
    font-stretch: 84%;
    white-space: nowrap;
  }
  .dates-name {
    margin-top: -1px;
    font-size: 0.8rem;
  }
  .tick {
    top: 60px;
    height: 8px;
    border-left: 1px solid var(--soft);
  }
  .tick.week {
    top: 40px;
    height: 28px;
  }
  .tick.past {
    border-left: 2px solid var(--ink);
  }
  .lesson {
    top: 69px;
    width: 5px;
    height: 5px;
    margin-left: -2px;
    border-radius: 50%;
    background: var(--ink);
  }
  .off {
    top: 60px;
    height: 8px;
    background: repeating-linear-gradient(45deg, var(--soft) 0 1px, transparent 1px 4px);
  }
  .dates {
    left: 0;
    right: 0;
    top: 74px;
    height: 32px;
    padding: 0;
    list-style: none;
    font-size: 0.8rem;
    font-stretch: 84%;
  }
  .dates li {
    position: absolute;
    top: 2px;
    height: 34px;
    padding-left: 4px;
    border-left: 2px dotted var(--plan);
    color: var(--plan);
    line-height: 1.1;
    white-space: nowrap;
  }
  /* no other date's line goes through its words */
  .dates li:not(.bare) {
    z-index: 1;
    background: linear-gradient(var(--paper) 14px, transparent 14px);
  }
  .dates li.low {
    z-index: 2;
    top: 16px;
    height: 20px;
  }
  .dates li.bare {
    padding: 0;
  }
  .dates li.right {
    padding: 0 4px 0 0;
    border-right: 2px dotted var(--plan);
    border-left: 0;
    transform: translateX(-100%);
  }
  .days {
    display: flex;
    flex-direction: column;
    padding: 6px 0 0 12px;
    font-size: 0.87rem;
    line-height: 1.25;
  }
  .days strong {
    color: var(--date);
    font-size: 2.7rem;
    font-stretch: 88%;
    font-weight: 750;
    line-height: 0.95;
  }
  @media (max-width: 720px) {
    .head {
      grid-template-columns: 1fr;
    }
    .names {
      display: none;
    }
    .axis {
      min-height: 114px;
      grid-row: 2;
    }
    .days {
      flex-direction: row;
      align-items: baseline;
      gap: 6px;
      padding: 0 0 6px;
    }
    .days strong {
      font-size: 2.2rem;
    }
    .tick:not(.week) {
      display: none;
    }
    .weeks {
      padding-left: 1px;
      font-size: 0.74rem;
      font-stretch: 80%;
    }
  }
</style>

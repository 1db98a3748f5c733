<!-- The countback one line high, with the same edges as the full one. -->
<script lang="ts">
  import { timeAxis, weekMarks } from '$lib/components/countback/time-axis';
  import { dayOf } from '$lib/core/units';
  import type { SeasonHeadView } from '$lib/schema/view';

  let { head }: { head: SeasonHeadView } = $props();

  const axis = $derived(timeAxis(head.began, head.today, head.next!.date));
  const marks = $derived(weekMarks(axis));
  const days = $derived(axis.dayZero - axis.today);
  /** On the day itself what is short helps nobody. */
  const standing = $derived(
    days === 0 ? 'it is today' : head.shortMin > 0 ? `${head.shortMin} min short` : 'the plan fits'
  );
</script>

<a class="line" href="/auditions/{head.auditionId}" aria-label="{days} days to go: to the countback">
  <span class="name">{standing}</span>
  <span class="axis">
    {#if head.mockFrom}<span class="mocks" style:left="{axis.at(dayOf(head.mockFrom))}%"></span>{/if}
    {#each marks as mark (mark.weeks)}<span class="week" style:left="{axis.at(mark.day)}%"></span>{/each}
    {#each head.dates as date, i (i)}
      {#if dayOf(date.date) >= axis.from && dayOf(date.date) <= axis.dayZero}
        <span class="date" style:left="{axis.at(dayOf(date.date))}%" title={date.name}></span>
      {/if}
    {/each}
    <span class="past" style:width="{axis.at(axis.today)}%"></span>
    <span class="today" style:left="{axis.at(axis.today)}%"></span>
  </span>
  <span class="days"><strong>{days}</strong> days to go</span>
</a>

<style>
  .line {
    display: grid;
    grid-template-columns: var(--names) 1fr var(--targets);
    align-items: end;
    height: 30px;
    margin-top: 6px;
    border-bottom: 1px solid var(--rule);
    color: var(--soft);
    font-size: 0.87rem;
    text-decoration: none;
  }
  .name {
    padding-bottom: 4px;
  }
  .axis {
    position: relative;
    height: 100%;
    border-right: 4px solid var(--date);
  }
  .axis > span {
    position: absolute;
    bottom: 0;
  }
  .week {
    height: 8px;
    border-left: 1px solid var(--soft);
  }
  .past {
    left: 0;
    height: 4px;
    background: var(--ink);
  }
  .today {
    height: 20px;
    border-left: 2px solid var(--ink);
  }
  .date {
    height: 14px;
    border-left: 2px dotted var(--plan);
  }
  .mocks {
    right: 0;
    height: 20px;
    background: radial-gradient(circle, var(--plan) 0.8px, transparent 1px) 0 0 / 4px 4px;
    opacity: 0.7;
  }
  .days {
    padding: 0 0 1px 8px;
    font-stretch: 84%;
    white-space: nowrap;
  }
  .days strong {
    color: var(--date);
    font-size: 1.2rem;
  }
  @media (max-width: 720px) {
    .line {
      grid-template-columns: 1fr auto;
    }
    .name {
      display: none;
    }
  }
</style>

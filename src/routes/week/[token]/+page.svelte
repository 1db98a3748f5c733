<script lang="ts">
  import { WEEKDAY_NAMES, dayOf, sayDate, weekdayOf } from '$lib/core/units';
  import type { PageData } from './$types';

  let { data }: { data: PageData } = $props();
  const week = $derived(data.week);
</script>

<svelte:head><title>The week of {week.name} · Irvot</title></svelte:head>
<div class="page">
  <h1>The week of <bdi>{week.name}</bdi></h1>
  <p class="soft">
    {week.next ? `${week.next.name}, ${sayDate(dayOf(week.next.date))}. ` : ''}In the last seven days {week.playedMin}
    minutes on {week.playedDays}
    {week.playedDays === 1 ? 'day' : 'days'}. This page is for reading.
  </p>
  {#each week.days as day, i (day.date)}
    <section>
      <h2>{i === 0 ? 'Today' : WEEKDAY_NAMES[weekdayOf(dayOf(day.date)) - 1]}</h2>
      <p class="date soft">{sayDate(dayOf(day.date))}</p>
      <div>
        {#each day.dates as name (name)}<p><strong>{name}</strong></p>{/each}
        {#each day.lessons as start, n (n)}<p>lesson{start ? `, ${start}` : ''}</p>{/each}
        {#if day.blocks.length > 0}
          <p><strong>{day.minutes} minutes</strong></p>
          <p>
            {#each day.blocks as block, n (n)}<span
                >{block.start ? `${block.start} ` : ''}<bdi>{block.name}</bdi> {block.minutes}</span
              >{/each}
          </p>
        {:else}<p class="soft">no practice planned</p>{/if}
      </div>
    </section>
  {/each}
</div>

<style>
  section {
    display: grid;
    grid-template-columns: 150px 110px 1fr;
    gap: 4px 16px;
    align-items: baseline;
    max-width: 900px;
    padding: 10px 0;
    border-bottom: 1px solid var(--rule);
  }
  section:first-of-type {
    margin-top: 20px;
    border-top: 1.5px solid var(--ink);
  }
  h2 {
    font-size: 1.1rem;
  }
  span {
    display: inline-block;
    margin-right: 20px;
  }
  @media (max-width: 720px) {
    section {
      grid-template-columns: 1fr auto;
    }
    section > div {
      grid-column: 1 / -1;
    }
    span {
      display: block;
    }
  }
</style>

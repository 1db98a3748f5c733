<!-- The season for the wall: weeks counted down, and in each the tempo every item should hold at its end, with a box to tick. -->
<script lang="ts">
  import NoteValue from '$lib/components/note/NoteValue.svelte';
  import { type SeasonPlan, readWall } from '$lib/core/season';
  import { dayOf, sayBpm, sayDate } from '$lib/core/units';

  let {
    plan,
    dates
  }: { plan: SeasonPlan; dates: readonly { readonly date: string; readonly name: string }[] } = $props();

  /** More columns than this cannot be read from a step away; the rest goes onto the next sheet. */
  const MOST_WEEKS = 14;
  const wall = $derived(readWall(plan));
  const parts = $derived(
    Array.from({ length: Math.ceil(wall.weeks.length / MOST_WEEKS) }, (_, i) => ({
      from: i * MOST_WEEKS,
      weeks: wall.weeks.slice(i * MOST_WEEKS, (i + 1) * MOST_WEEKS)
    }))
  );
  const short = (date: string) => sayDate(dayOf(date)).slice(4);
  /** A short list fills the sheet too: lines as high as there is room for, between 10 and 17 mm. */
  const lineMm = $derived(Math.min(17, Math.max(10, 140 / (wall.rows.length + 1))));
  const datesIn = (from: string, to: string) => dates.filter((d) => d.date >= from && d.date <= to);
</script>

{#each parts as part (part.from)}
  <table
    class:next={part.from > 0}
    class:roomy={lineMm > 12 && part.weeks.length <= 9}
    style="--line: {lineMm.toFixed(1)}mm"
  >
    <thead>
      <tr>
        <th scope="col" class="item">weeks to go</th>
        {#if part.from === 0}<th scope="col">now</th>{/if}
        {#each part.weeks as week (week.weeksToGo)}
          <th scope="col"
            ><strong>{week.weeksToGo}</strong><span>from {short(week.from)}</span><span
              >{week.minutes} min</span
            ></th
          >
        {/each}
        <th scope="col" class="goal">target</th>
      </tr>
    </thead>
    <tbody>
      {#each wall.rows as row (row.itemId + row.bars)}
        <tr>
          <th scope="row"
            ><bdi>{row.name}</bdi>
            {#if row.bars}<span>{row.bars}</span>{/if}</th
          >
          {#if part.from === 0}<td class="now">{row.held === null ? '' : sayBpm(row.held)}</td>{/if}
          {#each row.cells.slice(part.from, part.from + MOST_WEEKS) as reached, i (i)}
            <td
              >{#if reached !== null}<i></i>{reached}{/if}</td
            >
          {/each}
          <td class="goal"
            >{#if row.unit && row.target !== null}<NoteValue unit={row.unit} height={13} />
              {sayBpm(row.target)}{/if}{#if row.dueLater}<span class="later">by {short(row.dueLater)}</span
              >{/if}</td
          >
        </tr>
      {/each}
      <tr class="dates">
        <th scope="row">dates</th>
        {#if part.from === 0}<td></td>{/if}
        {#each part.weeks as week (week.weeksToGo)}
          <td
            >{#each datesIn(week.from, week.to) as { date, name }, i (i)}<p>
                {short(date)}
                {name}
              </p>{/each}</td
          >
        {/each}
        <td class="goal"></td>
      </tr>
    </tbody>
  </table>
{/each}

<style>
  table {
    margin-top: 4mm;
    font-size: 12pt;
    table-layout: fixed;
  }
  .next {
    break-before: page;
  }
  th,
  td {
    height: var(--line);
    padding: 1mm;
    border: 0.4pt solid var(--rule);
    color: #000;
    text-align: center;
    vertical-align: middle;
  }
  thead th {
    border-bottom: 1.2pt solid #000;
    font-size: 7.5pt;
  }
  thead strong {
    display: block;
    font-size: 12pt;
  }
  thead span {
    display: block;
    font-stretch: 80%;
  }
  th[scope='row'],
  .item {
    width: 46mm;
    font-size: 10.5pt;
    font-weight: 600;
    text-align: left;
  }
  th span {
    font-weight: 400;
  }
  .roomy {
    font-size: 14pt;
  }
  .roomy thead th {
    font-size: 9pt;
  }
  .roomy thead strong {
    font-size: 15pt;
  }
  .roomy th[scope='row'] {
    font-size: 12pt;
  }
  .roomy .dates td {
    font-size: 9pt;
  }
  .later {
    display: block;
    font-size: 8pt;
    font-weight: 400;
  }
  .now {
    background: var(--ground);
    font-weight: 700;
  }
  .goal {
    width: 18mm;
    border-left: 1.2pt solid #000;
    font-weight: 700;
    white-space: nowrap;
  }
  td i {
    display: inline-block;
    width: 2.8mm;
    height: 2.8mm;
    margin-right: 1mm;
    border: 0.6pt solid #000;
    vertical-align: -0.3mm;
  }
  .dates td {
    font-size: 7.5pt;
    font-stretch: 85%;
    line-height: 1.15;
    overflow-wrap: anywhere;
    vertical-align: top;
  }
</style>

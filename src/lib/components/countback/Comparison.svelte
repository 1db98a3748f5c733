<!-- Two layings in numbers: the weeks' minutes, then each item's rungs with both dates. What is the same is named once. -->
<script lang="ts">
  import { type SideBySide, rungKey, sayRung } from '$lib/core/season';
  import { dayOf, sayDate, saySpan } from '$lib/core/units';

  let { sides, a, b }: { sides: SideBySide; a: number; b: number } = $props();

  const changed = $derived(sides.items.filter((item) => !item.isSame));
  const same = $derived(sides.items.filter((item) => item.isSame && item.rungs.length > 0));
  const saysDate = (date: string | null | undefined) =>
    date === undefined
      ? '–'
      : date === null
        ? 'no minutes'
        : date === 'holds'
          ? 'holds'
          : sayDate(dayOf(date));
  const saysDays = (days: number | null) =>
    days === null
      ? ''
      : days === 0
        ? 'same'
        : `${Math.abs(days)} ${Math.abs(days) === 1 ? 'day' : 'days'} ${days > 0 ? 'later' : 'earlier'}`;
  const most = $derived(Math.max(1, ...sides.weeks.flatMap((w) => [w.a ?? 0, w.b ?? 0])));
</script>

<div class="both">
  <table class="weeks">
    <caption>Minutes a week</caption>
    <thead
      ><tr
        ><th scope="col">week</th><th scope="col" class="number">{a}</th><th scope="col"
          ><span class="hidden">as bars</span></th
        ><th scope="col" class="number">{b}</th></tr
      ></thead
    >
    <tbody>
      {#each sides.weeks as week (week.from)}
        <tr class:differs={week.a !== week.b}>
          <th scope="row">{saySpan(dayOf(week.from), dayOf(week.from) + 6)}</th>
          <td class="number">{week.a ?? '–'}</td>
          <td class="bars" aria-hidden="true"
            >{#each [week.a, week.b] as minutes, i (i)}<i
                class:second={i === 1}
                class:none={!minutes}
                style:width="{((minutes ?? 0) / most) * 100}%"
              ></i>{/each}</td
          >
          <td class="number">{week.b ?? '–'}</td>
        </tr>
      {/each}
    </tbody>
  </table>
  <div>
    {#if changed.length > 0}
      <table class="rungs">
        <caption>Dates of the rungs</caption>
        <thead
          ><tr
            ><th scope="col">rung</th><th scope="col">in plan {a}</th><th scope="col">in plan {b}</th><th
              scope="col">moved</th
            ></tr
          ></thead
        >
        {#each changed as item (item.itemId)}
          <tbody>
            <tr><th scope="rowgroup" colspan="4"><bdi>{item.name}</bdi></th></tr>
            {#each item.rungs as rung (rungKey(rung))}
              <tr class:differs={rung.a !== rung.b}>
                <td class="bpm">{sayRung(rung)}</td>
                <td>{saysDate(rung.a)}</td>
                <td>{saysDate(rung.b)}</td>
                <td>{saysDays(rung.laterBy)}</td>
              </tr>
            {/each}
          </tbody>
        {/each}
      </table>
    {:else}
      <p>No rung has another date.</p>
    {/if}
    {#if same.length > 0}
      <p class="soft">The same in both: {same.map((item) => item.name).join(', ')}.</p>
    {/if}
  </div>
</div>

<style>
  .both {
    display: grid;
    grid-template-columns: 5fr 7fr;
    gap: 32px;
    align-items: start;
  }
  caption {
    padding-bottom: 4px;
    font-weight: 650;
    text-align: left;
  }
  table {
    width: 100%;
    font-size: 0.87rem;
  }
  td,
  tbody th {
    padding: 3px 12px 3px 0;
    color: var(--soft);
    font-weight: 400;
    text-align: left;
    border-bottom: 1px solid var(--rule);
    white-space: nowrap;
  }
  .number {
    text-align: right;
  }
  th[scope='rowgroup'] {
    padding-top: 10px;
    border-bottom-color: var(--ink);
    color: var(--ink);
    font-weight: 650;
  }
  .differs td,
  .differs th {
    color: var(--ink);
  }
  .bars {
    width: 40%;
  }
  .bars i {
    display: block;
    height: 5px;
    margin: 1px 0;
    border: 1px solid var(--plan);
  }
  .bars .second {
    background: var(--plan);
  }
  .bars .none {
    border-color: transparent;
    background: none;
  }
  @media (max-width: 720px) {
    .both {
      grid-template-columns: 1fr;
    }
  }
</style>

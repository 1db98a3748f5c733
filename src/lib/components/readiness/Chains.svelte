<!-- Every item as a chain that runs to its round, the weakest first: a check is as long as the days left, and only what is not yet there has height. -->
<script lang="ts">
  import { type DayNumber, dayOf } from '$lib/core/units';
  import type { ReadinessView } from '$lib/schema/readiness-view';
  import ChecksOfItem from './ChecksOfItem.svelte';
  import { cellOf, columnsFor, sayUnder } from './cells';

  let { view, openItem }: { view: ReadinessView; openItem: string | null } = $props();

  /** Of more items than this, those that hold fold away. */
  const MOST_ROWS = 12;
  const today: DayNumber = $derived(dayOf(view.today));
  const columns = $derived(columnsFor(view.readings));
  let isFolded = $state(true);
  const holding = $derived(view.readings.filter(({ state }) => state === 'holds'));
  const isLong = $derived(view.readings.length > MOST_ROWS && holding.length > 0);
  const rows = $derived(
    isLong && isFolded
      ? view.readings.filter((reading) => reading.state !== 'holds' || reading.id === openItem)
      : view.readings
  );
  const answered = $derived(new Set(view.next?.checks.map(({ kind }) => kind) ?? []));
</script>

<div class="scroll">
  <table style:--columns={columns.length}>
    <thead>
      <tr>
        <th scope="col" class="name">weakest first</th>
        {#each columns as { head } (head)}<th scope="col" class="head">{head}</th>{/each}
        <th scope="col" class="word"><span class="hidden">as a whole</span></th>
      </tr>
    </thead>
    <tbody>
      {#each rows as reading (reading.id)}
        {@const isOpen = reading.id === openItem}
        <tr class="item">
          <th scope="row" class="name">
            <a href={isOpen ? '?' : `?item=${reading.id}`} data-sveltekit-noscroll aria-expanded={isOpen}
              ><bdi>{reading.name}</bdi></a
            >
            <span class="under"
              ><span class="few">{sayUnder(reading)}</span><span class="all"
                >{sayUnder(reading, Infinity)}</span
              ></span
            >
          </th>
          {#each columns as column (column.head)}
            {@const cell = cellOf(reading, column, today)}
            {@const isNext =
              reading.id === view.next?.itemId && column.kinds.some((kind) => answered.has(kind))}
            <td class={[cell.form, { isNext }]} title={cell.says}>
              <i style:width="{100 * cell.share}%"></i><span class="hidden">{cell.says}</span>
            </td>
          {/each}
          <td class="word">{reading.state}</td>
        </tr>
        {#if isOpen}<tr class="opened">
            <td colspan={columns.length + 2}><ChecksOfItem {view} {reading} /></td>
          </tr>{/if}
      {/each}
    </tbody>
  </table>
</div>
{#if isLong}<button class="quiet" aria-expanded={!isFolded} onclick={() => (isFolded = !isFolded)}
    >{isFolded ? `${holding.length} more hold` : 'Fold those that hold'}</button
  >{/if}

<div class="foot">
  <p class="signs">
    <span><i class="sign holds"></i>holds until the round</span>
    <span><i class="sign half"></i>too old by then: asked again</span>
    <span><i class="sign aged"></i>ask again</span>
    <span><i class="sign open"></i>not yet</span>
    <span><i class="sign optional"></i>optional</span>
    <span><i class="sign off"></i>not asked</span>
  </p>
  <p>
    Each check is as long as the days from today to the round.
    {#if view.ageing.count > 0}<b
        >{view.ageing.count === 1 ? 'One grows' : `${view.ageing.count} grow`} too old before it</b
      >{#if view.ageing.inLastWeek > 0}, {view.ageing.inLastWeek === view.ageing.count
          ? 'in its last week'
          : `${view.ageing.inLastWeek} of them in its last week`}{/if}.{/if}
  </p>
</div>

<style>
  .scroll {
    overflow-x: auto;
  }
  table {
    width: 100%;
    table-layout: fixed;
    border-collapse: collapse;
  }
  th,
  td {
    padding: 0;
    border: 0;
    text-align: left;
  }
  thead th {
    height: 56px;
    padding-bottom: 8px;
    border-bottom: 1.5px solid var(--ink);
    color: var(--ink);
    font-size: 13px;
    font-stretch: 76%;
    font-weight: 400;
    line-height: 1.2;
    vertical-align: bottom;
  }
  .head {
    padding-left: 5px;
    overflow-wrap: break-word;
  }
  th.name {
    width: var(--names);
    padding-right: 16px;
  }
  thead .name {
    color: var(--soft);
  }
  th.word,
  td.word {
    width: var(--targets);
    padding-left: 10px;
    border-left: 4px solid var(--date);
    font-size: 14px;
    font-stretch: 88%;
    font-weight: 600;
  }
  .item th,
  .item td {
    height: 48px;
    border-bottom: 1px solid var(--rule);
    vertical-align: middle;
  }
  .item td:not(.word) {
    position: relative;
    border-left: 1px solid var(--rule);
  }
  .item th a {
    display: block;
    overflow: hidden;
    color: var(--ink);
    font-size: 15px;
    font-stretch: 92%;
    font-weight: 600;
    text-decoration: none;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
  .item th a:hover,
  .item th a:focus-visible {
    text-decoration: underline;
  }
  .under {
    display: block;
    overflow: hidden;
    color: var(--soft);
    font-size: 13px;
    font-stretch: 88%;
    font-weight: 400;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
  /* what holds is thick as far as it counts, and dots from there on */
  .item td.holds::before,
  .item td.aged::before,
  .sign.aged,
  .sign.half {
    position: absolute;
    top: calc(50% - 2px);
    left: 0;
    width: 100%;
    height: 4px;
    background: repeating-linear-gradient(90deg, var(--ink) 0 4px, transparent 4px 8px);
    content: '';
  }
  .item td.holds i {
    position: absolute;
    top: calc(50% - 4px);
    left: 0;
    height: 8px;
    border-right: 2px solid var(--paper);
    background: var(--ink);
  }
  .item td.open i {
    position: absolute;
    inset: 9px 3px;
    width: auto !important;
    border: 1.5px solid var(--ink);
    background: repeating-linear-gradient(45deg, var(--soft) 0 1px, transparent 1px 5px);
  }
  .item td.optional i {
    position: absolute;
    top: calc(50% - 1px);
    left: 0;
    height: 2px;
    background: var(--ink);
  }
  .item td.off::before {
    position: absolute;
    top: 50%;
    left: 0;
    width: 100%;
    height: 1px;
    background: var(--soft);
    content: '';
  }
  /* what the next action answers lies in one frame */
  .item td.isNext::after {
    position: absolute;
    inset: 0;
    border: 3px solid var(--plan);
    border-inline-width: 0;
    content: '';
    pointer-events: none;
  }
  .item :not(.isNext) + td.isNext::after {
    border-left-width: 3px;
  }
  .item td.isNext:not(:has(+ .isNext))::after {
    border-right-width: 3px;
  }
  .opened td {
    border-bottom: 1px solid var(--rule);
  }
  .foot {
    margin-top: 14px;
    font-size: 14px;
    font-stretch: 92%;
  }
  .signs {
    display: flex;
    flex-wrap: wrap;
    gap: 4px 26px;
    margin-bottom: 8px;
  }
  .signs span {
    display: inline-flex;
    gap: 8px;
    align-items: center;
  }
  .sign {
    position: relative;
    display: inline-block;
    width: 56px;
    height: 8px;
  }
  .sign.holds {
    background: var(--ink);
  }
  .sign.aged,
  .sign.half {
    position: relative;
    top: 0;
    width: 56px;
  }
  .sign.half::before {
    position: absolute;
    top: -2px;
    left: 0;
    width: 24px;
    height: 8px;
    background: var(--ink);
    content: '';
  }
  .sign.open {
    height: 16px;
    border: 1.5px solid var(--ink);
    background: repeating-linear-gradient(45deg, var(--soft) 0 1px, transparent 1px 5px);
  }
  .sign.optional {
    height: 2px;
    background: var(--ink);
  }
  .sign.off {
    height: 1px;
    background: var(--soft);
  }
  .all {
    display: none;
  }
  @media (max-width: 900px) {
    thead,
    .few {
      display: none;
    }
    .all {
      display: inline;
    }
    table,
    tbody {
      display: block;
    }
    .item {
      display: grid;
      position: relative;
      grid-template-columns: repeat(var(--columns), 1fr);
      padding: 8px 0 10px;
      border-bottom: 1px solid var(--rule);
    }
    .item th,
    .item td {
      height: 26px;
      border-bottom: 0;
    }
    .item th.name {
      grid-column: 1 / -1;
      width: auto;
      height: auto;
      padding: 0 96px 6px 0;
    }
    .item th a {
      padding: 6px 0 0;
      white-space: normal;
    }
    .under {
      white-space: normal;
    }
    .item td.word {
      position: absolute;
      top: 14px;
      right: 0;
      width: auto;
      padding: 0;
      border: 0;
    }
    .item td.open i {
      inset: 3px 1px;
    }
    .opened,
    .opened td {
      display: block;
    }
  }
</style>

<!-- Each item: what of it mocks have heard, the word of each mock, and the gap between practice and the latest. -->
<script lang="ts">
  import { barsByLine } from '$lib/core/record/lines';
  import type { MocksView } from '$lib/schema/mock-view';

  let { items }: { items: MocksView['items'] } = $props();

  const shareOf = (item: MocksView['items'][number]) => {
    const all = item.toBar - item.fromBar + 1;
    const isHeard = (bar: number) => item.heard.some(({ fromBar, toBar }) => bar >= fromBar && bar <= toBar);
    return barsByLine({ ...item, barsPerLine: '' })
      .flat()
      .flatMap((bar, i) => (isHeard(bar) ? [{ left: (100 * i) / all, width: 100 / all }] : []));
  };
  function sayGap({ words, gap }: MocksView['items'][number]): string {
    if (words.length === 0) return '';
    if (gap === null) return 'practice says too little';
    if (gap <= 0) return 'none';
    const steps = gap === 1 ? '1 word' : `${gap} words`;
    return words.length === 1 ? `${steps}, from one mock` : steps;
  }
</script>

<table>
  <thead>
    <tr
      ><th scope="col">heard so far</th><th scope="col">the mocks’ words, the widest gap’s</th><th scope="col"
        >gap now</th
      ></tr
    >
  </thead>
  <tbody>
    {#each items as item (item.id)}
      <tr>
        <th scope="row">
          <bdi>{item.name}</bdi>
          <span
            class="heard"
            role="img"
            aria-label="{shareOf(item).length} of {item.toBar - item.fromBar + 1} bars heard"
            >{#each shareOf(item) as { left, width } (left)}<i
                style:left="{left}%"
                style:width="{width + 0.2}%"
              ></i>{/each}</span
          >
        </th>
        <td
          >{#each item.words as one (one.mockId)}<span class="word"
              >{one.stage}: <b>{one.element}</b> {one.word}</span
            >{/each}</td
        >
        <td class:open={(item.gap ?? 0) > 0}>{sayGap(item)}</td>
      </tr>
    {/each}
  </tbody>
</table>

<style>
  table {
    width: 100%;
    margin-top: 18px;
  }
  thead th {
    color: var(--soft);
    font-size: 0.87rem;
    font-weight: 400;
    text-align: left;
  }
  tbody th,
  td {
    padding: 7px 16px 7px 0;
    border-top: 1px solid var(--rule);
    border-bottom: 0;
    color: var(--ink);
    font-size: 1rem;
    font-weight: 500;
    text-align: left;
    vertical-align: top;
  }
  th:first-child {
    width: 30%;
  }
  .heard {
    position: relative;
    display: block;
    height: 8px;
    margin-top: 3px;
    border: 1px solid var(--soft);
  }
  i {
    position: absolute;
    top: 0;
    bottom: 0;
    background: var(--ink);
  }
  .word {
    display: inline-block;
    margin-right: 18px;
  }
  .open {
    font-weight: 700;
  }
  @media (max-width: 720px) {
    thead {
      display: none;
    }
    tr {
      display: grid;
      grid-template-columns: 1fr auto;
    }
    tbody th {
      grid-column: 1 / -1;
      padding: 7px 0;
    }
    tbody td {
      padding: 0 0 7px;
      border: 0;
    }
  }
</style>

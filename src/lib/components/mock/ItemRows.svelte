<!-- Each item: what of it mocks have heard, the word of each mock, and the gap between practice and the latest. -->
<script lang="ts">
  import { barsByLine } from '$lib/core/record/lines';
  import { MOCK_WORDS } from '$lib/core/record/words';
  import { dayOf } from '$lib/core/units';
  import type { MocksView } from '$lib/schema/mock-view';
  import { ladderAxis } from './axis';

  let { view }: { view: MocksView } = $props();

  type Item = MocksView['items'][number];
  const axis = $derived(ladderAxis(view));
  /** Narrower treads have no room for their word. */
  const LEAST_WIDTH = 9;
  /** The last word stands left of today where its tread is as wide as this, else on the other side. */
  const WIDE = 16;

  /** The word of each mock hangs below practice's by the gap; where practice says too little, by the word itself. */
  function treadsOf({ words }: Item) {
    return words.map(({ mockId, date, word, gap, element }, i) => {
      const left = Math.max(0, axis.across(dayOf(date)));
      const right = axis.across(i + 1 < words.length ? dayOf(words[i + 1]!.date) : axis.today);
      const isLast = i === words.length - 1;
      const level = Math.max(0, gap ?? MOCK_WORDS.indexOf(word));
      const says = isLast && word !== 'carries' ? `${element}: ${word}` : word;
      return { mockId, left, width: right - left, level, isLast, says, isKnown: gap !== null };
    });
  }
  /** Where the level changes, from one tread to the next. */
  function risersOf(treads: readonly { readonly left: number; readonly level: number }[]) {
    return treads.slice(1).flatMap(({ left, level }, i) => {
      const before = treads[i]!.level;
      return before === level
        ? []
        : [{ left, top: Math.min(before, level), steps: Math.abs(before - level) }];
    });
  }
  /** Closed by a word at each stage that is to hear it. */
  function plannedOf(item: Item) {
    const open = treadsOf(item).at(-1)?.level ?? null;
    if (open === null) return [];
    const days = [axis.today, ...item.heardNext.map(dayOf), axis.round];
    return days.slice(1).map((day, i) => {
      const [left, right] = [axis.across(days[i]!), axis.across(day)];
      return { left, width: right - left, level: Math.max(0, open - i) };
    });
  }
  const nextCut = (item: Item) => {
    const cut = view.next?.draw.find(({ itemId }) => itemId === item.id);
    const all = item.toBar - item.fromBar + 1;
    return (
      cut && {
        left: (100 * (cut.fromBar - item.fromBar)) / all,
        width: (100 * (cut.toBar - cut.fromBar + 1)) / all
      }
    );
  };
  const shareOf = (item: Item) => {
    const all = item.toBar - item.fromBar + 1;
    const isHeard = (bar: number) => item.heard.some(({ fromBar, toBar }) => bar >= fromBar && bar <= toBar);
    return barsByLine({ ...item, barsPerLine: '' })
      .flat()
      .flatMap((bar, i) => (isHeard(bar) ? [{ left: (100 * i) / all, width: 100 / all }] : []));
  };
  function sayGap({ words, gap }: Item): string {
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
    {#each view.items as item (item.id)}
      {@const cut = nextCut(item)}
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
              ></i>{/each}{#if cut}<i class="drawn" style:left="{cut.left}%" style:width="{cut.width}%"
              ></i>{/if}</span
          >
        </th>
        <td class="steps">
          <span class={['picture', { empty: item.words.length === 0 }]} aria-hidden="true">
            <i class="practice"></i>
            {#each treadsOf(item) as tread (tread.mockId)}
              <i
                class={['tread', { unsure: !tread.isKnown }]}
                style:left="{tread.left}%"
                style:width="{tread.width}%"
                style:top="{6 + 12 * tread.level}px"
              ></i>
              {#if tread.isLast || tread.width > LEAST_WIDTH}<span
                  class={['label', { last: tread.isLast }]}
                  style:left={tread.isLast
                    ? tread.width > WIDE
                      ? null
                      : `calc(${axis.across(axis.today)}% + 4px)`
                    : `${tread.left}%`}
                  style:right={tread.isLast && tread.width > WIDE
                    ? `${100 - axis.across(axis.today)}%`
                    : null}
                  style:top="{12 + 12 * tread.level}px">{tread.says}</span
                >{/if}
            {/each}
            {#each plannedOf(item) as tread, i (i)}<i
                class="planned"
                style:left="{tread.left}%"
                style:width="{tread.width}%"
                style:top="{7 + 12 * tread.level}px"
              ></i>{/each}
            {#each risersOf(treadsOf(item)) as { left, top, steps } (left)}<i
                class="riser"
                style:left="{left}%"
                style:top="{6 + 12 * top}px"
                style:height="{12 * steps + 5}px"
              ></i>{/each}
            {#each risersOf(plannedOf(item)) as { left, top, steps } (left)}<i
                class="riser planned"
                style:left="{left}%"
                style:top="{7 + 12 * top}px"
                style:height="{12 * steps}px"
              ></i>{/each}
            <i class="now" style:left="{axis.across(axis.today)}%"></i>
          </span>
          {#each item.words as one (one.mockId)}<span class="word"
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
  table {
    table-layout: fixed;
  }
  th:first-child {
    width: 280px;
  }
  th:last-child {
    width: 120px;
  }
  tbody .steps {
    padding-right: 0;
  }
  td:last-child {
    padding-left: 16px;
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
  .drawn {
    top: -4px;
    bottom: -4px;
    border: 2px solid var(--plan);
    background: none;
  }
  .picture {
    position: relative;
    display: block;
    height: 50px;
  }
  .picture.empty {
    height: 26px;
  }
  .picture i {
    bottom: auto;
  }
  .practice {
    top: 8px;
    width: 100%;
    height: 1px;
    background: var(--rule);
  }
  .tread {
    height: 5px;
  }
  .unsure {
    background: repeating-linear-gradient(90deg, var(--ink) 0 5px, transparent 5px 9px);
  }
  .riser {
    width: 4px;
  }
  .riser.planned {
    width: 2px;
  }
  .planned {
    height: 2px;
    background: var(--plan);
  }
  .picture .now {
    top: -7px;
    bottom: -8px;
    width: 2px;
  }
  .label {
    position: absolute;
    padding: 0 3px;
    color: var(--soft);
    font-size: 13px;
    font-stretch: 88%;
    line-height: 1.2;
    white-space: nowrap;
  }
  .last {
    color: var(--ink);
    font-weight: 650;
  }
  .word {
    position: absolute;
    width: 1px;
    height: 1px;
    overflow: hidden;
    clip-path: inset(50%);
  }
  .open {
    font-weight: 700;
  }
  @media (max-width: 900px) {
    .picture {
      display: none;
    }
    .word {
      position: static;
      display: inline-block;
      width: auto;
      height: auto;
      margin-right: 18px;
      clip-path: none;
    }
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

<!-- The bars of an item as they stand on the page, with those that are heard; tapped, where something is said about bars. -->
<script lang="ts">
  import { barsByLine } from '$lib/core/record/lines';
  import { type BarRange, sayBars } from '$lib/core/units';

  let {
    item,
    cut,
    isWhole,
    picked = [],
    noted = [],
    onPick
  }: {
    item: BarRange & { readonly barsPerLine: string };
    cut: BarRange;
    /** All of the item is drawn, not the cut alone. */
    isWhole: boolean;
    picked?: readonly number[];
    /** Bars about which something is said. */
    noted?: readonly BarRange[];
    onPick?: (bar: number) => void;
  } = $props();

  const isIn = (bar: number, { fromBar, toBar }: BarRange) => bar >= fromBar && bar <= toBar;
  const lines = $derived(
    barsByLine(item)
      .map((line) => (isWhole ? line : line.filter((bar) => isIn(bar, cut))))
      .filter((line) => line.length > 0)
  );
  /** Numbers where a line, or what is heard, begins and ends. */
  const isNumbered = (bar: number, first: number) =>
    bar === first || bar === cut.fromBar || bar === cut.toBar;
  const mark = (bar: number) => ({
    heard: isWhole && isIn(bar, cut),
    picked: picked.includes(bar),
    noted: noted.some((bars) => isIn(bar, bars))
  });
</script>

<div class="strip" role={onPick ? 'group' : 'img'} aria-label={onPick ? 'Bars' : sayBars(cut)}>
  {#each lines as line (line[0])}
    <span class="line">
      {#each line as bar (bar)}
        {#if onPick}<button
            type="button"
            class={['bar', mark(bar)]}
            aria-label="bar {bar}"
            aria-pressed={picked.includes(bar)}
            onclick={() => onPick(bar)}
            >{isNumbered(bar, line[0]!) || picked.includes(bar) || mark(bar).noted ? bar : ''}</button
          >{:else}<i class={['bar', mark(bar)]}>{isNumbered(bar, line[0]!) ? bar : ''}</i>{/if}
      {/each}
    </span>
  {/each}
</div>

<style>
  .strip {
    display: flex;
    flex-wrap: wrap;
    gap: 8px 10px;
  }
  .line {
    display: flex;
    flex-wrap: wrap;
  }
  .bar {
    display: grid;
    place-items: center;
    min-width: 30px;
    height: 32px;
    margin-left: -1px;
    padding: 0 2px;
    border: 1px solid var(--soft);
    background: none;
    color: var(--soft);
    font-size: 14px;
    font-style: normal;
    font-stretch: 88%;
  }
  button.bar {
    min-width: 29px;
  }
  .noted {
    background: repeating-linear-gradient(135deg, var(--paper) 0 3px, var(--rule) 3px 5px);
    color: var(--ink);
    font-weight: 650;
  }
  .heard,
  .picked {
    background: var(--ink);
    color: var(--paper);
    font-weight: 650;
  }
</style>

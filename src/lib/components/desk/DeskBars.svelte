<!-- The bars in hand, with the lines of the page they lie on; one cell a bar. -->
<script lang="ts">
  import { barsByLine } from '$lib/core/record/lines';

  type Bars = { readonly fromBar: number; readonly toBar: number };
  let { item, bars }: { item: Bars & { readonly barsPerLine?: string | undefined }; bars: Bars } = $props();

  const lines = $derived(
    barsByLine(item).filter((line) => line.at(-1)! >= bars.fromBar && line[0]! <= bars.toBar)
  );
  const isIn = (bar: number) => bar >= bars.fromBar && bar <= bars.toBar;
</script>

<div class="bars" role="img" aria-label="bars {bars.fromBar} to {bars.toBar}">
  {#each lines as line (line[0])}
    <div class="line">
      {#each line as bar, i (bar)}<span class:in={isIn(bar)}
          >{i === 0 || bar === bars.fromBar || bar === bars.toBar ? bar : ''}</span
        >{/each}
    </div>
  {/each}
</div>

<style>
  .bars {
    display: flex;
    flex-wrap: wrap;
    gap: 4px 12px;
    max-height: 66px;
    overflow: hidden;
  }
  .line {
    display: flex;
  }
  span {
    width: 32px;
    height: 30px;
    padding: 5px 0 0 3px;
    border: 1px solid var(--soft);
    border-width: 1px 0 1px 1px;
    color: var(--soft);
    font-size: 12px;
    font-stretch: 76%;
    line-height: 17px;
  }
  span:last-child {
    border-right-width: 1px;
  }
  .in {
    padding-top: 1px;
    border-top: 5px solid var(--ink);
    color: var(--ink);
    font-weight: 600;
  }
  @media (max-width: 720px) {
    span {
      width: 25px;
    }
  }
</style>

<!-- A straight run: one slur over its bars, the lines of the page marked. -->
<script lang="ts">
  import { barsByLine } from '$lib/core/record/lines';
  import type { BarRange } from '$lib/core/units';

  let { item, bars }: { item: BarRange & { readonly barsPerLine?: string | undefined }; bars: BarRange } =
    $props();

  const all = $derived(bars.toBar - bars.fromBar + 1);
  const share = (bar: number) => (100 * (bar - bars.fromBar)) / all;
  /** The first bar, and those that begin a line; not so many that their numbers touch. */
  const heads = $derived.by(() => {
    const firsts = barsByLine(item).flatMap((line) =>
      line[0]! > bars.fromBar && line[0]! <= bars.toBar ? line[0]! : []
    );
    const every = Math.ceil(firsts.length / 6);
    return [bars.fromBar, ...firsts.filter((bar, i) => (i + 1) % every === 0 && share(bar) < 94)];
  });
  const ticks = $derived(all > 90 ? [] : Array.from({ length: all }, (_, i) => bars.fromBar + i));
</script>

<figure aria-label="straight through, bars {bars.fromBar} to {bars.toBar}">
  <svg viewBox="0 0 1000 110" preserveAspectRatio="none" aria-hidden="true">
    <path d="M2 108C250 -28 750 -28 998 108C750 -8 250 -8 2 108Z" />
  </svg>
  <div class="ruler">
    {#each ticks as bar (bar)}<i style:left="{share(bar)}%"></i>{/each}
    {#each heads as bar (bar)}<b style:left="{share(bar)}%"><span>{bar}</span></b>{/each}
    <em></em>
  </div>
</figure>

<style>
  figure {
    margin: 0;
  }
  svg {
    display: block;
    width: 100%;
    height: clamp(60px, 14vh, 120px);
    fill: var(--ink);
  }
  .ruler {
    position: relative;
    height: 58px;
    border-bottom: 0;
  }
  .ruler::before {
    content: '';
    position: absolute;
    top: 26px;
    right: 0;
    left: 0;
    height: 2px;
    background: var(--ink);
  }
  i,
  b {
    position: absolute;
    bottom: 31px;
    width: 1px;
    height: 8px;
    background: var(--soft);
  }
  b {
    width: 2px;
    height: 27px;
    background: var(--ink);
  }
  b span {
    position: absolute;
    top: 31px;
    left: 0;
    color: var(--soft);
    font-size: 18px;
    font-weight: 400;
  }
  em {
    position: absolute;
    right: 0;
    bottom: 31px;
    width: 11px;
    height: 27px;
    border: solid var(--ink);
    border-width: 0 6px 0 2px;
  }
</style>

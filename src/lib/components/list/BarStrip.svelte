<!-- The bar strip, read only: one cell a bar, broken at the lines of the page; filled as far as each section's tempo holds. -->
<script lang="ts">
  import type { PlannedSection } from '$lib/core/season';
  import { readLines } from '$lib/schema/item-form';

  let {
    item,
    sections
  }: {
    item: { fromBar: number; toBar: number; barsPerLine: string; name: string };
    sections: readonly PlannedSection[];
  } = $props();

  const DEFAULT_BARS_A_LINE = 16;
  const lines = $derived(layLines());
  const longest = $derived(Math.max(...lines.map((l) => l.bars.length)));

  function layLines() {
    const count = item.toBar - item.fromBar + 1;
    const pages = readLines(item.barsPerLine) ?? [];
    const known = pages.flatMap((page, p) =>
      page.map((bars, l) => ({ bars, isPageEnd: l === page.length - 1 && p < pages.length - 1 }))
    );
    const fits = known.reduce((sum, l) => sum + l.bars, 0) === count;
    const lengths = fits
      ? known
      : Array.from({ length: Math.ceil(count / DEFAULT_BARS_A_LINE) }, (_, i) => ({
          bars: Math.min(DEFAULT_BARS_A_LINE, count - i * DEFAULT_BARS_A_LINE),
          isPageEnd: false
        }));
    let next = item.fromBar;
    return lengths.map(({ bars, isPageEnd }) => ({
      isPageEnd,
      bars: Array.from({ length: bars }, () => next++)
    }));
  }

  function sectionAt(bar: number) {
    return sections.find((s) => bar >= s.fromBar && bar <= s.toBar);
  }

  /** How far the bar's section is on its way: share of the target that holds. */
  function shareAt(bar: number): number {
    const section = sectionAt(bar);
    return section?.held && section.targetBpm ? Math.min(1, section.held.bpm / section.targetBpm) : 0;
  }

  const says = $derived(sections.map((s) => `bars ${s.fromBar} to ${s.toBar}: ${s.says}`).join('; '));
</script>

<div class="strip" role="img" aria-label="{item.name}, {says || `bars ${item.fromBar} to ${item.toBar}`}">
  {#each lines as line, i (i)}
    <div class="line" class:page-end={line.isPageEnd}>
      <span class="first">{line.bars[0]}</span>
      {#each line.bars as bar (bar)}
        <span
          class="bar"
          class:begins={sectionAt(bar)?.fromBar === bar && bar !== item.fromBar}
          style:width="{100 / Math.max(12, longest)}%"
        >
          <i class:there={shareAt(bar) === 1} style:height="{shareAt(bar) * 100}%"></i>
        </span>
      {/each}
    </div>
  {/each}
</div>

<style>
  .strip {
    max-width: 460px;
  }
  .line {
    display: flex;
    height: 13px;
  }
  .page-end {
    height: 18px;
    padding-bottom: 5px;
  }
  .first {
    width: 26px;
    padding-right: 5px;
    color: var(--soft);
    font-size: 0.67rem;
    font-stretch: 80%;
    line-height: 11px;
    text-align: right;
  }
  .bar {
    position: relative;
    height: 11px;
    margin-right: 1px;
    border: 1px solid var(--soft);
  }
  .bar.begins {
    border-left: 4px solid var(--ink);
  }
  .bar i {
    position: absolute;
    right: 0;
    bottom: 0;
    left: 0;
    background: color-mix(in srgb, var(--ink) 32%, transparent);
  }
  .bar .there {
    background: var(--ink);
  }
</style>

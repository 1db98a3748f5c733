<!--
  The bar strip: one cell a bar, broken at the lines of the page; filled as far as each section's tempo holds, with errata
  and cuts where they lie. Where `selection` is bound, bars are picked on it: by dragging, by arrow keys (Shift extends), by
  typing "37-41".
-->
<script lang="ts">
  import { readLines } from '$lib/core/record/lines';
  import { sayBars } from '$lib/core/units';
  import { readBars } from '$lib/schema/printed';

  type Bars = { readonly fromBar: number; readonly toBar: number };
  type Section = Bars & {
    readonly targetBpm?: number | null;
    readonly held?: { readonly bpm: number } | null;
    readonly says?: string;
    readonly isFree?: boolean;
  };
  let {
    item,
    sections,
    errata = [],
    cuts = [],
    spots = [],
    canPick = false,
    selection = $bindable(null)
  }: {
    item: Bars & { readonly barsPerLine: string; readonly name: string };
    sections: readonly Section[];
    errata?: readonly { readonly bar: number; readonly says: string }[];
    cuts?: readonly Bars[];
    /** Those that are not laid to rest. */
    spots?: readonly (Bars & { readonly issue: string })[];
    canPick?: boolean;
    selection?: Bars | null;
  } = $props();

  const DEFAULT_BARS_A_LINE = 16;
  const lines = $derived(layLines());
  const longest = $derived(Math.max(...lines.map((l) => l.bars.length)));
  let anchor = $state<number | null>(null);
  let typed = $state('');
  let fault = $state('');

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

  const inside = (bar: number, bars: Bars) => bar >= bars.fromBar && bar <= bars.toBar;
  const sectionAt = (bar: number) => sections.find((s) => inside(bar, s));
  const erratumAt = (bar: number) => errata.find((e) => e.bar === bar);

  /** How far the bar's section is on its way: share of the target that holds. */
  function shareAt(bar: number): number {
    const section = sectionAt(bar);
    return section?.held && section.targetBpm ? Math.min(1, section.held.bpm / section.targetBpm) : 0;
  }

  const says = $derived(
    [
      ...sections.map((s) => `bars ${s.fromBar} to ${s.toBar}${s.says ? `: ${s.says}` : ''}`),
      ...errata.map((e) => `erratum in bar ${e.bar}: ${e.says}`),
      ...cuts.map((c) => `cut: bars ${c.fromBar} to ${c.toBar}`),
      ...spots.map((s) => `spot: ${sayBars(s)}, ${s.issue}`)
    ].join('; ')
  );
  const saysPicked = $derived(
    selection
      ? selection.fromBar === selection.toBar
        ? `bar ${selection.fromBar}`
        : `bars ${selection.fromBar} to ${selection.toBar}`
      : 'no bars picked'
  );

  function pick(from: number, to: number) {
    selection = { fromBar: Math.min(from, to), toBar: Math.max(from, to) };
    typed = from === to ? `${from}` : `${selection.fromBar}-${selection.toBar}`;
    fault = '';
  }

  function barUnder(event: PointerEvent): number | null {
    const cell = document.elementFromPoint(event.clientX, event.clientY)?.closest<HTMLElement>('[data-bar]');
    return cell ? Number(cell.dataset.bar) : null;
  }

  function begin(event: PointerEvent) {
    const bar = barUnder(event);
    if (!canPick || bar === null) return;
    anchor = event.shiftKey && selection ? selection.fromBar : bar;
    pick(anchor, bar);
  }

  function drag(event: PointerEvent) {
    const bar = anchor === null || event.buttons === 0 ? null : barUnder(event);
    if (bar !== null) pick(anchor!, bar);
  }

  /** Arrows move by a bar or a line of the page, Home and End to the first and last bar; Shift extends what is picked. */
  function onKey(event: KeyboardEvent) {
    const at = selection
      ? anchor === selection.toBar
        ? selection.fromBar
        : selection.toBar
      : item.fromBar - 1;
    const line = lines.find((l) => l.bars.includes(Math.max(at, item.fromBar)))?.bars.length ?? 1;
    const steps: Record<string, number> = {
      ArrowRight: at + 1,
      ArrowLeft: at - 1,
      ArrowDown: at + line,
      ArrowUp: at - line,
      Home: item.fromBar,
      End: item.toBar
    };
    const to = steps[event.key];
    if (event.key === 'Escape') selection = anchor = null;
    if (to === undefined) return;
    event.preventDefault();
    const bar = Math.min(item.toBar, Math.max(item.fromBar, to));
    if (!event.shiftKey || anchor === null) anchor = event.shiftKey && selection ? selection.fromBar : bar;
    pick(anchor, bar);
  }

  function onTyped() {
    const bars = readBars(typed);
    if (typed.trim() === '') selection = null;
    else if (!bars || bars.fromBar > bars.toBar) fault = 'Write the bars as 37-41.';
    else if (bars.fromBar < item.fromBar || bars.toBar > item.toBar)
      fault = `It has bars ${item.fromBar} to ${item.toBar}.`;
    else {
      anchor = bars.fromBar;
      pick(bars.fromBar, bars.toBar);
    }
  }
</script>

{#snippet strip()}
  {#each lines as line, i (i)}
    <div class="line" class:page-end={line.isPageEnd}>
      <span class="first">{line.bars[0]}</span>
      {#each line.bars as bar (bar)}
        {@const section = sectionAt(bar)}
        <span
          class="bar"
          class:begins={section?.fromBar === bar && bar !== item.fromBar}
          class:free={section?.isFree}
          class:none={!section}
          class:cut={cuts.some((c) => inside(bar, c))}
          class:picked={selection && inside(bar, selection)}
          data-bar={bar}
          title={erratumAt(bar) ? `bar ${bar}: ${erratumAt(bar)!.says}` : `bar ${bar}`}
          style:width="{100 / Math.max(12, longest)}%"
        >
          <i class:there={shareAt(bar) === 1} style:height="{shareAt(bar) * 100}%"></i>
          {#if erratumAt(bar)}<b></b>{/if}
          {#if spots.some((spot) => inside(bar, spot))}<em></em>{/if}
        </span>
      {/each}
    </div>
  {/each}
{/snippet}

{#if canPick}
  <div class="typing">
    <label
      >Bars <input
        bind:value={typed}
        placeholder="37-41"
        inputmode="text"
        aria-invalid={fault ? 'true' : undefined}
        oninput={() => (fault = '')}
        onchange={onTyped}
        onkeydown={(event) => {
          if (event.key !== 'Enter') return;
          event.preventDefault();
          onTyped();
        }}
      /></label
    >
    <span class="soft" role="status">{fault || saysPicked}</span>
  </div>
  <div
    class="strip pick"
    role="slider"
    tabindex="0"
    aria-label="{item.name}, bars: {says}"
    aria-valuemin={item.fromBar}
    aria-valuemax={item.toBar}
    aria-valuenow={selection?.fromBar ?? item.fromBar}
    aria-valuetext={saysPicked}
    onpointerdown={begin}
    onpointermove={drag}
    onkeydown={onKey}
  >
    {@render strip()}
  </div>
{:else}
  <div class="strip" role="img" aria-label="{item.name}, {says || `bars ${item.fromBar} to ${item.toBar}`}">
    {@render strip()}
  </div>
{/if}

<style>
  .strip {
    max-width: 460px;
  }
  .pick {
    max-width: 900px;
    padding: 4px 0;
    cursor: crosshair;
    touch-action: pan-y;
    user-select: none;
  }
  .line {
    display: flex;
    height: 13px;
  }
  .pick .line {
    height: 24px;
  }
  .page-end {
    height: 18px;
    padding-bottom: 5px;
  }
  .pick .page-end {
    height: 31px;
    padding-bottom: 7px;
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
  .pick .first {
    width: 34px;
    font-size: 0.8rem;
    line-height: 22px;
  }
  .bar {
    position: relative;
    height: 11px;
    margin-right: 1px;
    border: 1px solid var(--soft);
  }
  .pick .bar {
    height: 22px;
  }
  em {
    position: absolute;
    right: 25%;
    bottom: -3px;
    left: 25%;
    height: 6px;
    border: 1px solid var(--paper);
    background: var(--ink);
  }
  .bar.begins {
    border-left: 4px solid var(--ink);
  }
  .bar.free {
    border-style: dotted;
  }
  .bar.none {
    border-color: var(--rule);
  }
  .bar.cut {
    border-bottom: 3px solid var(--ink);
  }
  .bar.picked {
    background: color-mix(in srgb, var(--plan) 30%, transparent);
    outline: 2px solid var(--plan);
    outline-offset: -1px;
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
  /* an erratum: a corner filled with the paper's opposite, seen on empty and on full bars */
  .bar b {
    position: absolute;
    top: -1px;
    right: -1px;
    width: 6px;
    height: 6px;
    border: 1px solid var(--paper);
    background: var(--ink);
  }
  .typing {
    display: flex;
    gap: 12px;
    align-items: center;
    margin: 8px 0 2px;
  }
  .typing label {
    color: var(--soft);
    font-size: 0.87rem;
  }
  .typing input {
    width: 92px;
    min-height: 32px;
    margin-left: 4px;
    padding: 3px 6px;
  }
</style>

<!-- A spot in one line: typed, or bars and elements tapped, which write the line. -->
<script lang="ts">
  import {
    ELEMENTS,
    type Element,
    type SpotLine,
    parseSpotLine,
    withBars,
    withElement
  } from '$lib/core/practice';
  import { type BarRange, isInside } from '$lib/core/units';
  import DeskPanel from './DeskPanel.svelte';

  let {
    item,
    bars,
    elements,
    onFound,
    onClose
  }: {
    item: BarRange & { readonly name: string };
    /** The bars in hand, which can be tapped. */
    bars: BarRange;
    elements: readonly Element[];
    onFound: (spot: SpotLine) => void;
    onClose: () => void;
  } = $props();

  let line = $state('');
  let fault = $state('');
  let field: HTMLInputElement;
  const read = $derived(parseSpotLine(`${line} -${ELEMENTS[0]}`, item));
  const picked = $derived(read.ok ? read.value : null);
  const numbers = $derived(Array.from({ length: bars.toBar - bars.fromBar + 1 }, (_, i) => bars.fromBar + i));
  const isPicked = (bar: number) => picked !== null && isInside({ fromBar: bar, toBar: bar }, picked);

  /** A second bar makes it reach from one to the other; a third begins anew. */
  function tap(bar: number) {
    const isOne = picked !== null && picked.fromBar === picked.toBar && picked.fromBar !== bar;
    const ends = isOne ? [picked.fromBar, bar].sort((a, b) => a - b) : [bar, bar];
    line = withBars(line, { fromBar: ends[0]!, toBar: ends[1]! });
    fault = '';
  }
  function keep(event: SubmitEvent) {
    event.preventDefault();
    const spot = parseSpotLine(line, item);
    if (spot.ok) return onFound(spot.value);
    fault = spot.faults[0]!.says;
    field.focus();
  }
</script>

<DeskPanel name="A spot in {item.name}" {onClose}>
  <form onsubmit={keep}>
    <label for="spot-line">The bar, and what is wrong there</label>
    <input
      id="spot-line"
      bind:this={field}
      bind:value={line}
      dir="auto"
      autocomplete="off"
      placeholder="{bars.fromBar} flat after the leap"
      aria-invalid={fault ? 'true' : undefined}
      aria-describedby={fault ? 'spot-fault' : undefined}
      oninput={() => (fault = '')}
    />
    {#if fault}<p id="spot-fault" class="fault" role="alert">{fault}</p>{/if}
    <div class="cells" role="group" aria-label="Bars">
      {#each numbers as bar (bar)}<button type="button" aria-pressed={isPicked(bar)} onclick={() => tap(bar)}
          >{bar}</button
        >{/each}
    </div>
    <div class="words" role="group" aria-label="What does not hold">
      {#each elements as element (element)}<button
          type="button"
          aria-pressed={line.includes(`-${element}`)}
          onclick={() => (line = withElement(line, element))}>{element}</button
        >{/each}
    </div>
    <button class="keep">Keep it</button>
  </form>
</DeskPanel>

<style>
  form {
    display: grid;
    gap: 12px;
    width: min(860px, calc(100vw - 48px));
  }
  input {
    width: 100%;
    min-height: 56px;
    font-size: 26px;
  }
  .cells,
  .words {
    display: flex;
    flex-wrap: wrap;
    gap: 0;
    max-height: 32vh;
    padding: 0 1px 1px 0;
    overflow: auto;
  }
  .cells button {
    width: 56px;
    min-height: 48px;
    margin: 0 -1px -1px 0;
    border: 1px solid var(--soft);
    background: none;
    font-size: 17px;
  }
  .cells [aria-pressed='true'] {
    border-top: 6px solid var(--ink);
    font-weight: 700;
  }
  .words button {
    min-height: 48px;
    padding: 0 14px 0 0;
    border: 0;
    background: none;
    color: var(--soft);
    font-size: 20px;
  }
  .words [aria-pressed='true'] {
    color: var(--ink);
    font-weight: 650;
    text-decoration: underline;
    text-underline-offset: 4px;
  }
  .keep {
    justify-self: start;
    min-height: 64px;
    padding: 0 36px;
    border: 0;
    background: var(--ink);
    color: var(--paper);
    font-size: 26px;
    font-weight: 700;
  }
</style>

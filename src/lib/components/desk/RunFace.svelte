<!-- A run straight through: while it is played nothing is asked and nothing counts, but the recorder; afterwards, how it went. -->
<script lang="ts">
  import { onDestroy } from 'svelte';
  import { rangesOf } from '$lib/core/practice';
  import { LEVEL_WORDS } from '$lib/core/take/level';
  import { type BarRange, sayBars } from '$lib/core/units';
  import NoteValue from '$lib/components/note/NoteValue.svelte';
  import type { TodayView } from '$lib/schema/view';
  import BarCells from './BarCells.svelte';
  import OneAnswer from './OneAnswer.svelte';
  import RunLine from './RunLine.svelte';
  import type { Running } from './running.svelte';

  let {
    running,
    item,
    bars,
    mayRecord,
    isHeard,
    onHeard,
    onHurts,
    onBack
  }: {
    running: Running;
    item: TodayView['items'][number];
    bars: BarRange;
    /** False before a guardian has said yes. */
    mayRecord: boolean;
    /** The count is heard, too. */
    isHeard: boolean;
    onHeard: (isHeard: boolean) => unknown;
    onHurts: () => unknown;
    /** Leaves it before it has begun; null where the run is all there is. */
    onBack: (() => unknown) | null;
  } = $props();

  const { recorder, phase, tempo } = $derived(running);
  const numbers = $derived(Array.from({ length: bars.toBar - bars.fromBar + 1 }, (_, i) => bars.fromBar + i));
  let isStraight = $state<boolean | null>(null);
  let isClean = $state<boolean | null>(null);
  let broken = $state.raw<readonly number[]>([]);
  const toggle = (bar: number) =>
    (broken = broken.includes(bar) ? broken.filter((one) => one !== bar) : [...broken, bar]);
  const since = $derived(
    recorder.sinceMs === null
      ? ''
      : new Date(recorder.sinceMs).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' })
  );

  /** The one key: begin, the end, and what was answered. */
  export function onward(): unknown {
    if (phase === 'ready') return running.begin(mayRecord);
    if (phase !== 'after') return running.end();
    if (isStraight === null || isClean === null) return;
    return running.answer({ isStraight, isClean, broke: isClean ? [] : rangesOf(broken) });
  }
  onDestroy(() => void running.leave());
</script>

{#snippet question(says: string, value: boolean | null, set: (value: boolean) => void)}
  <div class="question" role="group" aria-label={says}>
    <span>{says}</span>
    <button aria-pressed={value === true} onclick={() => set(true)}>yes</button>
    <button aria-pressed={value === false} onclick={() => set(false)}>not quite</button>
  </div>
{/snippet}

{#if phase === 'after'}
  <div class="run after">
    <p class="bars">{item.name}, {sayBars(bars)}</p>
    <h1>How did it go?</h1>
    {@render question('Straight through?', isStraight, (value) => (isStraight = value))}
    {@render question('Clean?', isClean, (value) => (isClean = value))}
    {#if isClean === false}
      <p class="says">Where not? Tap the bars, or leave it: listening finds more.</p>
      <BarCells {numbers} picked={broken} onToggle={toggle} />
    {/if}
    {#if recorder.fault}<p class="says" role="alert">{recorder.fault}</p>{/if}
  </div>
  <OneAnswer word={isStraight === null || isClean === null ? 'answer both' : 'done'} onPick={onward} />
{:else}
  <div class="run">
    <h1>{item.name}</h1>
    <p class="bars">straight through, {sayBars(bars)}</p>
    {#if item.thought}<p class="thought" dir="auto">{item.thought}</p>{/if}
    {#if phase === 'ready'}
      {#if tempo}<p class="tempo">
          <NoteValue unit={tempo.unit} height={44} />
          {Math.round(tempo.bpm)} <span>counted once, then no click</span>
        </p>
        <label class="heard"
          ><input type="checkbox" checked={isHeard} onchange={(e) => onHeard(e.currentTarget.checked)} /> heard
          in the headphones, too</label
        >{/if}
      {#if !mayRecord}<p class="says">
          Not recorded: a guardian has not said yes yet. The teacher notes it with the candidate.
        </p>{:else}<p class="says">Lay the microphone far away, and do not stop whatever happens.</p>{/if}
      {#if recorder.fault}<p class="says" role="alert">{recorder.fault}</p>{/if}
    {:else if phase === 'count'}<p class="count" role="status">{running.count}</p>
    {:else if recorder.level}<p class="says" role="alert">{LEVEL_WORDS[recorder.level]}</p>{/if}
    {#if phase !== 'count'}<div class="line"><RunLine {item} {bars} /></div>{/if}
  </div>
  {#if phase === 'ready'}
    <div class="begin">
      <button class="go" onclick={onward}>{mayRecord ? 'record, and play' : 'play'}</button>
      {#if mayRecord}<button onclick={() => running.begin(false)}>not recorded</button>{/if}
      {#if onBack}<button onclick={onBack}>back to the bars</button>{/if}
    </div>
  {:else}
    <footer>
      <button onclick={onHurts}>it hurts</button>
      <button class="theend" onclick={onward}>the end</button>
      <span role="status">{since ? `recording since ${since}` : 'not recorded'}</span>
    </footer>
  {/if}
{/if}

<style>
  .run {
    display: flex;
    flex: 1;
    flex-direction: column;
    min-height: 0;
    padding: 28px 24px 0;
    overflow: auto;
  }
  .after {
    gap: 14px;
    justify-content: safe center;
    padding-block: 12px;
  }
  h1 {
    font-size: clamp(44px, 9vw, 100px);
    line-height: 1;
    overflow-wrap: anywhere;
  }
  .after h1 {
    font-size: clamp(36px, 6vw, 72px);
  }
  .bars {
    margin-top: 10px;
    color: var(--soft);
    font-size: clamp(20px, 3.8vw, 40px);
    font-stretch: 88%;
  }
  .thought {
    margin-top: 2vh;
    font-size: clamp(26px, 4.6vw, 52px);
    font-stretch: 88%;
    line-height: 1.1;
  }
  .tempo {
    margin-top: 3vh;
    font-size: clamp(40px, 6vw, 64px);
    font-weight: 700;
  }
  .tempo span {
    font-size: clamp(18px, 2.6vw, 26px);
    font-stretch: 88%;
    font-weight: 400;
  }
  .heard {
    display: flex;
    gap: 10px;
    align-items: center;
    min-height: 44px;
    font-size: clamp(18px, 2.6vw, 24px);
    font-stretch: 88%;
  }
  .heard input {
    width: 24px;
    height: 24px;
  }
  .says {
    max-width: 32em;
    margin-top: 2vh;
    font-size: clamp(18px, 2.6vw, 28px);
    font-stretch: 88%;
    line-height: 1.2;
  }
  .count {
    margin: auto;
    font-size: clamp(160px, 38vh, 340px);
    font-weight: 700;
    line-height: 1;
  }
  .line {
    margin: auto 16px 12px;
  }
  .question {
    display: grid;
    grid-template-columns: minmax(8em, 14em) repeat(2, minmax(110px, 220px));
    gap: 8px;
    align-items: center;
    font-size: clamp(20px, 3vw, 32px);
  }
  .question button {
    min-height: 60px;
    border: 1px solid var(--soft);
    background: none;
    font-size: inherit;
  }
  .question [aria-pressed='true'] {
    border: 4px solid var(--ink);
    font-weight: 700;
  }
  .begin {
    display: flex;
    min-height: clamp(88px, 14vh, 130px);
    border-top: 2px solid var(--ink);
  }
  .begin button {
    flex: 1;
    border: 0;
    border-left: 1px solid var(--rule);
    background: none;
    font-size: clamp(20px, 3vw, 30px);
  }
  .begin .go {
    flex: 2;
    background: var(--ink);
    color: var(--paper);
    font-size: clamp(30px, 5vw, 52px);
    font-weight: 650;
  }
  footer {
    display: grid;
    grid-template-columns: 1fr auto 1fr;
    align-items: center;
    min-height: 84px;
    padding: 0 16px;
    border-top: 1px solid var(--rule);
    color: var(--soft);
    font-size: clamp(16px, 2.2vw, 22px);
    font-stretch: 88%;
  }
  footer button {
    justify-self: start;
    min-height: 56px;
    padding: 0 10px;
    border: 0;
    background: none;
    color: inherit;
  }
  footer .theend {
    padding: 0 48px;
    color: var(--ink);
    font-size: clamp(28px, 3.4vw, 34px);
    font-weight: 700;
  }
  footer span {
    justify-self: end;
  }
  @media (max-width: 720px) {
    .run {
      padding-inline: 16px;
    }
    .line {
      margin-inline: 0;
    }
    .question {
      grid-template-columns: 1fr 1fr;
    }
    .question span {
      grid-column: 1 / -1;
    }
    .begin {
      flex-wrap: wrap;
    }
    .begin .go {
      flex-basis: 100%;
      min-height: 88px;
    }
    .begin button {
      min-height: 56px;
    }
  }
</style>

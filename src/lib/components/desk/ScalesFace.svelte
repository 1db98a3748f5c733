<!-- Scales, key by key: the key in hand, its tempo and how far the click is thinned; under it how far each key has come. -->
<script lang="ts">
  import { KEY_IN_A_ROW, type DeskBlock, afterKey, keyInHand, keysNow } from '$lib/core/practice';
  import type { ScalesToDo } from '$lib/core/record';
  import { clickOf } from '$lib/core/tempo';
  import NoteValue from '$lib/components/note/NoteValue.svelte';
  import Answers from './Answers.svelte';
  import { sayClock } from './minutes';
  import { sayAt } from './tempo-words';

  let {
    block,
    scales,
    seconds,
    onAnswer
  }: {
    block: DeskBlock;
    scales: ScalesToDo;
    seconds: number;
    onAnswer: (mark: 'c' | 'n') => void;
  } = $props();

  const played = $derived(block.run?.keys ?? []);
  const now = $derived(keyInHand(scales, played));
  const keys = $derived(keysNow(scales, played));
  const click = $derived(clickOf({ bpm: now.bpm, unit: scales.unit }) ?? { bpm: now.bpm, unit: scales.unit });
  /** Share of the way to the tempo asked; what is thinned there is above the line. */
  const heightOf = (bpm: number) =>
    scales.way.length === 1
      ? 1
      : (scales.way.filter((one) => one <= bpm).length - 1) / (scales.way.length - 1);
  const sayStage = (stage: string) => (stage === 'none' ? 'no click' : stage);
  function leads(mark: 'c' | 'n'): string {
    const next = afterKey(scales, now, mark);
    if (next.bpm !== now.bpm)
      return `${next.bpm > now.bpm ? 'on' : 'back'} to ${sayAt(next.bpm, scales.unit, click)}`;
    if (next.stage !== now.stage) return `${mark === 'c' ? 'then' : 'back to'} ${sayStage(next.stage)}`;
    if (mark === 'n') return 'the next key';
    const row = next.marks.length - (next.marks.lastIndexOf('n') + 1);
    return row >= KEY_IN_A_ROW ? 'it holds' : `${row} of ${KEY_IN_A_ROW}`;
  }
</script>

<div class="scales">
  <p class="what">
    {block.name}{scales.pattern ? `, ${scales.pattern}` : ''}, {scales.octaves}
    {scales.octaves === 1 ? 'octave' : 'octaves'}
  </p>
  <h1>{now.key}</h1>
  <p class="tempo">
    <span><NoteValue unit={click.unit} height={56} /> {sayAt(now.bpm, scales.unit, click)}</span>
    <span class="stage">{sayStage(now.stage)}</span>
  </p>
  <div class="keys" role="img" aria-label="{played.length} keys in {sayClock(seconds)}">
    <p class="soft">
      <span>{played.length} {played.length === 1 ? 'key' : 'keys'} in {sayClock(seconds)}</span>
      <span>asked: {sayAt(scales.way.at(-1)!, scales.unit)}</span>
    </p>
    <div class="stair">
      {#each keys as { key, bpm } (key)}
        <div class:now={key === now.key}>
          <i style:bottom="calc({heightOf(bpm)} * (100% - 6px))"></i>
          <span
            >{key
              .replace(/ (major|minor)$/, '')
              .replace(' sharp', '♯')
              .replace(' flat', '♭')}</span
          >
        </div>
      {/each}
    </div>
  </div>
</div>
<Answers
  left={{ word: 'not yet', leads: leads('n'), onPick: () => onAnswer('n') }}
  right={{ word: 'clean', leads: leads('c'), onPick: () => onAnswer('c') }}
/>

<style>
  .scales {
    display: grid;
    grid-template-rows: auto auto auto minmax(60px, 1fr);
    flex: 1;
    min-height: 0;
    padding: 4px 24px 12px;
  }
  .what {
    font-size: clamp(16px, 2.2vw, 24px);
    font-stretch: 84%;
  }
  h1 {
    font-size: clamp(52px, 11vw, 132px);
    font-weight: 700;
    line-height: 1;
  }
  .tempo {
    display: flex;
    flex-wrap: wrap;
    gap: 4px 32px;
    align-items: baseline;
    margin-top: 10px;
    font-size: clamp(48px, 8vw, 96px);
    font-weight: 700;
    line-height: 1;
  }
  .stage {
    font-size: clamp(28px, 4.4vw, 48px);
    font-weight: 600;
    font-stretch: 88%;
  }
  .keys {
    display: grid;
    grid-template-rows: auto 1fr;
    gap: 6px;
    min-height: 0;
    margin-top: 14px;
  }
  .keys p {
    display: flex;
    justify-content: space-between;
    font-size: 18px;
    font-stretch: 84%;
  }
  /* the line is the tempo asked: what is to go hangs below */
  .stair {
    display: grid;
    grid-auto-columns: minmax(0, 1fr);
    grid-auto-flow: column;
    min-height: 0;
    max-height: 170px;
    padding-bottom: 26px;
    border-top: 2px solid var(--ink);
  }
  .stair div {
    position: relative;
  }
  .stair i {
    position: absolute;
    right: 0;
    left: 0;
    height: 6px;
    background: var(--soft);
  }
  .stair span {
    position: absolute;
    right: 0;
    bottom: -26px;
    left: 0;
    overflow: hidden;
    color: var(--soft);
    font-size: 17px;
    font-stretch: 84%;
    text-align: center;
  }
  .now i {
    background: var(--ink);
  }
  .now span {
    color: var(--ink);
    font-weight: 700;
  }
  @media (max-width: 720px) {
    .scales {
      padding-right: 16px;
      padding-left: 16px;
    }
  }
</style>

<!-- What has no tempo: its printed sign, and the time that is left. -->
<script lang="ts">
  import type { DeskBlock } from '$lib/core/practice';
  import OneAnswer from './OneAnswer.svelte';
  import Sign from './Sign.svelte';
  import { sayClock } from './minutes';

  let {
    block,
    seconds,
    secondsLeft,
    onDone
  }: { block: DeskBlock; seconds: number; secondsLeft: number; onDone: () => void } = $props();

  const isRun = $derived(block.kind === 'run' || block.kind === 'easy-run');
</script>

<div class="timed">
  <div class="sign"><Sign kind={block.kind} share={seconds / (60 * block.minutes)} /></div>
  <p role="timer">{sayClock(secondsLeft)}</p>
</div>
<OneAnswer word={isRun ? 'the end' : 'done'} onPick={onDone} />

<style>
  .timed {
    display: grid;
    grid-template-columns: 1fr 1fr;
    flex: 1;
    align-items: center;
    min-height: 0;
    padding: 12px 24px;
  }
  .sign {
    height: min(100%, 300px);
  }
  p {
    font-size: clamp(80px, 19vw, 240px);
    font-weight: 700;
    letter-spacing: -0.02em;
    text-align: center;
  }
  @media (max-width: 720px) {
    .timed {
      grid-template: auto auto / 1fr;
      align-content: center;
    }
    .sign {
      height: 130px;
    }
  }
</style>

<!-- What has no tempo: its printed sign, and the time that is left. -->
<script lang="ts">
  import type { DeskBlock } from '$lib/core/practice';
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
<button onclick={onDone}>{isRun ? 'the end' : 'done'}</button>

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
  button {
    min-height: clamp(88px, 14vh, 130px);
    border: 0;
    border-top: 2px solid var(--ink);
    background: none;
    font-size: clamp(32px, 5vw, 52px);
    font-weight: 650;
  }
  @media (hover: hover) {
    button:hover {
      background: var(--ground);
    }
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

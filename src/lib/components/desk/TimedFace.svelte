<!-- What has no tempo: its printed sign, and the time that is left. -->
<script lang="ts">
  import type { DeskBlock } from '$lib/core/practice';
  import OneAnswer from './OneAnswer.svelte';
  import Sign from './Sign.svelte';
  import ThroughLine from './ThroughLine.svelte';
  import { sayClock } from './minutes';

  let {
    block,
    seconds,
    secondsLeft,
    isOnBreath,
    beat,
    onDone
  }: {
    block: DeskBlock;
    seconds: number;
    secondsLeft: number;
    /** Who blows or sings. */
    isOnBreath: boolean;
    /** Of a click through several tempos: beats since its first; null while it does not sound. */
    beat: number | null;
    onDone: () => void;
  } = $props();

  /** Handbook, section 10. */
  const care = $derived.by(() => {
    // a minute in which another instrument is taken up rests nobody
    if (block.kind === 'rest')
      return block.name === 'Rest' ? 'Where lips or hands are tired, rest as long as you have played.' : '';
    const isFirst = block.kind === 'warm-up' || block.kind === 'fundamentals';
    return isFirst && isOnBreath ? 'Breathing exercises: stop when dizzy.' : '';
  });
  const isRun = $derived(block.kind === 'run' || block.kind === 'easy-run');
</script>

<div class="timed">
  {#if block.through}<ThroughLine through={block.through} {beat} />{:else}<div class="sign">
      <Sign kind={block.kind} share={seconds / (60 * block.minutes)} />
    </div>{/if}
  <p class="left" role="timer">{sayClock(secondsLeft)}</p>
  {#if care}<p class="care">{care}</p>{/if}
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
  .care {
    grid-column: 1 / -1;
    color: var(--soft);
    font-size: clamp(17px, 2vw, 22px);
    font-stretch: 88%;
  }
  .left {
    font-size: clamp(80px, 19vw, 240px);
    font-weight: 700;
    letter-spacing: -0.02em;
    text-align: center;
  }
  @media (max-width: 720px) {
    .timed {
      grid-template: auto auto / 1fr;
      align-content: center;
      padding-inline: 16px;
    }
    .sign {
      height: 130px;
    }
  }
</style>

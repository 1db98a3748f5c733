<!--
  The tempo on its stair: what holds lies left and lower, today's plan right and higher, and the attempts that count are the tread one stands on.
-->
<script lang="ts">
  import type { Standing, Work } from '$lib/core/practice';
  import { moveTempo } from '$lib/core/practice';
  import { clickOf } from '$lib/core/tempo';
  import type { BeatUnit, Bpm } from '$lib/core/units';
  import NoteValue from '$lib/components/note/NoteValue.svelte';
  import { sayAt } from './tempo-words';

  let {
    work,
    unit,
    standing,
    onPick
  }: {
    work: Work;
    unit: BeatUnit;
    standing: Standing;
    /** A tempo chosen by hand, up to today’s rung. */
    onPick: (bpm: Bpm) => void;
  } = $props();

  type Step = { readonly bpm: Bpm; readonly kind: 'held' | 'shaky' | 'way' | 'goal' | 'further' };
  const click = $derived(clickOf({ bpm: standing.bpm, unit }) ?? { bpm: standing.bpm, unit });
  const say = (bpm: Bpm) => sayAt(bpm, unit, click);
  const isHeld = (bpm: Bpm) => standing.heldBpm !== null && bpm <= standing.heldBpm * (1 + 1e-9);

  /** Down as two "not yet" lead, at most two steps. */
  const below = $derived.by(() => {
    const all = [...work.way, ...work.below].filter((bpm) => bpm < standing.bpm);
    return [...new Set(all)].sort((a, b) => b - a).slice(0, 2);
  });
  const above = $derived.by((): Step[] => {
    const clean = Array.from({ length: standing.needed - standing.counted }).reduce<Standing>(
      (now) => moveTempo(work, now, { kind: 'clean' }),
      standing
    );
    const steps: Step[] = [];
    const { goalBpm } = standing;
    if (clean.bpm > standing.bpm) steps.push({ bpm: clean.bpm, kind: clean.bpm >= goalBpm ? 'goal' : 'way' });
    if (goalBpm > Math.max(clean.bpm, standing.bpm)) steps.push({ bpm: goalBpm, kind: 'goal' });
    if (work.furtherBpm !== null && work.furtherBpm > standing.bpm && steps.length < 2)
      steps.push({ bpm: work.furtherBpm, kind: 'further' });
    return steps;
  });
  const isGoal = $derived(standing.bpm >= standing.goalBpm);
</script>

<div class="stair" style:--digits={say(standing.bpm).replace('.', '').length}>
  {#each [1, 0] as i (i)}
    {@const bpm = below[i]}
    <div
      class="step below"
      class:second={i === 1}
      class:none={bpm === undefined}
      class:held={bpm !== undefined && isHeld(bpm)}
    >
      {#if bpm !== undefined}<button class="number" aria-label="Take {say(bpm)}" onclick={() => onPick(bpm)}
          >{say(bpm)}</button
        >{/if}
      <i></i>
    </div>
  {/each}
  <div class="step now">
    <p class="tempo" aria-label="Tempo {say(standing.bpm)}">
      <span class="note"><NoteValue unit={click.unit} height={110} /></span>{say(standing.bpm)}
    </p>
    <div
      class="tread"
      role="img"
      aria-label="{standing.counted} of {standing.needed} clean{isGoal ? ', today’s plan' : ''}"
    >
      {#each { length: standing.needed } as _, i (i)}<b class:full={i < standing.counted}></b>{/each}
    </div>
    <p class="word">
      {#if isGoal && standing.phase !== 'further'}today’s plan{isHeld(standing.bpm)
          ? ', holds'
          : ''}{:else if standing.phase === 'leading-up'}one clean leads up{:else if standing.phase === 'further'}one
        further{:else}&nbsp;{/if}
    </p>
  </div>
  {#each [0, 1] as i (i)}
    {@const step = above[i]}
    <div class="step above {step?.kind ?? 'none'}" class:second={i === 1}>
      {#if step}
        {#if step.kind === 'further'}<span class="number">{say(step.bpm)}</span>{:else}<button
            class="number"
            aria-label="Take {say(step.bpm)}"
            onclick={() => onPick(step.bpm)}>{say(step.bpm)}</button
          >{/if}
        <i></i>
        <p class="word">
          {step.kind === 'goal' ? 'today’s plan' : step.kind === 'further' ? 'one further' : ' '}
        </p>
      {/if}
    </div>
  {/each}
</div>

<style>
  .stair {
    display: grid;
    grid-template-columns: 1fr 2fr minmax(auto, 4.2fr) 1.7fr 1.4fr;
    align-items: end;
    padding-right: 16px;
    overflow: hidden;
  }
  .step {
    min-width: 0;
    line-height: 1;
  }
  .step i {
    display: block;
    height: 10px;
    border-top: 2px dotted var(--soft);
  }
  .step button {
    padding: 0;
    border: 0;
    background: none;
    line-height: 1;
  }
  .above button {
    width: 100%;
  }
  .below {
    padding-bottom: 26px;
    text-align: right;
  }
  .below.second {
    padding-bottom: 0;
  }
  .below .number {
    padding-right: 0.35em;
    font-size: clamp(34px, 6.4vw, 66px);
    font-weight: 600;
  }
  .second .number {
    color: var(--soft);
    font-size: clamp(24px, 3.6vw, 40px);
  }
  .below.held i {
    border-top: 11px solid var(--ink);
  }
  .below:not(.second).held {
    position: relative;
  }
  .now {
    padding-bottom: 26px;
  }
  .tempo {
    display: flex;
    align-items: flex-end;
    justify-content: center;
    font-size: clamp(72px, min(52vw / (var(--digits) * 0.6 + 0.4), 33vh, (100cqh - 128px) / 0.82), 300px);
    font-weight: 700;
    letter-spacing: -0.02em;
    line-height: 0.82;
  }
  .note {
    margin: 0 2% 0.03em 0;
  }
  .note :global(svg) {
    width: auto;
    height: 0.42em;
  }
  .tread {
    display: flex;
    gap: 6px;
    margin: 10px 0 8px;
  }
  .tread b {
    flex: 1;
    height: 20px;
    border: 3px solid var(--ink);
  }
  .tread .full {
    background: var(--ink);
  }
  .word {
    min-height: 1.2em;
    color: var(--plan);
    font-size: clamp(16px, 2.1vw, 22px);
    font-stretch: 84%;
    font-weight: 600;
    text-align: center;
    white-space: nowrap;
  }
  .above {
    padding-bottom: 64px;
    padding-left: 10px;
    text-align: center;
  }
  .above.second {
    padding-bottom: 104px;
    padding-left: 0;
  }
  .above .number {
    display: block;
    padding-bottom: 0.12em;
    font-size: clamp(34px, 6.4vw, 66px);
    font-weight: 600;
  }
  .above.second .number {
    font-size: clamp(24px, 3.6vw, 40px);
  }
  .above i {
    height: 12px;
    border-top: 3px solid var(--plan);
    border-left: 3px solid var(--plan);
  }
  .above.further i {
    border-top: 2px dotted var(--soft);
    border-left: 0;
  }
  .above.further .number,
  .above.further .word {
    color: var(--soft);
    font-weight: 400;
  }
  @media (max-width: 720px) {
    .stair {
      grid-template-columns: 1fr minmax(auto, 3fr) 1.35fr;
      padding-right: 6px;
    }
    .second {
      display: none;
    }
    .tempo {
      /* as wide as its column lets so many digits and the note be */
      font-size: max(72px, min(58vw / (var(--digits) * 0.6 + 0.3), 24vh, (100cqh - 100px) / 0.82));
    }
    .above {
      padding-bottom: 56px;
      padding-left: 4px;
    }
    .below .number,
    .above .number {
      font-size: 34px;
    }
    .note :global(svg) {
      height: 0.32em;
    }
    .word {
      font-size: 14px;
    }
  }
</style>

<!-- A tempo at work: the click, the tempo on its stair, and the two answers. -->
<script lang="ts">
  import type { Standing, Work } from '$lib/core/practice';
  import type { BeatUnit, Tempo } from '$lib/core/units';
  import Answers from './Answers.svelte';
  import TempoStair from './TempoStair.svelte';
  import { sayAt, sayLead } from './tempo-words';

  let {
    work,
    unit,
    said,
    standing,
    isAsking,
    partAfter,
    onAnswer,
    onPick
  }: {
    work: Work;
    unit: BeatUnit;
    /** The tempo in hand, as a metronome says it. */
    said: Tempo;
    standing: Standing;
    /** One further is offered. */
    isAsking: boolean;
    /** Where what is in hand leads when it holds; empty where it stays. */
    partAfter: string;
    onAnswer: (kind: 'clean' | 'not-yet') => unknown;
    onPick: (bpm: number) => unknown;
  } = $props();

  const notYet = () => onAnswer('not-yet');
  const clean = () => onAnswer('clean');
  const leads = (kind: 'clean' | 'not-yet') => sayLead(work, unit, standing, kind, partAfter);
</script>

<div class="stage"><TempoStair {work} {unit} {standing} {onPick} /></div>
{#if isAsking}
  <Answers
    left={{ word: 'enough', leads: 'today’s plan holds', onPick: notYet }}
    right={{ word: 'one further', leads: `${sayAt(work.furtherBpm!, unit, said)}, once`, onPick: clean }}
  />
{:else}
  {#if standing.phase === 'ending'}<p class="ending" role="status">
      The time is up. One clean attempt at {sayAt(standing.bpm, unit)} before it closes?
    </p>{/if}
  <Answers
    left={{ word: 'not yet', leads: leads('not-yet'), onPick: notYet }}
    right={{ word: 'clean', leads: leads('clean'), onPick: clean }}
  />
{/if}

<style>
  /* the tempo is as large as what stands above it lets it be */
  .stage {
    container-type: size;
    display: grid;
    flex: 1;
    align-content: end;
    min-height: 96px;
    padding-bottom: 8px;
  }
  .ending {
    padding: 6px 24px;
    border-top: 2px solid var(--ink);
    font-size: clamp(18px, 2.4vw, 26px);
    font-weight: 600;
  }
  @media (max-width: 720px) {
    .stage {
      align-content: center;
    }
  }
</style>

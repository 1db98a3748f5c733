<!--
  Pitch: the note that sounds and its cents in words; under it the whole instrument as one stair of remembered medians, spread as ground; and a
  drone. Nothing is recorded.
-->
<script lang="ts">
  import { onDestroy, onMount } from 'svelte';
  import { type NoteSpread, joinSpreads, nameOfNote, sayCents, writtenNote } from '$lib/core/pitch';
  import { Tuner } from '$lib/state/device/tuner.svelte';
  import DroneRow from './DroneRow.svelte';
  import ToneStair from './ToneStair.svelte';
  import { type PitchSettings, USUAL_PITCH, keepPitchSettings, readPitchSettings } from './pitch-settings';

  let {
    known,
    volume,
    onClose
  }: {
    /** What earlier days remember. */
    known: readonly NoteSpread[];
    /** 0 to 1. */
    volume: number;
    onClose: (heard: readonly NoteSpread[]) => void;
  } = $props();

  const tuner = new Tuner();
  let settings = $state.raw<PitchSettings>(USUAL_PITCH);
  let dialog: HTMLDialogElement;

  onMount(() => {
    set(readPitchSettings());
    dialog.showModal();
    void tuner.open();
  });
  onDestroy(() => {
    tuner.close();
  });

  const { now } = $derived(tuner.listening);
  const all = $derived(joinSpreads([known, tuner.spreads]));
  const of = $derived(all.find(({ note }) => note === now?.note) ?? null);
  const written = (note: number) => writtenNote(note, settings.writtenFor, settings.octaves);
  const nameOf = (note: number) => nameOfNote(written(note));
  function set(next: PitchSettings) {
    settings = next;
    keepPitchSettings(next);
    [tuner.a, tuner.root] = [next.a, next.isPure ? next.root : null];
  }
  const isHigh = (note: NoteSpread) => (note.median >= 0 ? 'high' : 'low');
  const sayUsual = (one: NoteSpread) => {
    const [low, high] = [Math.round(one.low), Math.round(one.high)];
    if (one.count < 3) return '';
    if (Math.max(Math.abs(low), Math.abs(high)) === 0) return 'Here it lies in tune.';
    if (low === high) return `Here it lies ${sayCents(low)}.`;
    return low < 0 && high > 0
      ? `Here it lies between ${-low} low and ${high} high.`
      : `Here it lies ${Math.min(Math.abs(low), Math.abs(high))} to ${Math.max(Math.abs(low), Math.abs(high))} ${isHigh(one)}.`;
  };
</script>

<dialog bind:this={dialog} aria-label="Pitch" onclose={() => onClose(tuner.spreads)}>
  <header>
    <p class="soft">
      A = {settings.a}, {settings.isPure
        ? `pure over ${nameOf(settings.root)}`
        : 'equal'}{settings.writtenFor !== 'C' || settings.octaves !== 0 ? ', as written' : ''}
    </p>
    <button onclick={() => dialog.close()}>back to the desk</button>
  </header>
  <div class="heard" role="status" class:held={now?.isHeld}>
    {#if now}
      {@const name = nameOf(now.note)}
      <p class="note">{name[0]}<sup>{name.slice(1)}</sup></p>
      <p class="cents">
        <b>{sayCents(now.cents)}</b>
        <span>{Math.round(now.cents) === 0 ? '' : 'cents. '}{of ? sayUsual(of) : ''}</span>
      </p>
    {:else}
      <p class="none">
        {tuner.fault || (tuner.isOpen ? 'No steady pitch.' : 'The microphone is asked for.')}
      </p>
    {/if}
  </div>
  <ToneStair spreads={all} now={now && { note: now.note, cents: now.cents, isHeld: now.isHeld }} {nameOf} />
  <DroneRow {settings} {volume} {nameOf} onSet={set} />
</dialog>

<style>
  dialog[open] {
    display: grid;
    grid-template-rows: auto auto minmax(120px, 1fr) auto;
    width: 100vw;
    max-width: none;
    height: 100dvh;
    max-height: none;
    padding: 0;
    border: 0;
    background: var(--paper);
    color: inherit;
  }
  header {
    display: flex;
    justify-content: space-between;
    align-items: center;
    padding: 8px 24px 0;
    font-size: 20px;
    font-stretch: 88%;
  }
  header button {
    min-height: 48px;
    border: 0;
    background: none;
    color: var(--plan);
    text-decoration: underline;
    text-underline-offset: 4px;
  }
  .heard {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 0 64px;
    min-height: 210px;
    padding: 0 24px;
  }
  .held {
    opacity: 0.75;
  }
  .note {
    min-width: 170px;
    font-size: clamp(120px, 20vw, 200px);
    font-weight: 700;
    line-height: 1;
  }
  .note sup {
    font-size: 0.55em;
    line-height: 0;
  }
  .cents {
    display: grid;
  }
  .cents b {
    font-size: clamp(56px, 11vw, 120px);
    line-height: 1;
  }
  .cents span {
    min-height: 1.3em;
    color: var(--soft);
    font-size: clamp(18px, 2.6vw, 26px);
  }
  .none {
    max-width: 24em;
    color: var(--soft);
    font-size: clamp(24px, 3.6vw, 40px);
    line-height: 1.2;
  }
  @media (max-width: 720px) {
    .heard {
      gap: 0 20px;
      min-height: 150px;
      padding: 0 16px;
    }
    .note {
      min-width: 96px;
      font-size: 104px;
    }
    .cents b {
      font-size: 52px;
    }
  }
</style>

<!--
  Pitch: the note that sounds and its cents in words; under it the whole instrument as one stair of remembered medians, spread as ground; and a
  drone. Nothing is recorded.
-->
<script lang="ts">
  import { onDestroy, onMount } from 'svelte';
  import {
    HIGHEST_A,
    LOWEST_A,
    type NoteSpread,
    WRITTEN_FOR,
    droneOf,
    joinSpreads,
    nameOfNote,
    octaveOf,
    sayCents,
    soundingNote,
    writtenNote
  } from '$lib/core/pitch';
  import { Tuner } from '$lib/state/device/tuner.svelte';
  import { Drone } from '$lib/workers/drone.client';
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
  const drone = new Drone();
  let settings = $state.raw<PitchSettings>(USUAL_PITCH);
  let isDroning = $state(false);
  let droneFault = $state('');
  let fault = $state('');
  let dialog: HTMLDialogElement;

  onMount(() => {
    set(readPitchSettings());
    dialog.showModal();
    void tuner.open();
  });
  onDestroy(() => {
    tuner.close();
    void drone.close();
  });

  const { now } = $derived(tuner.listening);
  const all = $derived(joinSpreads([known, tuner.spreads]));
  const of = $derived(all.find(({ note }) => note === now?.note) ?? null);
  const written = (note: number) => writtenNote(note, settings.writtenFor, settings.octaves);
  const nameOf = (note: number) => nameOfNote(written(note));
  const droneName = $derived(
    `${nameOf(settings.root)}${settings.hasFifth ? `, with ${nameOf(settings.root + 7)}` : ''}`
  );

  function set(next: PitchSettings) {
    settings = next;
    keepPitchSettings(next);
    [tuner.a, tuner.root] = [next.a, next.isPure ? next.root : null];
    if (isDroning) void play();
  }
  function setA(text: string) {
    const a = Number(text);
    fault = a >= LOWEST_A && a <= HIGHEST_A ? '' : `A lies between ${LOWEST_A} and ${HIGHEST_A} Hz.`;
    if (!fault) set({ ...settings, a });
  }
  async function play() {
    try {
      await drone.play(droneOf(settings.root, settings.a, settings), volume);
      [isDroning, droneFault] = [true, ''];
    } catch {
      droneFault = 'This device plays no sound here.';
    }
  }
  function silence() {
    drone.silence();
    isDroning = false;
  }
  /** A note of another name stays in its octave. */
  const setRoot = (name: string) => {
    const octave = octaveOf(written(settings.root));
    const number = Array.from({ length: 12 }, (_, i) => (octave + 1) * 12 + i).find(
      (n) => nameOfNote(n) === name
    )!;
    set({ ...settings, root: soundingNote(number, settings.writtenFor, settings.octaves) });
  };
  const moveOctave = (by: number) => {
    const root = settings.root + 12 * by;
    if (root >= 24 && root <= 84) set({ ...settings, root });
  };
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
  <div class="drone">
    <button class="sound" aria-pressed={isDroning} onclick={isDroning ? silence : play}>
      <span>drone</span><b>{droneName}</b><span>{isDroning ? 'silence it' : 'sound it'}</span>
    </button>
    <div class="set">
      <label
        ><span>Note</span>
        <select value={nameOf(settings.root)} onchange={(e) => setRoot(e.currentTarget.value)}
          >{#each { length: 12 } as _, i (i)}<option value={nameOfNote(i)}>{nameOfNote(i)}</option
            >{/each}</select
        ></label
      >
      <div class="pair">
        <button onclick={() => moveOctave(-1)}>octave down</button>
        <button onclick={() => moveOctave(1)}>up</button>
      </div>
      <label class="check"
        ><input
          type="checkbox"
          checked={settings.hasFifth}
          onchange={(e) => set({ ...settings, hasFifth: e.currentTarget.checked })}
        />with its fifth</label
      >
      <label class="check"
        ><input
          type="checkbox"
          checked={settings.isPure}
          onchange={(e) => set({ ...settings, isPure: e.currentTarget.checked })}
        />thirds and fifths pure over it</label
      >
      <label
        ><span>A, in Hz</span><input
          type="number"
          min={LOWEST_A}
          max={HIGHEST_A}
          value={settings.a}
          aria-invalid={fault ? 'true' : undefined}
          aria-describedby={fault ? 'a-fault' : undefined}
          onchange={(e) => setA(e.currentTarget.value)}
        /></label
      >
      <label
        ><span>Written for</span>
        <select
          value={settings.writtenFor}
          onchange={(e) =>
            set({ ...settings, writtenFor: e.currentTarget.value as PitchSettings['writtenFor'] })}
          >{#each Object.keys(WRITTEN_FOR) as of (of)}<option value={of}
              >{of === 'C' ? 'C, as it sounds' : of}</option
            >{/each}</select
        ></label
      >
      <label
        ><span>Octaves above</span>
        <select
          value={String(settings.octaves)}
          onchange={(e) => set({ ...settings, octaves: Number(e.currentTarget.value) })}
          >{#each [-2, -1, 0, 1, 2] as n (n)}<option value={String(n)}>{n}</option>{/each}</select
        ></label
      >
      {#if fault || droneFault}<p id="a-fault" class="fault" role="alert">{fault || droneFault}</p>{/if}
      <p class="soft">Keep a drone softer than the instrument: what is turned up over it tires the ears.</p>
    </div>
  </div>
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
  .drone {
    display: grid;
    grid-template-columns: minmax(210px, 1fr) 3fr;
    border-top: 2px solid var(--ink);
  }
  .sound {
    display: grid;
    align-content: center;
    padding: 12px 24px;
    border: 0;
    border-right: 2px solid var(--ink);
    background: none;
    font-size: 20px;
    text-align: left;
  }
  .sound b {
    font-size: clamp(28px, 4vw, 44px);
    line-height: 1.1;
  }
  .sound[aria-pressed='true'] {
    background: var(--ink);
    color: var(--paper);
  }
  .set {
    display: flex;
    flex-wrap: wrap;
    align-content: center;
    align-items: center;
    gap: 6px 24px;
    padding: 10px 24px;
    font-size: 18px;
    font-stretch: 88%;
  }
  .set label {
    display: flex;
    align-items: center;
    gap: 8px;
  }
  .set p {
    flex: 1 1 100%;
    font-size: 15px;
  }
  .pair {
    display: flex;
  }
  .pair button,
  select,
  input[type='number'] {
    min-height: 48px;
  }
  .pair button {
    padding: 0 14px;
    border: 1px solid var(--ink);
    background: none;
  }
  .pair button + button {
    border-left: 0;
  }
  input[type='number'] {
    width: 90px;
  }
  input[type='checkbox'] {
    width: 24px;
    height: 24px;
    accent-color: var(--ink);
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
    .drone {
      grid-template-columns: minmax(0, 1fr);
    }
    .sound {
      grid-template-columns: auto 1fr auto;
      align-items: baseline;
      gap: 12px;
      padding: 10px 16px;
      border-right: 0;
      border-bottom: 1px solid var(--rule);
    }
    .sound b {
      font-size: 28px;
    }
    .set {
      gap: 4px 14px;
      padding: 8px 16px;
      font-size: 16px;
    }
  }
</style>

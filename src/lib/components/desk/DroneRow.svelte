<!-- The drone: its note, what sounds with it, and how notes are named and tuned. -->
<script lang="ts">
  import { onDestroy, untrack } from 'svelte';
  import {
    HIGHEST_A,
    LOWEST_A,
    WRITTEN_FOR,
    droneOf,
    nameOfNote,
    octaveOf,
    soundingNote,
    writtenNote
  } from '$lib/core/pitch';
  import { Drone } from '$lib/workers/drone.client';
  import type { PitchSettings } from './pitch-settings';

  let {
    settings,
    volume,
    nameOf,
    onSet
  }: {
    settings: PitchSettings;
    /** 0 to 1. */
    volume: number;
    /** As written for the instrument. */
    nameOf: (note: number) => string;
    onSet: (next: PitchSettings) => void;
  } = $props();

  const drone = new Drone();
  let isDroning = $state(false);
  let droneFault = $state('');
  let fault = $state('');
  onDestroy(() => void drone.close());
  const droneName = $derived(
    `${nameOf(settings.root)}${settings.hasFifth ? `, with ${nameOf(settings.root + 7)}` : ''}`
  );

  // a drone that sounds follows what is set
  $effect(() => {
    void settings;
    if (untrack(() => isDroning)) void play();
  });
  function setA(text: string) {
    const a = Number(text);
    fault = a >= LOWEST_A && a <= HIGHEST_A ? '' : `A lies between ${LOWEST_A} and ${HIGHEST_A} Hz.`;
    if (!fault) onSet({ ...settings, a });
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
    const octave = octaveOf(writtenNote(settings.root, settings.writtenFor, settings.octaves));
    const number = Array.from({ length: 12 }, (_, i) => (octave + 1) * 12 + i).find(
      (n) => nameOfNote(n) === name
    )!;
    onSet({ ...settings, root: soundingNote(number, settings.writtenFor, settings.octaves) });
  };
  const moveOctave = (by: number) => {
    const root = settings.root + 12 * by;
    if (root >= 24 && root <= 84) onSet({ ...settings, root });
  };
</script>

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
        onchange={(e) => onSet({ ...settings, hasFifth: e.currentTarget.checked })}
      />with its fifth</label
    >
    <label class="check"
      ><input
        type="checkbox"
        checked={settings.isPure}
        onchange={(e) => onSet({ ...settings, isPure: e.currentTarget.checked })}
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
          onSet({ ...settings, writtenFor: e.currentTarget.value as PitchSettings['writtenFor'] })}
        >{#each Object.keys(WRITTEN_FOR) as of (of)}<option value={of}
            >{of === 'C' ? 'C, as it sounds' : of}</option
          >{/each}</select
      ></label
    >
    <label
      ><span>Octaves above</span>
      <select
        value={String(settings.octaves)}
        onchange={(e) => onSet({ ...settings, octaves: Number(e.currentTarget.value) })}
        >{#each [-2, -1, 0, 1, 2] as n (n)}<option value={String(n)}>{n}</option>{/each}</select
      ></label
    >
    {#if fault || droneFault}<p id="a-fault" class="fault" role="alert">{fault || droneFault}</p>{/if}
    <p class="soft">Keep a drone softer than the instrument: what is turned up over it tires the ears.</p>
  </div>
</div>

<style>
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

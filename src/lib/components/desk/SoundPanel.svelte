<!-- The click's own settings, kept on the device: how far it is thinned, what is counted before, how loud, and the pedal's keys. -->
<script lang="ts">
  import { CLICK_STAGES } from '$lib/core/click/pattern';
  import { tempoOfTaps } from '$lib/core/click/tap';
  import DeskPanel from './DeskPanel.svelte';
  import type { DeskSettings } from './settings';

  let {
    settings,
    isTriple,
    onChange,
    onTapped,
    onClose
  }: {
    settings: DeskSettings;
    /** The beat is a dotted one, and has three parts. */
    isTriple: boolean;
    onChange: (settings: DeskSettings) => void;
    /** A tempo was tapped, in clicks a minute. */
    onTapped: (bpm: number) => void;
    onClose: () => void;
  } = $props();

  let taps = $state.raw<readonly number[]>([]);
  const tapped = $derived(tempoOfTaps(taps));
  // when it was tapped, however late it is heard of
  const tap = ({ timeStamp }: Event) => (taps = [...taps, timeStamp].slice(-12));

  let learns = $state<'cleanKey' | 'notYetKey' | null>(null);
  const set = (more: Partial<DeskSettings>) => onChange({ ...settings, ...more });
  const nameOf = (key: string) => (key === ' ' ? 'Space' : key);

  function onKey(event: KeyboardEvent) {
    if (!learns || ['Tab', 'Shift', 'Control', 'Alt', 'Meta'].includes(event.key)) return;
    event.preventDefault();
    event.stopPropagation();
    if (event.key !== 'Escape') set({ [learns]: event.key });
    learns = null;
  }
</script>

<svelte:window onkeydowncapture={onKey} />
<DeskPanel name="Click and pedal" {onClose}>
  <label
    ><span>How far it is thinned</span>
    <select
      value={settings.stage}
      onchange={(e) => set({ stage: e.currentTarget.value as DeskSettings['stage'] })}
    >
      {#each CLICK_STAGES as stage (stage)}<option value={stage}>{stage}</option>{/each}
    </select></label
  >
  {#if settings.stage === 'subdivisions' && !isTriple}<label
      ><span>Notes to a beat</span>
      <select value={String(settings.parts)} onchange={(e) => set({ parts: Number(e.currentTarget.value) })}>
        {#each [2, 3, 4] as parts (parts)}<option value={String(parts)}>{parts}</option>{/each}
      </select></label
    >{/if}
  <label class="check"
    ><input
      type="checkbox"
      checked={settings.isCounted}
      onchange={(e) => set({ isCounted: e.currentTarget.checked })}
    />
    <span>A bar is counted before it is thinned, two where bars are short</span></label
  >
  <label
    ><span>How loud</span>
    <input
      type="range"
      min="0"
      max="100"
      value={Math.round(settings.volume * 100)}
      aria-valuetext="{Math.round(settings.volume * 100)} of 100"
      oninput={(e) => set({ volume: Number(e.currentTarget.value) / 100 })}
    /></label
  >
  <p class="soft">
    A click turned up over a loud instrument in a small room harms hearing: rather see the beat than hear it
    louder. Of 85 dBA one has 8 hours a day, of 94 one, of 100 a quarter of an hour (NIOSH 98-126).
  </p>
  <div class="pedal">
    <button onclick={tap}>tap a tempo</button>
    <span role="status"
      >{#if tapped !== null}<button onclick={() => onTapped(tapped)}>take {tapped}</button
        >{:else if taps.length > 0}tap on{/if}</span
    >
  </div>
  <div class="pedal">
    {#each [['cleanKey', 'clean'], ['notYetKey', 'not yet']] as const as [field, word] (field)}
      <button onclick={() => (learns = field)}
        >{learns === field
          ? `press the key for ${word}`
          : `${word}: ${settings[field] ? nameOf(settings[field]) : 'learn a key'}`}</button
      >
    {/each}
  </div>
</DeskPanel>

<style>
  label,
  .pedal {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 8px 20px;
  }
  label:not(.check) span {
    min-width: 220px;
  }
  /* the box before its words, however many lines they take */
  .check {
    flex-wrap: nowrap;
    align-items: start;
  }
  select {
    min-height: 48px;
  }
  input[type='range'] {
    width: 260px;
    min-height: 40px;
    accent-color: var(--ink);
  }
  input[type='checkbox'] {
    flex: none;
    width: 24px;
    height: 24px;
    accent-color: var(--ink);
  }
  p {
    max-width: 640px;
    font-size: 16px;
  }
  button {
    min-height: 48px;
    padding: 0 20px;
    border: 2px solid var(--ink);
    background: none;
  }
</style>

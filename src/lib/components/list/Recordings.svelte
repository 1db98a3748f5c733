<!-- Measuring recordings: by tapping, by beats and seconds; and what they say together, the odd one out drawn hollow. -->
<script lang="ts">
  import { LEAST_TAPS, measureBeats, measureTaps, readRecordings } from '$lib/core/tempo';

  let { bpms, onMeasure }: { bpms: readonly number[]; onMeasure: (bpm: number) => void } = $props();

  /** A pause this long begins a new measurement. */
  const PAUSE_MS = 3000;
  let taps = $state.raw<number[]>([]);
  let beats = $state<number | null>(null);
  let seconds = $state<number | null>(null);
  const tapped = $derived(measureTaps(taps));
  const counted = $derived(measureBeats(beats ?? 0, seconds ?? 0));
  const read = $derived(readRecordings(bpms));
  const range = $derived(read ? { from: read.low * 0.96, to: read.high * 1.04 } : null);
  const at = (bpm: number) => ((bpm - range!.from) / (range!.to - range!.from)) * 100;

  function tap({ timeStamp }: Event) {
    const isNew = taps.length > 0 && timeStamp - taps.at(-1)! > PAUSE_MS;
    taps = isNew ? [timeStamp] : [...taps, timeStamp];
  }

  function add(bpm: number | null) {
    if (bpm === null) return;
    onMeasure(bpm);
    taps = [];
    beats = seconds = null;
  }
</script>

<div class="tools">
  <div class="measure">
    <button type="button" class="action" onclick={tap}>Tap the beat</button>
    <span class="soft" role="status"
      >{taps.length === 0
        ? 'while the recording plays'
        : tapped === null
          ? `${taps.length} of ${LEAST_TAPS} taps`
          : `${tapped} from ${taps.length} taps`}</span
    >
    <button type="button" class="quiet" disabled={tapped === null} onclick={() => add(tapped)}>Add it</button>
  </div>
  <div class="measure">
    <label><input type="number" step="any" bind:value={beats} /> beats</label>
    <label>in <input type="number" step="any" bind:value={seconds} /> seconds</label>
    <span class="soft">{counted === null ? '' : `= ${counted}`}</span>
    <button type="button" class="quiet" disabled={counted === null} onclick={() => add(counted)}
      >Add it</button
    >
  </div>
</div>
{#if read && bpms.length > 1}
  <div
    class="line"
    role="img"
    aria-label="recordings from {read.low} to {read.high}, mean {read.mean}, median {read.median}"
  >
    <span class="mean" style:left="{at(read.mean)}%"></span>
    {#each bpms as bpm, i (i)}<i class:odd={read.odd.includes(i)} style:left="{at(bpm)}%"></i>{/each}
  </div>
  <p class="soft">
    mean {read.mean} · median {read.median} · from {read.low} to {read.high}, {Math.round(read.spread * 100)} %
    apart{read.odd.length > 0
      ? ` · far from the others: ${read.odd.map((i) => bpms[i]).join(', ')}; the median passes over it`
      : ''}
  </p>
{/if}

<style>
  .measure {
    display: flex;
    flex-wrap: wrap;
    gap: 4px 10px;
    align-items: center;
    margin-top: 6px;
  }
  .tools {
    display: flex;
    flex-wrap: wrap;
    gap: 4px 48px;
  }
  .action {
    touch-action: manipulation;
  }
  input {
    width: 64px;
    min-height: 30px;
    padding: 2px 6px;
  }
  .quiet:disabled {
    color: var(--soft);
    text-decoration: none;
    cursor: default;
  }
  .line {
    position: relative;
    max-width: 560px;
    height: 22px;
    margin-top: 8px;
    border-bottom: 1.5px solid var(--soft);
  }
  .line i {
    position: absolute;
    bottom: -6px;
    width: 11px;
    height: 11px;
    margin-left: -5px;
    border: 1.5px solid var(--ink);
    border-radius: 50%;
    background: var(--ink);
  }
  .line .odd {
    background: var(--paper);
  }
  .mean {
    position: absolute;
    top: 2px;
    bottom: 0;
    border-left: 3px solid var(--plan);
  }
  p {
    margin-top: 8px;
    font-size: 0.87rem;
  }
</style>

<!-- The tempo of a take: by taps while it sounds, or by the bars that were set; and taken over into a section's target. -->
<script lang="ts">
  import { measuredTempo } from '$lib/core/take';
  import { LEAST_TAPS, measureTaps, oneDecimal } from '$lib/core/tempo';
  import { sayBars } from '$lib/core/units';
  import Tempo from '$lib/components/note/Tempo.svelte';
  import type { TakeView } from '$lib/schema/view';
  import type { Player } from '$lib/state/player.svelte';
  import { send } from '$lib/state/send';

  let { view, player, fault }: { view: TakeView; player: Player; fault: string } = $props();

  /** A pause this long begins a new measurement. */
  const PAUSE_MS = 3000;
  let isTapping = $state(false);
  // by the sound's own time: at half speed the beats are as far apart as they were played
  let taps = $state.raw<number[]>([]);
  const byBars = $derived(view.unit && measuredTempo(view.take, view.item.metre, view.unit));
  const byTaps = $derived(measureTaps(taps));
  const bpm = $derived(byTaps ?? (byBars && oneDecimal(byBars.bpm)));

  export function tap(): void {
    const { soundMs } = player;
    const last = taps.at(-1);
    const goesOn = last !== undefined && soundMs > last && soundMs - last <= PAUSE_MS;
    taps = goesOn ? [...taps, soundMs] : [soundMs];
    isTapping = true;
  }
</script>

{#if view.unit}
  <div class="tempo">
    <button class="quiet" onclick={tap}>tap its beat (t)</button>
    <span role="status"
      >{#if isTapping && byTaps === null}{taps.length} of {LEAST_TAPS} taps{:else if bpm !== null}<b
          ><Tempo {bpm} unit={view.unit} height={15} /></b
        >, {byTaps === null
          ? `from ${sayBars({ fromBar: byBars!.fromBar, toBar: byBars!.toBar })}, by the bars that were set`
          : `from ${taps.length} taps`}{:else}or set two of its bars: what lies between them says the tempo{/if}</span
    >
    {#if bpm !== null}
      {#each view.targets as target (target.id)}
        <form method="POST" action="?/target" use:send>
          <input type="hidden" name="section" value={target.id} />
          <input type="hidden" name="bpm" value={bpm} />
          <button class="quiet"
            >{target.measured > 0
              ? `add it to the ${target.measured === 1 ? 'recording' : `${target.measured} recordings`} for ${sayBars(target)}`
              : `take the target of ${sayBars(target)} from recordings, this the first`}</button
          >
        </form>
      {/each}
    {/if}
    {#if fault}<span role="alert">{fault}</span>{/if}
  </div>
{/if}

<style>
  .tempo {
    display: flex;
    flex-wrap: wrap;
    gap: 2px 24px;
    align-items: baseline;
    margin: 4px 0 0 40px;
    color: var(--soft);
    font-size: 15px;
  }
  @media (max-width: 720px) {
    .tempo {
      margin-left: 8px;
    }
  }
</style>

<!-- A sound that is heard beside a ballot: played, stopped, and moved in. -->
<script lang="ts">
  import { sayMs } from '$lib/components/take/systems';

  let { src, label }: { src: string; label: string } = $props();

  let audio = $state<HTMLAudioElement>();
  let isPlaying = $state(false);
  let at = $state(0);
  let length = $state(0);
  let fault = $state('');

  function toggle() {
    if (isPlaying) return audio?.pause();
    audio?.play().catch(() => (fault = 'It could not be played: is there a line?'));
  }
</script>

<div class="sound" role="group" aria-label={label}>
  <audio
    {src}
    preload="none"
    bind:this={audio}
    onplay={() => ([isPlaying, fault] = [true, ''])}
    onpause={() => (isPlaying = false)}
    ontimeupdate={() => (at = audio?.currentTime ?? 0)}
    ondurationchange={() => (length = Number.isFinite(audio?.duration) ? audio!.duration : 0)}
  ></audio>
  <button onclick={toggle}>{isPlaying ? 'stop' : 'hear it'}</button>
  <input
    type="range"
    min="0"
    max={Math.max(length, 1)}
    step="0.1"
    value={at}
    class:waiting={length === 0}
    disabled={length === 0}
    aria-label="Place in it"
    oninput={(event) => audio && (audio.currentTime = Number(event.currentTarget.value))}
  />
  <span>{length > 0 ? `${sayMs(1000 * at)} of ${sayMs(1000 * length)}` : ''}</span>
  {#if fault}<p role="alert">{fault}</p>{/if}
</div>

<style>
  .sound {
    display: flex;
    flex-wrap: wrap;
    gap: 0 14px;
    align-items: center;
    margin: -4px 0 8px;
  }
  button {
    min-width: 92px;
    min-height: 48px;
    border: 2px solid var(--ink);
    background: none;
    font-size: 20px;
    font-weight: 650;
  }
  input {
    flex: 1 1 120px;
    min-height: 44px;
    accent-color: var(--ink);
  }
  /* how long it is nobody knows before it plays */
  .waiting {
    visibility: hidden;
  }
  span {
    color: var(--soft);
    font-size: 16px;
    font-variant-numeric: tabular-nums;
  }
</style>

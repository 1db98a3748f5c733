<!-- The lower edge of listening: here, as one solid field, and what moves the sound beside it. -->
<script lang="ts">
  import type { Snippet } from 'svelte';
  import type { Player } from '$lib/state/player.svelte';

  let {
    player,
    says,
    isOff,
    onHere,
    onBack,
    onLoop,
    more,
    status
  }: {
    player: Player;
    /** What "here" does. */
    says: string;
    isOff: boolean;
    onHere: () => unknown;
    onBack: () => unknown;
    /** Null where nothing is looped. */
    onLoop: (() => unknown) | null;
    more?: Snippet;
    status: Snippet;
  } = $props();

  // a tap that came before the page can answer would be lost without a word
  const isDead = $derived(!player.isThere);
</script>

<div class="acts">
  <button class="here" onclick={onHere} disabled={isOff || isDead}
    ><strong>here</strong><span>{says}</span></button
  >
  <div class="others">
    <button disabled={isDead} onclick={player.toggle}
      ><strong>{player.isPlaying ? 'stop' : 'play'}</strong><span>space</span></button
    >
    <button disabled={isDead} onclick={onBack}><strong>a bar</strong><span>back</span></button>
    <button disabled={isDead} aria-pressed={player.isHalf} onclick={() => player.half()}
      ><strong>half</strong><span>speed<i>, at pitch</i></span></button
    >
    {#if onLoop}<button disabled={isDead} aria-pressed={player.loop !== null} onclick={onLoop}
        ><strong>loop</strong><span>two bars</span></button
      >{/if}
    {@render more?.()}
  </div>
  <div class="so-far" role="status">{@render status()}</div>
</div>

<style>
  .acts {
    display: grid;
    grid-template: 1fr auto / minmax(260px, 2fr) 3fr;
    min-height: 142px;
    border-top: 2px solid var(--ink);
  }
  .here {
    grid-row: 1 / 3;
    padding: 8px 26px 14px;
    border: 0;
    background: var(--ink);
    color: var(--paper);
    text-align: left;
  }
  .here strong {
    display: block;
    font-size: clamp(40px, 6vw, 64px);
    line-height: 1;
  }
  .here span {
    font-size: clamp(17px, 2.2vw, 22px);
    font-stretch: 88%;
  }
  .others {
    display: grid;
    grid-auto-columns: 1fr;
    grid-auto-flow: column;
  }
  .others :global(form) {
    display: grid;
  }
  .others :global(button) {
    display: grid;
    align-content: center;
    justify-items: center;
    padding: 6px;
    border: 0;
    border-left: 1px solid var(--rule);
    background: none;
    font-size: 16px;
    font-stretch: 88%;
  }
  .others :global(strong) {
    font-size: clamp(20px, 2.6vw, 30px);
  }
  .others [aria-pressed='true'] {
    box-shadow: inset 0 -6px var(--ink);
  }
  .others :global(:disabled) {
    color: var(--soft);
  }
  .so-far {
    padding: 10px 24px;
    border-top: 1px solid var(--rule);
    font-size: 18px;
    font-stretch: 88%;
  }
  i {
    font-style: normal;
  }
  @media (max-width: 900px) {
    i {
      display: none;
    }
  }
  @media (max-width: 720px) {
    .acts {
      grid-template: auto auto auto / 1fr;
    }
    .here {
      grid-row: auto;
    }
    .others :global(button) {
      min-height: 60px;
    }
    .others span,
    .others :global(span) {
      font-size: 13px;
    }
  }
</style>

<!-- The frame of listening: the head, the sound laid out below it, and the acts at the lower edge; keys act wherever one is. -->
<script lang="ts">
  import { type Snippet, onMount } from 'svelte';
  import type { Player } from '$lib/state/player.svelte';

  let {
    player,
    sound,
    onKey,
    head,
    foot,
    children
  }: {
    player: Player;
    /** Its address. */
    sound: string;
    /** Whether the key did something. */
    onKey: (key: string) => boolean;
    head: Snippet;
    foot: Snippet;
    children: Snippet;
  } = $props();

  let audio: HTMLAudioElement;
  onMount(() => player.attach(audio));

  function press(event: KeyboardEvent) {
    const { key, target } = event;
    const isTyping = target instanceof HTMLInputElement || target instanceof HTMLTextAreaElement;
    if (event.ctrlKey || event.metaKey || event.altKey || isTyping) return;
    if (key === ' ' && (target instanceof HTMLButtonElement || target instanceof HTMLAnchorElement)) return;
    if (onKey(key)) event.preventDefault();
  }
  /** What was tapped does not keep the keys: Space plays again. */
  function letGo({ detail, target }: MouseEvent) {
    if (detail > 0 && target instanceof Element) target.closest('button')?.blur();
  }
</script>

<svelte:window onkeydown={press} onclick={letGo} />
<div class="listen">
  <header>{@render head()}</header>
  <!-- asked for when it is played: a page that is only looked at fetches no sound -->
  <audio bind:this={audio} src={sound} preload="none"></audio>
  <div class="sounds">{@render children()}</div>
  {@render foot()}
</div>

<style>
  .listen {
    display: flex;
    flex-direction: column;
    height: 100dvh;
    min-height: 480px;
    overflow: hidden;
  }
  header {
    display: flex;
    justify-content: space-between;
    gap: 12px 24px;
    padding: 14px 24px 0;
  }
  header :global(p) {
    color: var(--soft);
    font-size: 18px;
    font-stretch: 88%;
  }
  .sounds {
    flex: 1;
    min-height: 0;
    padding: 20px 24px 6px;
    overflow: auto;
  }
  @media (max-width: 900px) {
    header {
      display: block;
    }
  }
  @media (max-width: 720px) {
    header {
      padding-inline: 16px;
    }
    .sounds {
      padding-inline: 8px 12px;
    }
  }
</style>

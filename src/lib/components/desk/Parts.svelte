<!-- The parts of a long section, as brackets: what holds at today's rung thick; a tap takes one up. -->
<script lang="ts">
  import type { DeskBlock } from '$lib/core/practice';

  let {
    block,
    isHeld,
    onTake
  }: { block: DeskBlock; isHeld: (part: number) => boolean; onTake: (part: number) => void } = $props();

  const names = $derived([
    ...block.parts.map(({ fromBar, toBar }) => `${fromBar}–${toBar}`),
    ...(block.isJoined ? ['all, once'] : [])
  ]);
</script>

<div class="parts" role="group" aria-label="Parts">
  {#each names as name, part (name)}
    <button
      class:held={isHeld(part)}
      aria-current={block.run?.part === part ? 'step' : undefined}
      aria-label="{name}{isHeld(part) ? ', holds' : ''}"
      onclick={() => onTake(part)}>{name}</button
    >
  {/each}
</div>

<style>
  .parts {
    display: flex;
    flex-wrap: wrap;
    gap: 2px 10px;
    margin-top: 4px;
  }
  button {
    min-width: 64px;
    min-height: 44px;
    padding: 0 8px;
    border: solid var(--soft);
    border-width: 2px 2px 0;
    background: none;
    color: var(--soft);
    font-size: 18px;
    font-stretch: 80%;
  }
  .held {
    border-color: var(--ink);
    border-width: 6px 2px 0;
    color: var(--ink);
  }
  button[aria-current] {
    color: var(--ink);
    font-weight: 700;
    text-decoration: underline 3px;
    text-underline-offset: 5px;
  }
</style>

<!-- What is heard at the place marked last, in words; where nothing is said the element alone stands. -->
<script lang="ts">
  import type { Marking } from '$lib/state/marking.svelte';

  let { marking, sayPlace }: { marking: Marking; sayPlace: (atMs: number) => string } = $props();

  const last = $derived(marking.open.at(-1));
  const said = $derived(marking.open.filter(({ id, says }) => says !== '' && id !== last?.id));
</script>

{#if last}
  {#key last.id}
    <p>
      <label for="in-words">{sayPlace(last.atMs)} {last.element}, in words</label>
      <input
        id="in-words"
        maxlength="200"
        dir="auto"
        autocomplete="off"
        value={last.says}
        placeholder="if you like: late into the turn"
        onchange={({ currentTarget }) => marking.say(last.id, currentTarget.value.trim())}
        onkeydown={({ key, currentTarget }) => key === 'Enter' && currentTarget.blur()}
      />
    </p>
  {/key}
  {#each said as mark (mark.id)}<p class="said">
      <b>{sayPlace(mark.atMs)} {mark.element}</b> <bdi>{mark.says}</bdi>
    </p>{/each}
{/if}

<style>
  p {
    display: flex;
    flex-wrap: wrap;
    gap: 2px 12px;
    align-items: center;
    margin: 6px 0 0 40px;
    font-size: 18px;
  }
  input {
    flex: 1 1 240px;
    max-width: 520px;
    min-height: 44px;
    font-size: 18px;
  }
  @media (max-width: 720px) {
    p {
      margin-left: 8px;
    }
  }
</style>

<!-- Ways to practise the spot: those that fit, the one proposed first. -->
<script lang="ts">
  import { type Ways, wayOf } from '$lib/core/practice';
  import DeskPanel from './DeskPanel.svelte';

  let {
    offers,
    ways,
    inHand,
    onTake,
    onClose
  }: {
    /** By id. */
    offers: readonly string[];
    ways: Ways;
    inHand: string | null;
    onTake: (method: string) => void;
    onClose: () => void;
  } = $props();

  const methods = $derived(offers.flatMap((id) => wayOf(id, ways) ?? []));
</script>

<DeskPanel name="Another way" {onClose}>
  <ul>
    {#each methods as { id, name, says, needs, caution } (id)}
      <li>
        <button onclick={() => onTake(id)} aria-current={id === inHand ? 'true' : undefined}>
          <strong>{name}</strong>
          <span>{says}</span>
          {#if needs || caution}<span class="soft"
              >{[needs && `It needs ${needs}.`, caution].filter(Boolean).join(' ')}</span
            >{/if}
        </button>
      </li>
    {/each}
  </ul>
</DeskPanel>

<style>
  ul {
    display: grid;
    grid-template-columns: repeat(auto-fit, minmax(min(100%, 380px), 1fr));
    gap: 0 32px;
    max-width: 960px;
    padding: 0;
    list-style: none;
  }
  li {
    border-top: 1px solid var(--rule);
  }
  button {
    display: grid;
    align-content: start;
    gap: 2px;
    width: 100%;
    height: 100%;
    padding: 10px 0;
    border: 0;
    background: none;
    color: inherit;
    font-size: 17px;
    line-height: 1.3;
    text-align: left;
  }
  strong {
    font-size: 24px;
    line-height: 1.15;
  }
  [aria-current] strong {
    text-decoration: underline 3px;
    text-underline-offset: 5px;
  }
</style>

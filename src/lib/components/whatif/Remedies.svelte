<!-- What would make it fit, sorted by what it costs the candidate; each is tried by one click. -->
<script lang="ts">
  import type { Changes, Remedy } from '$lib/core/season';

  let {
    remedies,
    isLooking,
    isSame,
    onTry
  }: {
    remedies: readonly Remedy[];
    /** Whether there may be others. */
    isLooking: boolean;
    /** Whether these changes are the ones being tried. */
    isSame: (changes: Changes) => boolean;
    onTry: (changes: Changes) => void;
  } = $props();

  const KINDS: Record<Remedy['kind'], string> = {
    stretch: 'lower within the range',
    strategy: 'chunks instead of a ramp',
    'mock-days': 'a later end of the ramp',
    'minutes-by-weekday': 'more minutes, where they help most',
    'minutes-alike': 'more minutes, the same each day',
    fundamentals: 'fewer fundamentals',
    'leave-out': 'leave out an item'
  };
  const open = $derived(remedies.filter((r) => r.changes !== null));
  const shut = $derived(remedies.filter((r) => r.changes === null));
</script>

<section aria-labelledby="remedies">
  <h3 id="remedies">What would make it fit</h3>
  <ul>
    {#each open as remedy (remedy.kind)}
      <li>
        <button type="button" aria-pressed={isSame(remedy.changes!)} onclick={() => onTry(remedy.changes!)}>
          <span class="kind">{KINDS[remedy.kind]}</span>
          <span>{remedy.says}</span>
        </button>
      </li>
    {:else}
      {#if !isLooking}<li class="soft">
          Nothing of one kind alone makes it fit. Try several together by hand.
        </li>{/if}
    {/each}
  </ul>
  {#if isLooking}
    <p class="soft" role="status">Looking for the least of each kind ...</p>
  {:else if shut.length > 0}
    <details>
      <summary>What does not help by itself</summary>
      <ul class="shut">
        {#each shut as remedy (remedy.kind)}<li class="soft">
            <span class="kind">{KINDS[remedy.kind]}</span>
            {remedy.says}
          </li>{/each}
      </ul>
    </details>
  {/if}
</section>

<style>
  ul {
    margin-top: 6px;
    padding: 0;
    list-style: none;
  }
  li + li {
    border-top: 1px solid var(--rule);
  }
  button,
  .shut li {
    display: grid;
    grid-template-columns: 262px 1fr;
    gap: 0 16px;
  }
  button {
    width: 100%;
    min-height: 40px;
    padding: 8px 10px;
    border: 0;
    border-left: 5px solid transparent;
    background: none;
    color: var(--ink);
    text-align: left;
  }
  button:hover {
    background: var(--ground);
  }
  button[aria-pressed='true'] {
    border-left-color: var(--plan);
    background: var(--ground);
    font-weight: 620;
  }
  .kind {
    color: var(--plan);
  }
  .shut li {
    padding: 6px 15px;
    font-size: 0.93rem;
  }
  summary {
    margin-top: 6px;
    cursor: pointer;
  }
  @media (max-width: 720px) {
    button,
    .shut li {
      grid-template-columns: 1fr;
    }
  }
</style>

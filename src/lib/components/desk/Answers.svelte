<!-- Two answers, equal in size and weight, each with what it leads to. -->
<script lang="ts">
  type Answer = { readonly word: string; readonly leads: string; readonly onPick: () => void };
  let { left, right }: { left: Answer; right: Answer } = $props();
</script>

<div class="answers">
  {#each [left, right] as { word, leads, onPick } (word)}
    <button onclick={onPick}><strong>{word}</strong><span>{leads}</span></button>
  {/each}
</div>

<style>
  .answers {
    display: grid;
    grid-template-columns: 1fr 1fr;
    border-top: 2px solid var(--ink);
  }
  button {
    display: grid;
    align-content: center;
    gap: 4px;
    min-height: clamp(96px, 16vh, 150px);
    padding: 8px;
    border: 0;
    background: none;
    line-height: 1.1;
  }
  button + button {
    border-left: 2px solid var(--ink);
  }
  @media (hover: hover) {
    button:hover strong {
      text-decoration: underline 3px;
      text-underline-offset: 6px;
    }
  }
  button:active {
    background: var(--ink);
    color: var(--paper);
  }
  button:focus-visible {
    outline-offset: -6px;
  }
  strong {
    font-size: clamp(32px, 5vw, 52px);
    font-weight: 650;
  }
  span {
    font-size: clamp(16px, 2.5vw, 26px);
    font-stretch: 84%;
  }
  button:not(:active) span {
    color: var(--soft);
  }
</style>

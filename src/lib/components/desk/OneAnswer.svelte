<!-- The one thing that can be answered on a face, as wide as the two answers of others. -->
<script lang="ts">
  let { word, onPick }: { word: string; onPick: () => unknown } = $props();
</script>

<button onclick={onPick}>{word}</button>

<style>
  button {
    min-height: clamp(88px, 14vh, 130px);
    border: 0;
    border-top: 2px solid var(--ink);
    background: none;
    font-size: clamp(32px, 5vw, 52px);
    font-weight: 650;
  }
  @media (hover: hover) {
    button:hover {
      background: var(--ground);
    }
  }
</style>

<!-- The desk's keys, at hand while one plays. -->
<script lang="ts">
  let { onClose }: { onClose: () => void } = $props();
  const KEYS = [
    ['→ ↓ Page down', 'clean; on other faces: done, next, begin'],
    ['← ↑ Page up', 'not yet'],
    ['Space', 'click on and off'],
    ['u, Backspace', 'undo the last answer'],
    ['e', 'end this block'],
    ['m', 'at the end of a block: 3 more minutes'],
    ['s', 'at the end of a block: shorter'],
    ['?', 'this list']
  ] as const;
</script>

<div class="keys" role="dialog" aria-label="Keys of the desk">
  <h2>Keys and pedals</h2>
  <dl>
    {#each KEYS as [key, does] (key)}<dt>{key}</dt>
      <dd>{does}</dd>{/each}
  </dl>
  <p class="soft">A page-turning pedal sends the page keys or the arrows: right is clean, left is not yet.</p>
  <button onclick={onClose}>Close</button>
</div>

<style>
  .keys {
    position: fixed;
    inset: 0;
    z-index: 5;
    display: grid;
    align-content: center;
    justify-content: center;
    gap: 16px;
    padding: 24px;
    background: var(--paper);
    font-size: 20px;
  }
  dl {
    display: grid;
    grid-template-columns: auto auto;
    gap: 8px 28px;
  }
  dt {
    font-weight: 650;
  }
  button {
    justify-self: start;
    min-height: 48px;
    padding: 0 24px;
    border: 2px solid var(--ink);
    background: none;
  }
</style>

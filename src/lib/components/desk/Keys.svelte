<!-- The desk's keys, at hand while one plays. -->
<script lang="ts">
  import DeskPanel from './DeskPanel.svelte';

  let { onClose }: { onClose: () => void } = $props();
  const KEYS = [
    ['→ ↓ Page down', 'clean; on other faces: done, next, begin, the end of a run'],
    ['← ↑ Page up', 'not yet'],
    ['Space', 'click on and off'],
    ['u, Backspace', 'undo the last answer'],
    ['b', 'note a bar that wants work: a spot'],
    ['w', 'at a spot: another way to practise it'],
    ['r', 'record the bars in hand, straight through'],
    ['p', 'pitch: a drone, and where the note lies'],
    ['e', 'end this block'],
    ['m', 'at the end of a block: 3 more minutes'],
    ['s', 'at the end of a block: shorter'],
    ['?', 'this list']
  ] as const;
</script>

<DeskPanel name="Keys and pedals" {onClose}>
  <dl>
    {#each KEYS as [key, does] (key)}<dt>{key}</dt>
      <dd>{does}</dd>{/each}
  </dl>
  <p class="soft">A page-turning pedal sends the page keys or the arrows: right is clean, left is not yet.</p>
</DeskPanel>

<style>
  dl {
    display: grid;
    grid-template-columns: auto auto;
    gap: 8px 28px;
  }
  dt {
    font-weight: 650;
  }
</style>

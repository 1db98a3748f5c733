<!-- After "not yet": what did not hold, for who wants to say it. Untouched is not stated. -->
<script lang="ts">
  import type { Element } from '$lib/core/practice';

  let {
    elements,
    chosen,
    onChange
  }: {
    elements: readonly Element[];
    chosen: readonly string[];
    onChange: (notHeld: readonly string[]) => void;
  } = $props();
  const toggle = (element: string) =>
    onChange(chosen.includes(element) ? chosen.filter((one) => one !== element) : [...chosen, element]);
</script>

<div class="elements" role="group" aria-label="What did not hold?">
  <span aria-hidden="true">what did not hold?</span>
  {#each elements as element (element)}
    <button aria-pressed={chosen.includes(element)} onclick={() => toggle(element)}>{element}</button>
  {/each}
</div>

<style>
  .elements {
    display: flex;
    flex-wrap: wrap;
    gap: 0 4px;
  }
  span {
    align-self: center;
    padding: 0 10px;
    font-size: 17px;
    font-stretch: 84%;
  }
  button {
    min-height: 48px;
    padding: 0 10px;
    border: 0;
    background: none;
    color: var(--soft);
    font-size: 20px;
    font-stretch: 84%;
  }
  button[aria-pressed='true'] {
    background: repeating-linear-gradient(45deg, var(--rule) 0 2px, transparent 2px 6px);
    color: var(--ink);
    font-weight: 650;
    text-decoration: underline;
    text-underline-offset: 4px;
  }
  @media (max-width: 720px) {
    button {
      min-height: 44px;
      padding: 0 7px;
      font-size: 17px;
    }
  }
</style>

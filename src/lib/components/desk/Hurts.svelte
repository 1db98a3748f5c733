<!-- It hurts: everything stops, and nothing urges on. -->
<script lang="ts">
  import { isAlone } from '$lib/state/heard-by';

  let { onRest, onBack }: { onRest: (isTold: boolean) => void; onBack: () => void } = $props();
</script>

<div class="hurts" role="alert">
  <h1>Stop here, and rest.</h1>
  <p>
    Put the instrument down. Where pain, numbness, tingling or stiffness lasts or comes back, see a licensed
    health professional: {isAlone() ? 'this page' : 'a teacher or this page'} cannot judge it. Nothing is urged,
    and today’s further blocks are left.
  </p>
  <div>
    {#if isAlone()}<button onclick={() => onRest(true)}>Stop for today</button>{:else}
      <button onclick={() => onRest(true)}>Stop, and tell my teacher</button>
      <button onclick={() => onRest(false)}>Stop, and tell nobody</button>
    {/if}
    <button onclick={onBack}>It was nothing: back</button>
  </div>
</div>

<style>
  .hurts {
    display: grid;
    flex: 1;
    align-content: center;
    gap: 20px;
    max-width: 900px;
    padding: 24px;
    font-size: clamp(20px, 2.6vw, 28px);
  }
  h1 {
    font-size: clamp(36px, 6vw, 64px);
  }
  div div,
  .hurts > div {
    display: flex;
    flex-wrap: wrap;
    gap: 16px;
  }
  button {
    min-height: 72px;
    padding: 0 28px;
    border: 2px solid var(--ink);
    background: none;
    font-weight: 650;
  }
</style>

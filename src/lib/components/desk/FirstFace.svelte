<!-- Before anything is begun, and where nothing can be: what there is, and the one way on. -->
<script lang="ts">
  let {
    heading = '',
    says = '',
    fault = '',
    home = null,
    onBegin = null
  }: {
    heading?: string;
    says?: string;
    fault?: string;
    /** The day's page, where that is the way on. */
    home?: string | null;
    onBegin?: (() => unknown) | null;
  } = $props();
</script>

<div class="first">
  {#if heading}<h1>{heading}</h1>{/if}
  {#if fault}<p role="alert">{fault}</p>{/if}
  {#if says}<p>{says}</p>{/if}
  {#if onBegin}<button onclick={onBegin}>Begin</button>{/if}
  {#if home}<a href={home}>To the day</a>{/if}
</div>

<style>
  .first {
    display: grid;
    flex: 1;
    align-content: center;
    gap: 12px;
    max-width: 760px;
    padding: 24px;
    font-size: 22px;
  }
  h1 {
    font-size: clamp(32px, 6vw, 64px);
  }
  button {
    justify-self: start;
    margin-top: 20px;
    padding: 18px 56px 22px;
    border: 0;
    background: var(--ink);
    color: var(--paper);
    font-size: clamp(40px, 6vw, 64px);
    font-weight: 700;
  }
</style>

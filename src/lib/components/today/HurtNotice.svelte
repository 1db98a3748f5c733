<!-- It hurt, and was not yet said to be well. -->
<script lang="ts">
  import { dayOf, sayDate } from '$lib/core/units';

  let {
    since,
    wish,
    onWell
  }: {
    /** Null where it was said just now. */
    since: string | null;
    /** Where lighter days can be asked for. */
    wish: string;
    /** Null for who is not the player. */
    onWell: (() => void) | null;
  } = $props();
</script>

<div class="hurt" role="status">
  <p>
    <strong>It hurt{since ? ` on ${sayDate(dayOf(since))}` : ''}.</strong> Rest. Where it lasts or comes back, see
    a licensed health professional before you play on. Until it is well nothing urges: no one further, no sprint,
    no more minutes.
  </p>
  {#if onWell}
    <a href={wish}>Ask for lighter days</a>
    <button class="action" onclick={onWell}>It is well again</button>
  {/if}
</div>

<style>
  .hurt {
    display: flex;
    flex-wrap: wrap;
    gap: 8px 24px;
    align-items: center;
    margin-top: 20px;
    padding: 10px 16px;
    border-left: 4px solid var(--ink);
    background: var(--ground);
  }
  p {
    flex: 1 1 420px;
  }
</style>

<!-- The player's screen in a mock: what is asked, large, and nothing else. -->
<script lang="ts">
  import { onMount } from 'svelte';
  import type { MockView } from '$lib/schema/mock-view';
  import { watch } from '$lib/state/watch';

  let { mock: known, home }: { mock: MockView; home: string } = $props();

  let seen = $state.raw<MockView | null>(null);
  /** What was heard of last: by an act here, or from elsewhere. */
  const mock = $derived(seen && seen.nowMs >= known.nowMs ? seen : known);

  const cut = $derived(mock.at === null ? null : (mock.draw[mock.at] ?? null));
  onMount(() => watch<MockView>(`/mocks/${known.id}/now`, (now) => (seen = now)));
</script>

<div class="stand">
  <p class="who">candidate <b>{mock.number}</b></p>
  <div class="what" role="status">
    {#if cut}
      <h1><bdi>{cut.name}</bdi></h1>
      <p class="bars">from bar {cut.fromBar} to bar {cut.toBar}</p>
    {:else if mock.isOver}
      <h1>Thank you</h1>
      <p class="bars">That was all that was asked.</p>
    {:else}
      <h1>Wait for the first item</h1>
      <p class="bars">One attempt each, nothing is said, no way back.</p>
    {/if}
  </div>
  <p class="out"><a href={home}>out of the mock</a></p>
</div>

<style>
  .stand {
    display: flex;
    flex-direction: column;
    min-height: 100dvh;
    padding: 24px;
  }
  .who {
    color: var(--soft);
    font-size: 28px;
    font-stretch: 88%;
  }
  .who b {
    color: var(--ink);
    font-size: 56px;
  }
  .what {
    flex: 1;
    align-content: center;
  }
  h1 {
    font-size: clamp(52px, 11vw, 140px);
    font-stretch: 88%;
    line-height: 1;
    overflow-wrap: anywhere;
  }
  .bars {
    margin-top: 20px;
    font-size: clamp(30px, 6vw, 72px);
    font-stretch: 88%;
    line-height: 1.1;
  }
  .out {
    font-size: 18px;
  }
</style>

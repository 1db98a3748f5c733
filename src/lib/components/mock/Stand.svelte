<!-- The player's screen in a mock: what is asked, large, and nothing else. -->
<script lang="ts">
  import { onMount } from 'svelte';
  import { beforeMock } from '$lib/core/mock';
  import { sayClock } from '$lib/components/desk/minutes';
  import type { MockView } from '$lib/schema/mock-view';
  import { keepAwake } from '$lib/state/device/awake';
  import { watch } from '$lib/state/watch';

  let { mock: known, home }: { mock: MockView; home: string } = $props();

  let seen = $state.raw<MockView | null>(null);
  /** What was heard of last: by an act here, or from elsewhere. */
  const mock = $derived(seen && seen.nowMs >= known.nowMs ? seen : known);

  const cut = $derived(mock.at === null ? null : (mock.draw[mock.at] ?? null));
  let nowMs = $state(0);
  /** Warming up and waiting before the hour, as long as nothing is asked. */
  const before = $derived(
    mock.before && mock.at === null && nowMs > 0 ? beforeMock(mock.before, nowMs) : null
  );
  onMount(() => {
    // by the studio's clock: devices differ
    const offset = Date.now() - known.nowMs;
    const tick = () => (nowMs = Date.now() - offset);
    tick();
    const timer = setInterval(tick, 250);
    const ends = [watch<MockView>(`/mocks/${known.id}/now`, (now) => (seen = now)), keepAwake()];
    return () => {
      clearInterval(timer);
      ends.forEach((end) => end());
    };
  });
  const left = $derived(sayClock((before?.leftMs ?? 0) / 1000));
  const clockAt = (ms: number) =>
    new Date(ms).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' });
</script>

<div class="stand">
  <p class="who">candidate <b>{mock.number}</b></p>
  <div class="what" role={before ? undefined : 'status'}>
    {#if cut}
      <h1><bdi>{cut.name}</bdi></h1>
      <p class="bars">from bar {cut.fromBar} to bar {cut.toBar}</p>
    {:else if mock.isOver}
      <h1>Thank you</h1>
      <p class="bars">That was all that was asked.</p>
    {:else if before?.phase === 'warm-up'}
      <p class="left">{left}</p>
      <p class="bars">to warm up: sound and air, nothing of the list at its tempo</p>
    {:else if before?.phase === 'waiting'}
      <p class="left">{left}</p>
      <p class="bars">to wait: nothing is played, hear the first notes</p>
    {:else if before?.phase === 'early'}
      <h1>
        Warm up from {clockAt(
          mock.before!.startsMs - (mock.before!.waitingMin + mock.before!.warmUpMin) * 60_000
        )}
      </h1>
      <p class="bars">{mock.before!.warmUpMin} minutes, then {mock.before!.waitingMin} of waiting</p>
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
  .left {
    font-size: clamp(110px, 24vw, 300px);
    font-weight: 700;
    font-stretch: 88%;
    line-height: 0.9;
    font-variant-numeric: tabular-nums;
  }
  .out {
    font-size: 18px;
  }
</style>

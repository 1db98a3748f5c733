<!-- A mock played alone: the device says what comes and records it; nothing is asked and nothing counts, and there is no way back. -->
<script lang="ts">
  import { onMount } from 'svelte';
  import { LEVEL_WORDS } from '$lib/core/take/level';
  import type { MockView } from '$lib/schema/mock-view';
  import { keepAwake } from '$lib/state/device/awake';
  import { MockRun } from '$lib/state/device/mock-run.svelte';

  let {
    mock,
    thoughts,
    today,
    mayRecord,
    owner,
    home
  }: {
    mock: MockView;
    /** For each item, what to think before it; often empty. */
    thoughts: readonly string[];
    today: string;
    /** False before a guardian has said yes. */
    mayRecord: boolean;
    owner: string;
    home: string;
  } = $props();

  // whose it is stays while it is played
  // svelte-ignore state_referenced_locally
  const run = new MockRun(mock, { owner, date: today, mayRecord });
  const { recorder } = run;
  const cut = $derived(run.at === null ? null : (mock.draw[run.at] ?? null));
  const next = $derived(mock.draw[run.at === null ? 0 : run.at + 1] ?? null);
  const own = $derived(mock.jurors[0] ?? null);
  let isAlive = $state(false);

  onMount(() => {
    const ends = [run.open(), keepAwake()];
    isAlive = true;
    return () => ends.forEach((end) => end());
  });
  const ONWARD = ['ArrowRight', 'ArrowDown', 'PageDown', ' '];
  function onkeydown(event: KeyboardEvent) {
    if (!ONWARD.includes(event.key) || event.repeat) return;
    // a button or a link that is reached by keys answers the space bar itself
    if (event.key === ' ' && event.target !== document.body) return;
    event.preventDefault();
    void run.onward();
  }
</script>

<svelte:window {onkeydown} />
<div class="alone">
  <p class="who">
    {#if run.at !== null && !run.isOver}{run.at + 1} of {mock.count}{:else}{mock.name}{/if}
    <span role="status"
      >{recorder.sinceMs !== null
        ? 'recording'
        : cut && mayRecord
          ? 'not recorded'
          : run.unsent.length > 0
            ? 'kept on this device, not sent yet'
            : ''}</span
    >
  </p>
  <div class="what">
    {#if cut}
      <h1><bdi>{cut.name}</bdi></h1>
      <p class="bars">from bar {cut.fromBar} to bar {cut.toBar}</p>
      {#if thoughts[run.at!]}<p class="thought" dir="auto">{thoughts[run.at!]}</p>{/if}
      {#if recorder.level}<p class="says" role="alert">{LEVEL_WORDS[recorder.level]}</p>{/if}
    {:else if run.isOver}
      <h1>That was all</h1>
      <p class="says">Listen to it once, and write what you hear, as somebody else would.</p>
    {:else}
      <h1>{mock.count === 1 ? 'One item' : `${mock.count} items`}, straight through</h1>
      <p class="says">
        Each is said as it comes, one attempt each, no way back. {mayRecord
          ? 'Lay the microphone far away; it records from the first item on.'
          : 'Not recorded: a guardian has not said yes yet. The teacher notes it with the candidate.'}
      </p>
    {/if}
    {#if recorder.fault || run.fault}<p class="says" role="alert">{recorder.fault || run.fault}</p>{/if}
  </div>
  <footer>
    <p><a href={home}>out of the mock</a></p>
    {#if run.isOver}
      {#if own && run.unsent.length === 0}<a class="onward" href="/mocks/{mock.id}/write/{own.id}"
          >listen, and write</a
        >{:else}<a class="onward" href={home}>done</a>{/if}
    {:else}
      {#if run.at === null && recorder.fault}<button disabled={!isAlive} onclick={() => run.beginUnrecorded()}
          >without the recorder</button
        >{:else if cut && mayRecord && recorder.sinceMs === null}<button
          disabled={!isAlive}
          onclick={() => run.goOn()}>record from here</button
        >{/if}
      <button class="onward" disabled={!isAlive} onclick={() => run.onward()}
        >{run.at === null ? (mayRecord ? 'record, and begin' : 'begin') : next ? 'next' : 'the end'}</button
      >
    {/if}
  </footer>
</div>

<style>
  .alone {
    display: flex;
    flex-direction: column;
    min-height: 100dvh;
  }
  .who {
    display: flex;
    justify-content: space-between;
    padding: 20px 24px 0;
    color: var(--soft);
    font-size: 26px;
    font-stretch: 88%;
  }
  .what {
    flex: 1;
    align-content: center;
    padding: 12px 24px;
  }
  h1 {
    font-size: clamp(46px, 10vw, 130px);
    font-stretch: 88%;
    line-height: 1;
    overflow-wrap: anywhere;
  }
  .bars {
    margin-top: 18px;
    font-size: clamp(30px, 6vw, 72px);
    font-stretch: 88%;
    line-height: 1.1;
  }
  .thought {
    margin-top: 3vh;
    font-size: clamp(26px, 4.6vw, 52px);
    font-stretch: 88%;
    line-height: 1.1;
  }
  .says {
    max-width: 40em;
    margin-top: 16px;
    font-size: clamp(18px, 2.4vw, 26px);
  }
  footer {
    display: flex;
    flex-wrap: wrap;
    gap: 0 16px;
    align-items: stretch;
    min-height: 110px;
    border-top: 2px solid var(--ink);
  }
  footer p {
    flex: 1 1 120px;
    align-self: center;
    padding: 0 24px;
    font-size: 18px;
  }
  footer button {
    min-height: 64px;
    padding: 0 24px;
    border: 0;
    background: none;
    font-size: 20px;
  }
  footer .onward {
    display: grid;
    flex: 0 1 420px;
    place-items: center;
    background: var(--ink);
    color: var(--paper);
    font-size: clamp(28px, 4vw, 44px);
    font-weight: 700;
    text-align: center;
    text-decoration: none;
  }
  @media (max-width: 720px) {
    footer .onward {
      flex: 1 1 100%;
      min-height: 96px;
    }
  }
</style>

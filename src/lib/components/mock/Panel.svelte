<!-- The panel's screen: who plays what, now; the clock that nobody else sees, who is writing, and the one act: next. -->
<script lang="ts">
  import type { ActionResult } from '@sveltejs/kit';
  import { onMount } from 'svelte';
  import { tempoOfTaps } from '$lib/core/click/tap';
  import { sayBars } from '$lib/core/units';
  import { sayClock } from '$lib/components/desk/minutes';
  import type { MockView } from '$lib/schema/mock-view';
  import { PanelTakes } from '$lib/state/device/mock-run.svelte';
  import { send } from '$lib/state/send';
  import { watch } from '$lib/state/watch';
  import CutStrip from './CutStrip.svelte';

  let {
    mock: known,
    home,
    nextOne,
    recording
  }: {
    mock: MockView;
    home: string;
    /** Who plays after this one, on the same evening; null where nobody does. */
    nextOne: { readonly mockId: string; readonly number: number; readonly time: string | null } | null;
    /** Whose account records, on which day; null where nobody may be recorded. */
    recording: { readonly owner: string; readonly date: string } | null;
  } = $props();

  let seen = $state.raw<MockView | null>(null);
  /** What was heard of last: by an act here, or from elsewhere. */
  const mock = $derived(seen && seen.nowMs >= known.nowMs ? seen : known);

  const cut = $derived(mock.at === null ? null : (mock.draw[mock.at] ?? null));
  const next = $derived(mock.draw[mock.at === null ? 0 : mock.at + 1] ?? null);
  const to = $derived(mock.at === null ? 0 : mock.at + 1);
  let seconds = $state(0);
  onMount(() => {
    // by the studio's clock: devices differ
    const offset = Date.now() - mock.nowMs;
    const timer = setInterval(() => {
      seconds =
        mock.sinceMs === null ? 0 : Math.max(0, Math.floor((Date.now() - offset - mock.sinceMs) / 1000));
    }, 250);
    const end = watch<MockView>(`/mocks/${known.id}/now`, (now) => (seen = now));
    return () => {
      clearInterval(timer);
      end();
      void takes?.onward(null);
    };
  });
  const clock = $derived(sayClock(seconds));
  let taps = $state.raw<readonly number[]>([]);
  const tapped = $derived(tempoOfTaps(taps));
  // whose it is stays while it is heard
  // svelte-ignore state_referenced_locally
  const takes = recording && new PanelTakes(recording);
  const recorder = $derived(takes?.recorder);
  /** With each step that was taken the take of what was played ends, and that of what comes begins; what was tapped goes with what it was of. */
  const stepping = {
    onSend: () => {
      const coming = next;
      return ({ type }: ActionResult) => {
        if (type !== 'success') return;
        taps = [];
        void takes?.onward(coming);
      };
    }
  };
  const isWriting = (juror: MockView['jurors'][number]) =>
    mock.at !== null && juror.written.includes(mock.at);
</script>

{#snippet whatIsKnown()}
  <input type="hidden" name="to" value={to} />
  <input type="hidden" name="bpm" value={tapped ?? ''} />
  <input type="hidden" name="take" value={takes?.takeId ?? ''} />
{/snippet}

<div class="panel">
  <header>
    <a href={home}>out of the run</a>
    <ol>
      {#each mock.draw as one, i (i)}<li
          class={{ done: mock.at !== null && i < mock.at, here: i === mock.at }}
        >
          <bdi>{one.name}</bdi> <span>{sayBars(one)}</span>
        </li>{/each}
    </ol>
  </header>
  <div class="what">
    <p class="who"><span>candidate</span> <b>{mock.number}</b></p>
    <div class="item">
      {#if cut}
        <h1><bdi>{cut.name}</bdi></h1>
        <p class="bars">from bar {cut.fromBar} to bar {cut.toBar}</p>
        <CutStrip item={cut.item} {cut} isWhole />
      {:else if mock.isOver}
        <h1>That was all</h1>
        <p class="bars">Thank you, next candidate.</p>
      {:else}
        <h1>Ready</h1>
        <p class="bars">{mock.count} items, one attempt each, nothing is said</p>
      {/if}
    </div>
  </div>
  <footer>
    <p class="clock">
      {#if cut}<b>{clock}</b> <span>seen only here</span>
      {/if}
    </p>
    <div class="by">
      {#if cut}<button class="tap" onclick={({ timeStamp }) => (taps = [...taps, timeStamp])}
          >{tapped === null
            ? taps.length === 0
              ? 'tap its tempo'
              : `${taps.length} of 4 taps`
            : `${tapped} a minute`}</button
        >{/if}
      {#if takes && !mock.isOver}<label
          ><input type="checkbox" bind:checked={takes.isWanted} />
          {recorder?.sinceMs
            ? 'recorded here'
            : mock.at === null
              ? 'record it here'
              : 'record it here from the next item on'}</label
        >{/if}
      {#if recorder?.fault}<span role="alert">{recorder.fault}</span>{/if}
    </div>
    <ul aria-label="Jurors">
      {#each mock.jurors as juror (juror.id)}<li>
          <b><bdi>{juror.name}</bdi></b>
          {isWriting(juror)
            ? 'has written'
            : juror.written.length > 0
              ? `${juror.written.length} written`
              : 'nothing yet'}
        </li>{/each}
    </ul>
    {#if mock.isOver}
      {#if nextOne}<a class="ballots" href={home}>to the ballots</a>
        <a class="onward" href="/mocks/{nextOne.mockId}/panel"
          ><strong>candidate {nextOne.number}</strong><span>{nextOne.time ?? 'plays next'}</span></a
        >{:else}<a class="onward" href={home}><strong>done</strong><span>to the ballots</span></a>{/if}
    {:else}
      {#if cut}<form method="POST" action="?/step" use:send={stepping}>
          {@render whatIsKnown()}<input type="hidden" name="isBroken" value="1" />
          <button class="off">break off</button>
        </form>{/if}
      <form method="POST" action="?/step" use:send={stepping}>
        {@render whatIsKnown()}
        <button class="onward"
          ><strong>{mock.at === null ? 'begin' : next ? 'next' : 'the end'}</strong><span
            >{next ? `${next.name}, ${sayBars(next)}` : 'all has been heard'}</span
          ></button
        >
      </form>
    {/if}
  </footer>
</div>

<style>
  .panel {
    display: flex;
    flex-direction: column;
    min-height: 100dvh;
  }
  header {
    padding: 14px 24px 0;
  }
  ol {
    display: flex;
    flex-wrap: wrap;
    gap: 6px 2px;
    margin: 8px 0 0;
    padding: 0;
    list-style: none;
  }
  ol li {
    flex: 1 1 120px;
    padding: 0 8px 6px 0;
    border-bottom: 2px solid var(--plan);
    color: var(--soft);
    font-size: 16px;
    font-stretch: 88%;
  }
  ol li span {
    display: block;
  }
  .done {
    border-bottom: 8px solid var(--ink);
  }
  .here {
    border-left: 6px solid var(--ink);
    padding-left: 6px;
    color: var(--ink);
    font-weight: 700;
  }
  .what {
    display: grid;
    flex: 1;
    grid-template-columns: minmax(150px, 260px) minmax(0, 1fr);
    align-content: start;
    padding: 20px 24px;
  }
  .who span {
    display: block;
    color: var(--soft);
    font-size: 24px;
    font-stretch: 88%;
  }
  .who b {
    font-size: clamp(110px, 22vw, 250px);
    font-stretch: 88%;
    line-height: 0.9;
  }
  .item {
    padding-left: 28px;
    border-left: 2px solid var(--ink);
  }
  h1 {
    font-size: clamp(40px, 7vw, 88px);
    font-stretch: 88%;
    line-height: 1;
    overflow-wrap: anywhere;
  }
  .bars {
    margin: 10px 0 22px;
    font-size: clamp(24px, 4vw, 46px);
    font-stretch: 88%;
  }
  footer {
    display: flex;
    flex-wrap: wrap;
    align-items: stretch;
    min-height: 150px;
    border-top: 2px solid var(--ink);
  }
  .clock {
    flex: 1 1 150px;
    padding: 16px 24px;
  }
  .by {
    display: flex;
    flex: 1 1 200px;
    flex-direction: column;
    justify-content: center;
    padding-right: 24px;
    color: var(--soft);
    font-size: 18px;
    font-stretch: 88%;
  }
  .by label {
    display: flex;
    gap: 10px;
    align-items: center;
    min-height: 48px;
  }
  .tap {
    min-width: 150px;
    min-height: 48px;
    padding: 0;
    border: 0;
    background: none;
    color: var(--ink);
    font-size: 20px;
    text-align: left;
    text-decoration: underline;
    text-underline-offset: 4px;
  }
  .ballots {
    align-self: center;
    padding: 0 24px;
    font-size: 20px;
  }
  .clock b {
    display: block;
    font-size: 56px;
    line-height: 1;
  }
  .clock span,
  footer ul {
    color: var(--soft);
    font-size: 18px;
    font-stretch: 88%;
  }
  footer ul {
    flex: 2 1 220px;
    margin: 0;
    padding: 16px 24px;
    list-style: none;
  }
  footer ul b {
    color: var(--ink);
  }
  form {
    display: flex;
  }
  .off {
    padding: 0 20px;
    border: 0;
    background: none;
    color: var(--soft);
    font-size: 18px;
  }
  .onward {
    display: grid;
    align-content: center;
    min-width: min(320px, 100vw);
    padding: 14px 30px;
    border: 0;
    background: var(--ink);
    color: var(--paper);
    text-align: left;
    text-decoration: none;
  }
  .onward strong {
    font-size: clamp(48px, 7vw, 76px);
    line-height: 1;
  }
  .onward span {
    max-width: 17em;
    font-size: 18px;
    font-stretch: 88%;
  }
  @media (max-width: 720px) {
    .what {
      grid-template-columns: minmax(0, 1fr);
      gap: 14px;
    }
    .item {
      padding: 14px 0 0;
      border-top: 2px solid var(--ink);
      border-left: 0;
    }
    .who {
      display: flex;
      gap: 14px;
      align-items: baseline;
    }
    .who b {
      font-size: 90px;
    }
  }
  /* what leads on is as wide as the screen where it stands in a line of its own */
  @media (max-width: 900px) {
    footer form:last-child,
    .onward {
      flex: 1 1 100%;
    }
  }
</style>

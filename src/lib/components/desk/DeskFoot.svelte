<!-- The desk's lower edge: what can be done besides, where what was played stands, and the time. -->
<script lang="ts">
  import { lastAnswered } from '$lib/core/practice';
  import type { DeskSession } from '$lib/state/desk.svelte';
  import QueueWords from './QueueWords.svelte';
  import type { Face } from './desk-keys';
  import { sayClock } from './minutes';

  let {
    session,
    face,
    home,
    isLeaving,
    onLeave,
    onShorter,
    onNotToday,
    onHurts,
    onSpot,
    onRun,
    onPitch,
    onKeys
  }: {
    session: DeskSession;
    face: Face;
    home: string;
    /** The block is being ended before its time. */
    isLeaving: boolean;
    onLeave: (isLeaving: boolean) => void;
    onShorter: () => void;
    onNotToday: () => void;
    onHurts: () => void;
    /** Null where nothing is played that has bars. */
    onSpot: (() => unknown) | null;
    /** Null where there are no bars to be run. */
    onRun: (() => unknown) | null;
    onPitch: () => unknown;
    onKeys: () => void;
  } = $props();

  const { block, standing } = $derived(session);
  const isAt = $derived(face !== 'first' && face !== 'none');
  /** What has no end of its own but the clock's. */
  const isByTurns = $derived(
    face === 'scales' || face === 'reading' || face === 'hunt' || face === 'drill' || face === 'run'
  );
  const canUndo = $derived(block?.run ? lastAnswered(block.run) !== undefined : false);
  const open = $derived((session.day?.blocks ?? []).filter((one) => !one.isDropped));
  const place = $derived(open.findIndex((one) => one.id === block?.id) + 1);
</script>

<footer>
  {#if isAt}
    {#if face !== 'end'}
      {#if onSpot}<button onclick={onSpot}>spot</button>{/if}
      {#if onRun}<button onclick={onRun}>record</button>{/if}
      <button onclick={onPitch}>pitch</button>
      {#if face !== 'run'}<button onclick={session.undo} disabled={!canUndo}>undo</button>{/if}
      {#if standing?.phase === 'ending'}<button onclick={() => session.move({ kind: 'leave-it' })}
          >leave it</button
        >{:else if standing?.phase === 'at-rest' || isByTurns}<button onclick={() => onLeave(true)}
          >next</button
        >{:else}<button onclick={onShorter}>shorter</button>{/if}
    {:else if isLeaving}<button onclick={() => onLeave(false)}>back to it</button>{/if}
    <button onclick={onNotToday}>not today</button>
    <button onclick={onHurts}>it hurts</button>
  {:else if face === 'first'}<a href={home} data-sveltekit-reload>to the day</a>{/if}
  <button class="keys" onclick={onKeys}>keys</button>
  <span class="state"><QueueWords state={session.line.state} /></span>
  {#if isAt}<span class="time"
      >{#if face !== 'timed'}<b>{sayClock(session.secondsLeft)}</b>&nbsp;left,&nbsp;{/if}block {place} of {open.length}</span
    >{/if}
</footer>

<style>
  footer {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 0 4px;
    min-height: 60px;
    padding: 0 16px;
    border-top: 1px solid var(--rule);
    font-size: 20px;
    font-stretch: 88%;
  }
  button,
  a {
    display: inline-grid;
    align-content: center;
    min-height: 48px;
    padding: 0 14px;
    border: 0;
    background: none;
    color: inherit;
    text-decoration: none;
  }
  button + button {
    border-left: 1px solid var(--rule);
  }
  button:disabled {
    color: var(--soft);
    opacity: 0.6;
  }
  .state {
    margin-left: 14px;
  }
  .time {
    margin-left: auto;
  }
  @media (max-width: 720px) {
    footer {
      padding-bottom: 8px;
      font-size: 17px;
    }
    button,
    a {
      padding: 0 10px;
    }
    .keys {
      display: none;
    }
    .state {
      margin-left: 10px;
    }
  }
</style>

<!-- The end of a session: what was done, which dates moved, and tomorrow with what to lay ready. -->
<script lang="ts">
  import type { DeskDay } from '$lib/core/practice';
  import { dayOf, sayDate } from '$lib/core/units';
  import type { DeskAnswer } from '$lib/schema/desk';
  import { layReady } from '$lib/components/today/lay-ready';
  import Moves from '$lib/components/countback/Moves.svelte';
  import { isAlone } from '$lib/state/heard-by';
  import type { TodayView } from '$lib/schema/view';

  let {
    view,
    day,
    answer,
    isHurt,
    home,
    onGoOn
  }: {
    view: TodayView;
    day: DeskDay;
    answer: DeskAnswer | null;
    isHurt: boolean;
    home: string;
    /** Null where all of the day is done. */
    onGoOn: (() => void) | null;
  } = $props();

  const played = $derived(day.blocks.filter((block) => block.run?.end));
  const minutes = $derived(Math.round(played.reduce((sum, block) => sum + block.run!.seconds, 0) / 60));
  const tomorrow = $derived(view.tomorrow.roadMap);
  const sum = $derived(tomorrow.reduce((total, block) => total + block.minutes, 0));
</script>

<div class="end">
  <h1>{onGoOn ? 'Enough for now' : 'The day is done'}</h1>
  <p>
    {minutes}
    {minutes === 1 ? 'minute' : 'minutes'} in {played.length}
    {played.length === 1 ? 'block' : 'blocks'}.
    {#if answer?.isLaid}The plan is laid again from what holds{answer.isHere ? ', on this device' : ''}.{/if}
  </p>
  {#each answer?.notLogged ?? [] as { block, says } (block)}<p role="alert">{says}</p>{/each}
  {#if answer && answer.moves.length > 0}<Moves moves={answer.moves} cause="this session" />{/if}
  {#if isHurt}<p>
      {isAlone() ? 'Rest.' : 'Rest, and tell your teacher.'} Where it lasts, see a licensed health professional
      before you play again.
    </p>{/if}
  <h2>Tomorrow, {sayDate(dayOf(view.tomorrow.date))}</h2>
  {#if tomorrow.length > 0}
    <p>{sum} minutes: {tomorrow.map((block) => `${block.name} ${block.minutes}`).join(' · ')}</p>
    <p><b>Lay ready:</b> {layReady(view).join(' · ')}</p>
  {:else}<p>A day without practice.</p>{/if}
  <p class="ways">
    {#if onGoOn && !isHurt}<button onclick={onGoOn}>Go on after all</button>{/if}
    <a href={home} data-sveltekit-reload>To the day</a>
  </p>
</div>

<style>
  .end {
    display: grid;
    flex: 1;
    align-content: center;
    gap: 10px;
    max-width: 860px;
    padding: 24px;
    overflow: auto;
    font-size: 20px;
  }
  h1 {
    font-size: clamp(36px, 6vw, 64px);
  }
  h2 {
    margin-top: 20px;
    padding-top: 14px;
    border-top: 6px double var(--ink);
    font-size: 26px;
  }
  .ways {
    display: flex;
    align-items: center;
    gap: 28px;
    margin-top: 12px;
  }
  button {
    min-height: 56px;
    padding: 0 24px;
    border: 2px solid var(--ink);
    background: none;
  }
</style>

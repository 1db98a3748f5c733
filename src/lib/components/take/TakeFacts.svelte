<!-- What can be done with a take besides: kept, its bars set by hand, sent to one listener, and what they said. -->
<script lang="ts">
  import { type Milliseconds, dayOf, formatDate, sayBars, sayDate } from '$lib/core/units';
  import ShareLink from '$lib/components/ui/ShareLink.svelte';
  import type { SharedLink, TakeView } from '$lib/schema/view';
  import { send } from '$lib/state/send';
  import { sayMs } from './systems';

  export type Answered = {
    /** A link that was made just now; it is shown this once. */
    readonly link?: SharedLink | undefined;
    readonly shareFault?: string | undefined;
    readonly fault?: string | undefined;
    readonly heardFault?: string | undefined;
  };
  let {
    view,
    nowMs,
    bar,
    barOf,
    answered
  }: {
    view: TakeView;
    nowMs: Milliseconds;
    /** The bar that sounds now. */
    bar: number | null;
    barOf: (atMs: Milliseconds) => number | null;
    answered: Answered;
  } = $props();

  let isSetting = $state(false);
  let isSending = $state(false);
  const { take, listener } = $derived(view);
  const hasBars = $derived(barOf(take.musicAtMs) !== null);
  const remarks = $derived(
    view.marks.filter(
      ({ says, by, spotId, isOwn }) => says !== '' && (by !== '' || spotId !== null || !isOwn)
    )
  );
  const barsOf = (atMs: number) => {
    const at = barOf(atMs);
    return at === null ? null : { fromBar: at, toBar: at };
  };
  const until = $derived(
    listener ? sayDate(dayOf(formatDate(Math.floor(listener.endsMs / 86_400_000)))) : ''
  );
</script>

{#each remarks as remark (remark.id)}
  {@const bars = barsOf(remark.atMs)}
  <form class="remark" method="POST" action="?/remark" use:send>
    <b>{bars ? sayBars(bars) : sayMs(remark.atMs)}</b> <bdi>{remark.says}</bdi>
    <span class="soft"
      ><bdi>{remark.by || (remark.isOwn ? '' : view.isTeaching ? 'the player' : 'the teacher')}</bdi></span
    >
    {#if remark.spotId !== null}<span class="soft">a spot</span>{:else if bars && remark.by !== ''}
      <input type="hidden" name="mark" value={remark.id} />
      <input type="hidden" name="fromBar" value={bars.fromBar} />
      <input type="hidden" name="toBar" value={bars.toBar} />
      <button class="quiet">make it a spot</button>{/if}
  </form>
{/each}
{#if view.run}
  {#if view.isTeaching}
    <form class="facts" method="POST" action="?/heard" use:send>
      <span
        >{view.run.isHeard
          ? `Heard by you: ${view.run.isClean ? 'clean' : 'not clean where you marked it'}. Again:`
          : 'You have heard it, and it was'}</span
      >
      <button class="quiet" name="isClean" value="1">clean</button>
      <button class="quiet" name="isClean" value="">not clean where I marked it</button>
      {#if answered.heardFault}<span role="alert">{answered.heardFault}</span>{/if}
    </form>
  {:else if view.run.isHeard}<p class="facts">
      Heard by the teacher: {view.run.isClean ? 'clean' : 'not everywhere clean'}.
    </p>{/if}
{/if}
<div class="facts">
  <form method="POST" action="?/keep" use:send>
    <input type="hidden" name="isKept" value={take.isKept ? '' : '1'} />
    {take.isKept
      ? 'Kept until it is taken out.'
      : take.goesOn
        ? `Stays until ${sayDate(dayOf(take.goesOn))}.`
        : 'Stays for now.'}
    <button class="quiet">{take.isKept ? 'need not be kept' : 'keep it'}</button>
  </form>
  {#if hasBars}<button class="quiet" aria-expanded={isSetting} onclick={() => (isSetting = !isSetting)}
      >the bars are not right?</button
    >{/if}
  {#if isSetting || !hasBars}
    <form method="POST" action="?/bar" use:send>
      <label
        >At {sayMs(nowMs)} begins bar
        <input name="bar" inputmode="numeric" size="4" value={bar ?? take.fromBar} /></label
      >
      <input type="hidden" name="atMs" value={Math.round(nowMs)} />
      <button class="quiet">set</button>
    </form>
  {/if}
  {#if answered.fault}<span role="alert">{answered.fault}</span>{/if}
  {#if listener}
    <form method="POST" action="?/endSharing" use:send>
      <bdi>{listener.name}</bdi> can hear it until {until}. <button class="quiet">end it</button>
    </form>
  {:else if take.lengthMs !== null}
    <button class="quiet" aria-expanded={isSending} onclick={() => (isSending = !isSending)}
      >send it to somebody</button
    >
  {/if}
</div>
{#if answered.link}<ShareLink
    id="listen-link"
    label="Link to this take; shown only now"
    link={answered.link}
  />
{:else if isSending && !listener}
  {#if view.maySend}
    <form class="send" method="POST" action="?/share" use:send={{ reset: false }}>
      <label>For <input name="name" maxlength="120" required dir="auto" /></label>
      <button class="action">Make a link</button>
      <span class="soft"
        >It opens this take for a fortnight, or until you end it, without an account; no download is offered,
        but who listens can record.</span
      >
      {#if answered.shareFault}<span role="alert">{answered.shareFault}</span>{/if}
    </form>
  {:else}<p class="soft">
      No take of a minor is sent to anybody before a guardian has said yes to that: the teacher notes the day
      of it with the candidate.
    </p>{/if}
{/if}

<style>
  .facts,
  .remark,
  .send {
    display: flex;
    flex-wrap: wrap;
    gap: 2px 24px;
    align-items: baseline;
    margin: 10px 0 6px 40px;
    font-size: 15px;
  }
  .facts {
    color: var(--soft);
  }
  .remark {
    gap: 2px 12px;
    margin-block: 4px;
    font-size: 18px;
  }
  @media (max-width: 720px) {
    .facts,
    .remark,
    .send {
      margin-left: 8px;
    }
  }
</style>

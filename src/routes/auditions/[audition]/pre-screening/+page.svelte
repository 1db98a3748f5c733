<script lang="ts">
  import SentItem from '$lib/components/around/SentItem.svelte';
  import UndoLine from '$lib/components/ui/UndoLine.svelte';
  import { dayOf, sayDate } from '$lib/core/units';
  import type { Undo } from '$lib/schema/view';
  import { send } from '$lib/state/send';
  import type { ActionData, PageData } from './$types';

  let { data, form }: { data: PageData; form: ActionData } = $props();
  const view = $derived(data.view);
  type Answered = { undo?: Undo; fault?: string };
  const answered = $derived((form ?? {}) as Answered);
  const round = $derived(view.round);
  const say = (date: string) => sayDate(dayOf(date));
  const daysTo = (date: string) => dayOf(date) - dayOf(view.today);
  function sayDays(date: string): string {
    const days = daysTo(date);
    if (days < 0) return 'is over';
    return days === 0 ? 'today' : days === 1 ? 'tomorrow' : `in ${days} days`;
  }
</script>

<svelte:head><title>The recorded round · {view.candidate.name} · Irvot</title></svelte:head>
{#if answered.undo}{#key answered.undo.token}<UndoLine
      token={answered.undo.token}
      says={answered.undo.says}
    />{/key}{/if}
{#if answered.fault}<p class="fault" role="alert">{answered.fault}</p>{/if}
{#if !round}
  <h2>No round is recorded</h2>
  <p>
    A round to which takes are sent has a last day for it:
    <a href="/auditions/{view.audition.id}/call">the call</a> has its dates.
  </p>
{:else}
  <h2>Send it on {say(round.sendOn)}, {sayDays(round.sendOn)}</h2>
  <p class="lead">
    <bdi>{round.name}</bdi>: the last day is {say(round.uploadBy)}, and the three between are for what goes
    wrong. Recorded on {say(round.date)}.
  </p>
  {#if view.rounds.length > 1}<p>
      {#each view.rounds.filter(({ id }) => id !== round.id) as other (other.id)}<a href="?round={other.id}"
          >{other.name}</a
        >
      {/each}
    </p>{/if}
  <p class="missing">
    {#if view.missing.length === 0}All of it is chosen.{:else}<b
        >{view.missing.length === 1 ? 'One is' : `${view.missing.length} are`} missing:</b
      >
      {view.missing.join('; ')}{/if}
  </p>
  {#each view.items as item (item.id)}<SentItem {item} round={round.id} audition={view.audition.id} />{/each}

  <form class="rules" method="POST" action="?/set" use:send={{ reset: false }}>
    <input type="hidden" name="round" value={round.id} />
    <label
      ><span>The call’s rules: one take, cuts, order</span><textarea name="rules" rows="3" dir="auto"
        >{round.rules}</textarea
      ></label
    >
    <label
      ><span
        >How files are named; &#123;name&#125;, &#123;instrument&#125;, &#123;item&#125; and
        &#123;number&#125; are filled in</span
      ><input name="pattern" maxlength="200" value={round.pattern} autocomplete="off" /></label
    >
    <button class="action">Keep it</button>
  </form>
  <p class="soft">
    Nothing is sent from here: what is chosen is saved on this device under its name, and uploaded where the
    call says.
  </p>
{/if}

<style>
  h2 {
    margin: 20px 0 2px;
    font-size: 1.7rem;
  }
  .lead {
    max-width: 80ch;
  }
  .missing {
    margin: 12px 0 20px;
    font-size: 1.1rem;
  }
  .rules {
    max-width: 640px;
    margin: 30px 0 14px;
  }
  .rules span {
    display: block;
    color: var(--soft);
    font-size: 0.87rem;
  }
  .rules label {
    display: block;
    margin-bottom: 10px;
  }
  .rules textarea,
  .rules input {
    width: 100%;
    min-height: 40px;
  }
</style>

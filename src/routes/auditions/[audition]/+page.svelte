<script lang="ts">
  import Away from '$lib/components/countback/Away.svelte';
  import Feed from '$lib/components/countback/Feed.svelte';
  import Countback from '$lib/components/countback/Countback.svelte';
  import Moves from '$lib/components/countback/Moves.svelte';
  import type { ActionData, PageData } from './$types';

  let { data, form }: { data: PageData; form: ActionData } = $props();
  let areMovesShown = $state(false);
  const view = $derived(data.view);
  const base = $derived(`/auditions/${view.audition.id}`);
  const isTeacher = $derived(data.who?.kind === 'teacher');
</script>

<svelte:head><title>Countback · {view.candidate.name} · Irvot</title></svelte:head>
{#if view.plan && view.plan.daysToGo !== null}
  {#if !view.candidate.hasTime}
    <p class="first">
      There are no practice times yet, so nothing can be dated. <a
        href="/candidates/{view.candidate.id}/time?from={view.audition.id}">Enter the week</a
      >
    </p>
  {/if}
  {#if form && 'says' in form}<p class="fault" role="alert">{form.says}</p>{/if}
  <Countback {view} plan={view.plan} canPin={isTeacher} moves={areMovesShown ? view.moves : []}>
    {#snippet between()}
      {#if isTeacher && view.plan?.short}
        <p class="moves"><a class="action" href="{base}/what-if">What would make it fit</a></p>
      {/if}
      {#if view.moves.length > 0}
        <div class="moves">
          <Moves moves={view.moves} cause={view.cause ?? ''} bind:isShown={areMovesShown} />
        </div>
      {/if}
    {/snippet}
  </Countback>
  <footer>
    <Away
      aways={view.aways}
      today={view.today}
      fault={form && 'awayFault' in form ? (form.awayFault ?? null) : null}
      undo={(form && 'undo' in form && form.undo) || null}
      candidateId={view.candidate.id}
    />
    <p>
      {#if isTeacher}<a href="{base}/what-if">What if ...</a> ·{/if}
      Plan {view.number}, for {view.cause}. <a href="{base}/layings">Earlier plans</a> ·
      <a href="{base}/plan.ics" download>Calendar file</a>
      (<a href="{base}/plan.ics?by=block" download>one event a block</a>) ·
      <a href="{base}/paper/week">Paper</a>
    </p>
    <Feed hasFeed={view.hasFeed} address={form && 'feed' in form ? (form.feed ?? null) : null} />
  </footer>
{:else if view.plan}
  <p class="first">
    Every round has taken place; what was logged stays here. <a href="{base}/log">To the log</a>
  </p>
{:else}
  <div class="first">
    <h2>Nothing to count back from yet</h2>
    {#if view.audition.rounds.length === 0}
      <p>
        {isTeacher ? 'First the call: at least one round with its date.' : 'Your teacher enters the call.'}
        <a href="{base}/call">To the call</a>
      </p>
    {:else}
      <p>
        {isTeacher
          ? 'The list is empty. Paste it as you have it, or enter it item by item.'
          : 'Your teacher enters the list.'}
      </p>
      {#if isTeacher}<p class="ways">
          <a class="action main" href="{base}/list/import">Paste the list</a>
          <a class="action" href="{base}/list/new">Add the first item</a>
        </p>{/if}
    {/if}
  </div>
{/if}

<style>
  .first {
    max-width: 60ch;
    margin: 24px 0;
    font-size: 1.07rem;
  }
  .first > * + * {
    margin-top: 8px;
  }
  .ways {
    display: flex;
    flex-wrap: wrap;
    gap: 10px 16px;
  }
  .moves {
    padding: 0 var(--targets) 10px var(--names);
    font-size: 0.93rem;
  }
  @media (max-width: 720px) {
    .moves {
      padding: 0 0 10px;
    }
  }
  footer {
    margin-top: 20px;
    color: var(--soft);
  }
  footer p {
    margin-top: 8px;
  }
</style>

<script lang="ts">
  import Countback from '$lib/components/countback/Countback.svelte';
  import Moves from '$lib/components/countback/Moves.svelte';
  import { dayOf, sayLongDate } from '$lib/core/units';
  import type { PageData } from './$types';

  let { data }: { data: PageData } = $props();
  const view = $derived(data.view);
</script>

<svelte:head><title>Plan {view.number} · {view.candidate.name} · Irvot</title></svelte:head>
<p class="which">
  <strong>Plan {view.number}, as it was on {view.plan ? sayLongDate(dayOf(view.plan.today)) : ''}</strong>,
  for {view.cause}.
  <a href="/auditions/{view.audition.id}">To the plan as it is now</a> ·
  <a href="/auditions/{view.audition.id}/layings">All plans</a>
</p>
{#if view.plan && view.plan.nextRoundId && view.audition.rounds.some((r) => r.id === view.plan?.nextRoundId)}
  <Countback {view} plan={view.plan} />
{:else}
  <p>Its round is no longer part of the call, so it cannot be drawn; what moved is below.</p>
{/if}
<Moves moves={view.moves} cause={view.cause ?? ''} isShown />

<style>
  .which {
    margin: 12px 0;
    padding: 6px 12px;
    border-left: 4px solid var(--ink);
    background: var(--ground);
  }
</style>

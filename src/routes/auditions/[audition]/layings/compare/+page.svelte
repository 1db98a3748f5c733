<script lang="ts">
  import Comparison from '$lib/components/countback/Comparison.svelte';
  import { dayOf, sayLongDate } from '$lib/core/units';
  import type { PageData } from './$types';

  let { data }: { data: PageData } = $props();
  const view = $derived(data.view);
  const base = $derived(`/auditions/${view.audition.id}/layings`);
</script>

<svelte:head><title>Two plans · {view.candidate.name} · Irvot</title></svelte:head>
<h2>Plan {view.a.number} beside plan {view.b.number}</h2>
<p class="soft"><a href={base}>All plans</a></p>
<div class="heads">
  {#each [view.a, view.b] as side (side.number)}
    <div>
      <h3><a href="{base}/{side.number}">Plan {side.number}</a></h3>
      <p>{sayLongDate(dayOf(side.laidOn))}, for {side.cause}.</p>
      {#each side.reasons as says (says)}<p><strong>{says}</strong></p>{:else}<p class="soft">
          The plan fits.
        </p>{/each}
    </div>
  {/each}
</div>
<Comparison sides={view.sides} a={view.a.number} b={view.b.number} />

<style>
  h2 {
    margin-top: 20px;
  }
  .heads {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 32px;
    margin: 12px 0 16px;
  }
  .heads > div {
    padding-top: 8px;
    border-top: 1.5px solid var(--ink);
  }
  @media (max-width: 720px) {
    .heads {
      gap: 16px;
    }
  }
</style>

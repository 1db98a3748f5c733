<script lang="ts">
  import WhatIf from '$lib/components/whatif/WhatIf.svelte';
  import type { ActionData, PageData } from './$types';

  let { data, form }: { data: PageData; form: ActionData } = $props();
</script>

<svelte:head><title>What if · {data.view.candidate.name} · Irvot</title></svelte:head>
{#if data.scratch.plan && data.scratch.plan.daysToGo !== null}
  <WhatIf
    view={data.view}
    facts={data.scratch.facts}
    parts={data.scratch.parts}
    plan={data.scratch.plan}
    proposed={data.proposed}
    fault={form?.says ?? null}
  />
{:else}
  <p class="first">
    {data.scratch.plan
      ? 'Every round has taken place: there is nothing left to try.'
      : 'There is no plan yet to try things on.'}
    <a href="/auditions/{data.view.audition.id}">To the countback</a>
  </p>
{/if}

<style>
  .first {
    max-width: 60ch;
    margin: 24px 0;
    font-size: 1.07rem;
  }
</style>

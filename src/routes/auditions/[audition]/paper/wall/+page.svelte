<script lang="ts">
  import WallChart from '$lib/components/paper/WallChart.svelte';
  import type { PageData } from './$types';

  let { data }: { data: PageData } = $props();
</script>

<svelte:head><title>The wall chart · {data.head.candidateName} · Irvot</title></svelte:head>
{#if data.paper.plan && data.paper.plan.daysToGo !== null}<WallChart
    plan={data.paper.plan}
    dates={data.paper.dates}
  />{:else}<p>
    {data.paper.plan ? 'Every round has taken place.' : 'There is no plan yet.'}
  </p>{/if}

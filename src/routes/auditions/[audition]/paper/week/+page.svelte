<script lang="ts">
  import WeekSheet from '$lib/components/paper/WeekSheet.svelte';
  import type { PageData } from './$types';

  let { data }: { data: PageData } = $props();
</script>

<svelte:head><title>The week on paper · {data.head.candidateName} · Irvot</title></svelte:head>
{#if data.paper.plan && data.paper.plan.daysToGo !== null}<WeekSheet
    plan={data.paper.plan}
    dates={data.paper.dates}
    lessons={data.paper.lessons}
  />{:else}<p>{data.paper.plan ? 'Every round has taken place.' : 'There is no plan yet.'}</p>{/if}

<script lang="ts">
  import Panel from '$lib/components/mock/Panel.svelte';
  import type { PageData } from './$types';

  let { data }: { data: PageData } = $props();
  const { mock, audition, nextOne, today, mayRecord } = $derived(data.view);
  const owner = $derived(data.who?.drafts.accountId);
</script>

<svelte:head><title>The run · candidate {mock.number} · Irvot</title></svelte:head>
<Panel
  {mock}
  {nextOne}
  home="/auditions/{audition.id}/mocks"
  recording={owner && mayRecord ? { owner, date: today } : null}
/>

<script lang="ts">
  import Panel from '$lib/components/mock/Panel.svelte';
  import type { PageData } from './$types';

  let { data }: { data: PageData } = $props();
</script>

<svelte:head><title>The run · candidate {data.view.mock.number} · Irvot</title></svelte:head>
<Panel mock={data.view.mock} home="/auditions/{data.view.audition.id}/mocks" />

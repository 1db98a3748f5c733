<script lang="ts">
  import Stand from '$lib/components/mock/Stand.svelte';
  import type { PageData } from './$types';

  let { data }: { data: PageData } = $props();
</script>

<svelte:head><title>{data.view.mock.name} · Irvot</title></svelte:head>
<Stand mock={data.view.mock} home="/auditions/{data.view.audition.id}/mocks" />

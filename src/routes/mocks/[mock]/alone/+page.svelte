<script lang="ts">
  import Alone from '$lib/components/mock/Alone.svelte';
  import type { PageData } from './$types';

  let { data }: { data: PageData } = $props();
  const { audition, ...view } = $derived(data.view);
</script>

<svelte:head><title>{view.mock.name} · Irvot</title></svelte:head>
<Alone {...view} owner={data.who?.drafts.accountId ?? ''} home="/auditions/{audition.id}/mocks" />

<script lang="ts">
  import { page } from '$app/state';
  import Ballot from '$lib/components/mock/Ballot.svelte';
  import type { PageData } from './$types';

  let { data }: { data: PageData } = $props();
</script>

<svelte:head><title>Ballot, candidate {data.view.number} · Irvot</title></svelte:head>
<Ballot view={data.view} token={page.params.token!} />

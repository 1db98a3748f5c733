<script lang="ts">
  import { page } from '$app/state';
  import Ballots from '$lib/components/mock/Ballots.svelte';
  import type { PageData } from './$types';

  let { data }: { data: PageData } = $props();
  const root = $derived(`/ballot/${page.params.token}`);
</script>

<svelte:head><title>Ballot, candidate {data.view.ballots[0]?.number} · Irvot</title></svelte:head>
<Ballots
  view={data.view}
  place={root}
  write="{root}/write"
  now="{root}/now"
  here="{root}/here"
  soundOf={(ballot, item) => `${root}/sound?of=${ballot.id}&item=${item}`}
/>

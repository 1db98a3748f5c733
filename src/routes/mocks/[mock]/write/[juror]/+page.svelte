<script lang="ts">
  import { page } from '$app/state';
  import Ballots from '$lib/components/mock/Ballots.svelte';
  import type { PageData } from './$types';

  let { data }: { data: PageData } = $props();
  const root = $derived(`/mocks/${page.params.mock}/write/${page.params.juror}`);
</script>

<svelte:head><title>{data.view.juror}’s ballot · Irvot</title></svelte:head>
<Ballots
  view={data.view}
  place={root}
  write="{root}/kept"
  now={null}
  here={null}
  home="/auditions/{data.auditionId}/mocks"
  soundOf={(_, item) => (data.takes[item] ? `/takes/${data.takes[item]}/sound` : null)}
/>

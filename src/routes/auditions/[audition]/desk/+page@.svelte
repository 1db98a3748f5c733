<script lang="ts">
  import Desk from '$lib/components/desk/Desk.svelte';
  import { playerOf } from '$lib/state/desk.svelte';
  import type { PageData } from './$types';

  let { data }: { data: PageData } = $props();
</script>

<svelte:head><title>At the desk · {data.view.candidate.name} · Irvot</title></svelte:head>
<Desk view={data.view} player={playerOf(data.who, data.toldIn)} />

<script lang="ts">
  import Today from '$lib/components/today/Today.svelte';
  import { playerOf } from '$lib/state/desk.svelte';
  import type { PageData } from './$types';

  let { data }: { data: PageData } = $props();
</script>

<svelte:head><title>Today · {data.view.candidate.name} · Irvot</title></svelte:head>
<!-- the studio’s day after the device’s is begun anew -->
{#key data.answeredBy}<Today view={data.view} player={playerOf(data.who, data.toldIn)} />{/key}

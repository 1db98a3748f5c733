<script lang="ts">
  import SideBySide from '$lib/components/take/SideBySide.svelte';
  import type { PageData } from './$types';

  let { data }: { data: PageData } = $props();
</script>

<svelte:head><title>First and latest · {data.view.item.name} · Irvot</title></svelte:head>
<SideBySide view={data.view} />
<p><a href="/auditions/{data.view.audition.id}/takes">All takes</a></p>

<style>
  a {
    display: inline-block;
    padding: 10px 0;
  }
</style>

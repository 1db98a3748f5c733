<script lang="ts">
  import Listen from '$lib/components/take/Listen.svelte';
  import type { ActionData, PageData } from './$types';

  let { data, form }: { data: PageData; form: ActionData } = $props();
</script>

<svelte:head><title>{data.view.item.name} · a take · {data.view.candidate.name} · Irvot</title></svelte:head>
<Listen view={data.view} home={data.home} answered={form ?? {}} />

<script lang="ts">
  import NoteSheet from '$lib/components/paper/NoteSheet.svelte';
  import type { PageData } from './$types';

  let { data }: { data: PageData } = $props();
</script>

<svelte:head><title>The lesson note · {data.head.candidateName} · Irvot</title></svelte:head>
<NoteSheet plan={data.paper.plan} today={data.paper.today} notes={data.paper.notes} />

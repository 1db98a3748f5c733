<script lang="ts">
  import PianoSheet from '$lib/components/paper/PianoSheet.svelte';
  import type { PageData } from './$types';

  let { data }: { data: PageData } = $props();
</script>

<svelte:head><title>For the accompanist · {data.head.candidateName} · Irvot</title></svelte:head>
<PianoSheet sheet={data.sheet} />

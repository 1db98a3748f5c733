<script lang="ts">
  import PrepareEvening from '$lib/components/mock/PrepareEvening.svelte';
  import type { ActionData, PageData } from './$types';

  let { data, form }: { data: PageData; form: ActionData } = $props();
</script>

<svelte:head><title>A mock evening · Irvot</title></svelte:head>
<PrepareEvening {...data} fault={form?.fault ?? ''} />

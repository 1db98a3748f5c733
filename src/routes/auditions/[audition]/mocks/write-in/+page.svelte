<script lang="ts">
  import WriteIn from '$lib/components/mock/WriteIn.svelte';
  import type { ActionData, PageData } from './$types';

  let { data, form }: { data: PageData; form: ActionData } = $props();
</script>

<svelte:head><title>A mock from paper · {data.view.candidate.name} · Irvot</title></svelte:head>
<WriteIn view={data.view} fault={form?.fault ?? ''} />

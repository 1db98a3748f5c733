<script lang="ts">
  import PasteList from '$lib/components/list/PasteList.svelte';
  import type { ActionData, PageData } from './$types';

  let { data, form }: { data: PageData; form: ActionData } = $props();
</script>

<svelte:head><title>Paste a list · {data.list.call.name} · Irvot</title></svelte:head>
<PasteList form={data.form} answer={form} today={data.list.today} of={data.list.call.id} isUntaken />

<script lang="ts">
  import ItemEditor from '$lib/components/list/ItemEditor.svelte';
  import type { PageData } from './$types';

  let { data }: { data: PageData } = $props();
</script>

<svelte:head><title>{data.name} · Irvot</title></svelte:head>
<ItemEditor
  title={data.name}
  form={data.form}
  draftKey="item {data.itemId}"
  takers={data.takers}
  planned={data.planned}
  log={data.log}
  today={data.head.today}
  auditionId={data.head.auditionId}
  candidateName={data.head.candidateName}
  back="/auditions/{data.head.auditionId}/list"
  canRemove
/>

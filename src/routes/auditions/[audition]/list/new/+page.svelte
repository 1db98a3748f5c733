<script lang="ts">
  import ItemEditor from '$lib/components/list/ItemEditor.svelte';
  import type { PageData } from './$types';

  let { data }: { data: PageData } = $props();
</script>

<svelte:head><title>A new item · Irvot</title></svelte:head>
<ItemEditor
  title="A new item"
  form={data.form}
  today={data.head.today}
  instruments={data.head.instruments}
  draftKey="item new {data.head.auditionId}"
  back="/auditions/{data.head.auditionId}/list"
/>

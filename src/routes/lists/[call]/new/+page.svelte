<script lang="ts">
  import ItemEditor from '$lib/components/list/ItemEditor.svelte';
  import type { PageData } from './$types';

  let { data }: { data: PageData } = $props();
</script>

<svelte:head><title>A new item · {data.list.call.name} · Irvot</title></svelte:head>
<ItemEditor
  title="A new item"
  form={data.form}
  today={data.list.today}
  draftKey="item new {data.list.call.id}"
  back="/lists/{data.list.call.id}"
  isUntaken
/>

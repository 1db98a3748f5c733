<script lang="ts">
  import ItemEditor from '$lib/components/list/ItemEditor.svelte';
  import { page } from '$app/state';
  import type { PageData } from './$types';

  let { data }: { data: PageData } = $props();
</script>

<svelte:head><title>{data.name} · Irvot</title></svelte:head>
<ItemEditor
  title={data.name}
  form={data.form}
  today={data.list.today}
  draftKey="item {page.params.item}"
  back="/lists/{data.list.call.id}"
  canRemove
  isUntaken
/>

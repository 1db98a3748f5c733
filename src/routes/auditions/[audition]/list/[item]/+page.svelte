<script lang="ts">
  import ItemEditor from '$lib/components/list/ItemEditor.svelte';
  import type { ActionData, PageData } from './$types';

  let { data, form }: { data: PageData; form: ActionData } = $props();
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
  instruments={data.head.instruments}
  auditionId={data.head.auditionId}
  candidateName={data.head.candidateName}
  back="/auditions/{data.head.auditionId}/list"
  effects={form && 'effects' in form ? form.effects : null}
  canRemove
/>

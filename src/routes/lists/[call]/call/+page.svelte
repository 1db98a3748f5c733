<script lang="ts">
  import CallEditor from '$lib/components/call/CallEditor.svelte';
  import type { PageData } from './$types';

  let { data }: { data: PageData } = $props();
</script>

<svelte:head><title>The call · {data.list.call.name} · Irvot</title></svelte:head>
<h2>The call</h2>
<CallEditor
  form={data.form}
  items={data.list.items}
  zones={data.zones}
  zone={data.list.zone}
  draftKey="call {data.list.call.id}"
  saveLabel="Save"
/>

<style>
  h2 {
    margin: 20px 0 10px;
  }
</style>

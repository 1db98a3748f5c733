<script lang="ts">
  import CallEditor from '$lib/components/call/CallEditor.svelte';
  import type { PageData } from './$types';

  let { data }: { data: PageData } = $props();
</script>

<svelte:head><title>A new list · Irvot</title></svelte:head>
<div class="page">
  <p><a href="/lists">Lists</a></p>
  <h1>A new list</h1>
  <p class="soft">Its call first, its items next; candidates take it when it is theirs.</p>
  <h2>The call</h2>
  <CallEditor
    form={data.form}
    items={[]}
    zones={data.zones}
    zone={data.zone}
    draftKey="call new untaken"
    saveLabel="Save, and enter the list"
  />
</div>

<style>
  h2 {
    margin: 20px 0 10px;
  }
</style>

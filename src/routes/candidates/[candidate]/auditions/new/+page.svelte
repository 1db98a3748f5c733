<script lang="ts">
  import CallEditor from '$lib/components/call/CallEditor.svelte';
  import type { PageData } from './$types';

  let { data }: { data: PageData } = $props();
</script>

<svelte:head><title>A new audition · Irvot</title></svelte:head>
<div class="page">
  <p><a href="/candidates/{data.candidate.id}"><bdi>{data.candidate.name}</bdi></a></p>
  <h1>A new audition</h1>
  <h2 class="hidden">The call</h2>
  <p class="soft">
    Its date is what everything is counted back from. Put in what is known; the rest can follow.
  </p>
  <CallEditor
    form={data.form}
    items={[]}
    zones={data.zones}
    zone={data.candidate.zone}
    draftKey="call new {data.candidate.id}"
    saveLabel="Save"
  />
</div>

<script lang="ts">
  import TimeEditor from '$lib/components/time/TimeEditor.svelte';
  import type { PageData } from './$types';

  let { data }: { data: PageData } = $props();
</script>

<svelte:head><title>Time · {data.candidate.name} · Irvot</title></svelte:head>
<div class="page">
  <p>
    {#if data.from}<a href="/auditions/{data.from.id}">Back to the countback of {data.from.name}</a>{:else}<a
        href="/candidates/{data.candidate.id}"><bdi>{data.candidate.name}</bdi></a
      >{/if}
  </p>
  <h1>Time of <bdi>{data.candidate.name}</bdi></h1>
  <p class="soft">
    Real minutes, not wishes: the plan is laid inside them. It serves every audition of this candidate.
  </p>
  <TimeEditor form={data.form} draftKey="time {data.candidate.id}" />
</div>

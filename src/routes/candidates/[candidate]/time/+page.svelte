<script lang="ts">
  import SeasonHead from '$lib/components/season/SeasonHead.svelte';
  import TimeEditor from '$lib/components/time/TimeEditor.svelte';
  import type { PageData } from './$types';

  let { data }: { data: PageData } = $props();
</script>

<svelte:head><title>Time · {data.candidate.name} · Irvot</title></svelte:head>
<div class="page" class:headed={data.head}>
  {#if data.head}
    <SeasonHead head={data.head} isTeacher={data.who?.kind === 'teacher'} isAlone={data.who?.isAlone} />
  {:else}
    <h1><a href="/candidates/{data.candidate.id}"><bdi>{data.candidate.name}</bdi></a></h1>
  {/if}
  <div class="title">
    <h2>Time</h2>
    <p class="soft">
      Real minutes, not wishes: the plan is laid inside them. It serves every audition of this candidate.
    </p>
  </div>
  <TimeEditor
    form={data.form}
    draftKey="time {data.candidate.id}"
    instruments={data.candidate.instruments}
    today={data.today}
    from={data.head?.auditionId ?? null}
  />
</div>

<style>
  .headed {
    padding-top: 0;
  }
  .title {
    display: flex;
    flex-wrap: wrap;
    gap: 2px 16px;
    align-items: baseline;
    margin-top: 20px;
  }
</style>

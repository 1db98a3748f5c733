<script lang="ts">
  import { send } from '$lib/state/send';
  import CallEditor from '$lib/components/call/CallEditor.svelte';
  import { dayOf, sayDate } from '$lib/core/units';
  import type { PageData } from './$types';

  let { data }: { data: PageData } = $props();
</script>

<svelte:head><title>A new audition · Irvot</title></svelte:head>
<div class="page">
  <p><a href="/candidates/{data.candidate.id}"><bdi>{data.candidate.name}</bdi></a></p>
  <h1>A new audition</h1>
  {#if data.candidate.calls.length > 0}
    <section>
      <h2>Take a list the studio has</h2>
      {#each data.candidate.calls as call (call.id)}
        <form method="POST" action="?/take" use:send>
          <input type="hidden" name="call" value={call.id} />
          <span
            ><strong>{call.name}</strong>
            <span class="soft"
              >{call.round
                ? `${call.round.name}, ${call.round.isWeek ? 'week of ' : ''}${sayDate(dayOf(call.round.date))}`
                : 'no round yet'} · {call.items}
              {call.items === 1 ? 'item' : 'items'}{call.takers.length > 0
                ? ` · taken by ${call.takers.join(', ')}`
                : ''}</span
            ></span
          >
          <button class="action" aria-label="Take {call.name}">Take it</button>
        </form>
      {/each}
    </section>
  {/if}
  <h2 class:hidden={data.candidate.calls.length === 0}>A new call</h2>
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

<style>
  section {
    max-width: 720px;
    margin: 14px 0 28px;
  }
  section form {
    display: flex;
    gap: 16px;
    align-items: center;
    justify-content: space-between;
    padding: 8px 0;
    border-bottom: 1px solid var(--rule);
  }
  section .action {
    white-space: nowrap;
  }
</style>

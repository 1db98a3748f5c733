<script lang="ts">
  import CallEditor from '$lib/components/call/CallEditor.svelte';
  import { dayOf, sayDate } from '$lib/core/units';
  import type { PageData } from './$types';

  let { data }: { data: PageData } = $props();
  const call = $derived(data.call);
</script>

<svelte:head><title>Call · {call.candidate.name} · Irvot</title></svelte:head>
<h2>The call</h2>
{#if data.who?.kind === 'teacher'}
  <CallEditor
    form={data.form}
    items={call.items}
    zones={data.zones}
    zone={call.candidate.zone}
    draftKey="call {call.audition.id}"
    saveLabel="Save and lay the plan again"
  />
{:else}
  <table>
    <thead><tr><th scope="col">when</th><th scope="col">what</th><th scope="col">hears</th></tr></thead>
    <tbody>
      {#each call.audition.rounds as round (round.id)}
        <tr>
          <td
            >{sayDate(dayOf(round.date))}{round.time ? `, ${round.time}` : ''}
            <span class="soft">{round.zone}</span></td
          >
          <td>{round.name}</td>
          <td
            >{round.itemIds
              ? call.items
                  .filter((i) => round.itemIds?.includes(i.id))
                  .map((i) => i.name)
                  .join(', ')
              : 'the whole list'}</td
          >
        </tr>
      {/each}
      {#each call.audition.dates as date (date.date + date.name)}
        <tr><td>{sayDate(dayOf(date.date))}</td><td>{date.name}</td><td></td></tr>
      {/each}
    </tbody>
  </table>
{/if}

<style>
  h2 {
    margin-top: 20px;
  }
</style>

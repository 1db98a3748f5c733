<script lang="ts">
  import CallPage from '$lib/components/call/CallPage.svelte';
  import CallEditor from '$lib/components/call/CallEditor.svelte';
  import SharedBy from '$lib/components/list/SharedBy.svelte';
  import { dayOf, sayDate } from '$lib/core/units';
  import type { ActionData, PageData } from './$types';

  let { data, form }: { data: PageData; form: ActionData } = $props();
  const call = $derived(data.call);
</script>

<svelte:head><title>Call · {call.candidate.name} · Irvot</title></svelte:head>
<h2>The call</h2>
<p>
  <a href="/auditions/{call.audition.id}/around">Around the audition: what has to be done besides playing</a>
</p>
{#if data.who?.kind === 'teacher'}
  <SharedBy takers={call.takers} auditionId={call.audition.id} what="Its rounds and dates" />
  <CallPage
    webAddress={call.audition.call.webAddress}
    checkedOn={call.audition.call.checkedOn}
    today={call.today}
    printed={call.printed}
    base="/auditions/{call.audition.id}"
    undo={(form && 'undo' in form && form.undo) || null}
  />
  <CallEditor
    form={data.form}
    items={call.items}
    zones={data.zones}
    zone={call.candidate.zone}
    draftKey="call {call.audition.id}"
    saveLabel="Save and lay the plan again"
    canPreview={call.items.length > 0}
    effects={form && 'effects' in form ? (form.effects ?? null) : null}
    ownOf={call.candidate.name}
  />
{:else}
  <table>
    <thead><tr><th scope="col">when</th><th scope="col">what</th><th scope="col">hears</th></tr></thead>
    <tbody>
      {#each call.audition.rounds as round (round.id)}
        <tr>
          <td
            >{round.isWeek ? 'week of ' : ''}{sayDate(dayOf(round.date))}{round.time ? `, ${round.time}` : ''}
            <span class="soft">{round.zone}</span></td
          >
          <td>{round.name}{round.uploadBy ? ' (recording day)' : ''}</td>
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
      {#each call.audition.dates as date, i (i)}
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

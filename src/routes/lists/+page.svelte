<script lang="ts">
  import { dayOf, sayDate } from '$lib/core/units';
  import Usual from '$lib/components/list/Usual.svelte';
  import type { ActionData, PageData } from './$types';

  let { data, form }: { data: PageData; form: ActionData } = $props();
  type Call = PageData['calls'][number];

  const sayItems = (count: number) => `${count} ${count === 1 ? 'item' : 'items'}`;
  function sayChecked({ daysSinceChecked: days }: Call): string {
    if (days === null) return 'page not looked at yet';
    if (days <= 0) return 'page looked at today';
    return days === 1 ? 'page looked at yesterday' : `page looked at ${days} days ago`;
  }
  const errataOf = (call: Call) => call.items.filter((i) => i.errata > 0).map((i) => i.name);
</script>

<svelte:head><title>Lists · Irvot</title></svelte:head>
<div class="page">
  <p><a href="/studio">Studio</a></p>
  <div class="top">
    <h1>Lists</h1>
    <a class="action" href="/lists/new">Begin a list</a>
  </div>
  <p class="soft">
    A call and its list are the studio’s: edition, bars, errata, cuts and dates reach everyone who takes it.
    Targets, order and evidence are each candidate’s own.
  </p>
  {#if data.calls.length > 0}
    <table class="by-day">
      <thead>
        <tr>
          <th scope="col" class="number">days to go</th><th scope="col">call</th><th scope="col">the list</th
          ><th scope="col">taken by</th><th scope="col">errata and cuts</th>
        </tr>
      </thead>
      <tbody>
        {#each data.calls as call (call.id)}
          {@const [first] = call.takers}
          <tr>
            <td class="number to-go" class:soft={call.daysToGo === null}>{call.daysToGo ?? '–'}</td>
            <td>
              <a href={first ? `/auditions/${first.auditionId}/call` : `/lists/${call.id}/call`}
                ><strong>{call.name}</strong></a
              >
              {#each call.rounds as round (round.id)}<div class="soft">
                  {round.name}, {round.isWeek ? 'week of ' : ''}{sayDate(dayOf(round.date))}
                </div>{:else}<div class="soft">no round yet</div>{/each}
            </td>
            <td>
              <a href={first ? `/auditions/${first.auditionId}/list` : `/lists/${call.id}`}
                >{call.items.length === 0 ? 'empty' : sayItems(call.items.length)}</a
              >
              {#if errataOf(call).length > 0}<div class="soft">errata: {errataOf(call).join(', ')}</div>{/if}
            </td>
            <td>
              {#each call.takers as taker (taker.auditionId)}<div>
                  <a href="/auditions/{taker.auditionId}"><bdi>{taker.name}</bdi></a>{taker.isArchived
                    ? ' (put away)'
                    : ''}
                </div>{:else}<span class="soft">nobody</span>{/each}
            </td>
            <td>
              {#if call.isOver}<span class="soft">is over</span>{:else}<span class:due={call.isRecheckDue}
                  >{sayChecked(call)}</span
                >
                {#if call.isRecheckDue && first}<div>
                    <a href="/auditions/{first.auditionId}/call#page"
                      >{call.daysSinceChecked === null ? 'look at it' : 'look again'}</a
                    >
                  </div>{/if}{/if}
            </td>
          </tr>
        {/each}
      </tbody>
    </table>
  {:else}
    <p class="first">
      No list yet. Begin one here, for whoever will take it; or open a candidate and add their audition.
    </p>
  {/if}
  <Usual
    usual={data.usual}
    isSaved={form !== null && 'isSaved' in form}
    fault={form && 'fault' in form ? (form.fault ?? null) : null}
  />
</div>

<style>
  .top {
    display: flex;
    gap: 16px;
    align-items: center;
    justify-content: space-between;
    margin-bottom: 8px;
  }
  table {
    margin-top: 16px;
  }
  td a {
    display: inline-block;
    min-height: 24px;
  }
  .due {
    font-weight: 650;
  }
  .first {
    margin-top: 16px;
    font-size: 1.07rem;
  }
</style>

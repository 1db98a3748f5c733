<script lang="ts">
  import { dayOf, sayDate } from '$lib/core/units';
  import type { PageData } from './$types';

  let { data }: { data: PageData } = $props();

  const sayItems = (count: number) => `${count} ${count === 1 ? 'item' : 'items'}`;
</script>

<svelte:head><title>Lists · Irvot</title></svelte:head>
<div class="page">
  <p><a href="/studio">Studio</a></p>
  <h1>Lists</h1>
  <p class="soft">
    A call and its list are the studio’s: edition, bars, errata, cuts and dates reach everyone who takes it.
    Targets, order and evidence are each candidate’s own.
  </p>
  {#if data.calls.length > 0}
    <div class="scroll">
      <table>
        <thead>
          <tr>
            <th scope="col">call</th><th scope="col">rounds</th><th scope="col">the list</th><th scope="col"
              >taken by</th
            ><th scope="col">page looked at</th>
          </tr>
        </thead>
        <tbody>
          {#each data.calls as call (call.id)}
            {@const [first] = call.takers}
            <tr>
              <td>
                {#if first}<a href="/auditions/{first.auditionId}/call"><strong>{call.name}</strong></a
                  >{:else}<strong>{call.name}</strong>{/if}
              </td>
              <td>
                {#each call.rounds as round (round.id)}<p>
                    {round.name}, {round.isWeek ? 'week of ' : ''}{sayDate(dayOf(round.date))}
                  </p>{:else}<span class="soft">none yet</span>{/each}
              </td>
              <td>
                {#if call.items.length === 0}<span class="soft">empty</span>{:else if first}<a
                    href="/auditions/{first.auditionId}/list">{sayItems(call.items.length)}</a
                  >{:else}{sayItems(call.items.length)}{/if}
                {#if call.items.some((i) => i.errata > 0)}<p class="soft">
                    errata: {call.items
                      .filter((i) => i.errata > 0)
                      .map((i) => i.name)
                      .join(', ')}
                  </p>{/if}
              </td>
              <td>
                {#each call.takers as taker (taker.auditionId)}<p>
                    <a href="/auditions/{taker.auditionId}"><bdi>{taker.name}</bdi></a>{taker.isArchived
                      ? ' (put away)'
                      : ''}
                  </p>{:else}<span class="soft">nobody</span>{/each}
              </td>
              <td class="soft">{call.checkedOn ? sayDate(dayOf(call.checkedOn)) : 'not yet'}</td>
            </tr>
          {/each}
        </tbody>
      </table>
    </div>
  {:else}
    <p class="first">No list yet. It begins with a candidate’s audition: open a candidate and add one.</p>
  {/if}
</div>

<style>
  .scroll {
    position: relative;
    margin-top: 16px;
    overflow-x: auto;
  }
  td a {
    display: inline-block;
    min-height: 24px;
  }
  .first {
    margin-top: 16px;
    font-size: 1.07rem;
  }
</style>

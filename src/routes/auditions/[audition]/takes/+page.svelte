<script lang="ts">
  import { onMount } from 'svelte';
  import OnThisDevice from '$lib/components/take/OnThisDevice.svelte';
  import TakeFile from '$lib/components/take/TakeFile.svelte';
  import { sayMs } from '$lib/components/take/systems';
  import { KEPT_DAYS, SAID_DAYS } from '$lib/core/take/keeping';
  import { dayOf, sayBars, sayDate } from '$lib/core/units';
  import { send } from '$lib/state/send';
  import type { TakesOut } from '$lib/state/device/takes-out.svelte';
  import type { ActionData, PageData } from './$types';

  let { data, form }: { data: PageData; form: ActionData } = $props();
  const SOURCES = { run: 'run', file: 'a file', other: 'somebody else’s' } as const;
  const view = $derived(data.view);
  /** What is recorded is the signed-in one's own; null before the page is alive. */
  let takesOut = $state.raw<TakesOut | null>(null);
  onMount(async () => {
    const owner = data.who?.drafts.accountId;
    const { TakesOut } = await import('$lib/state/device/takes-out.svelte');
    if (owner) takesOut = TakesOut.of(owner);
  });
  const all = $derived(view.items.flatMap(({ takes }) => takes));
  const rows = $derived(view.items.filter(({ takes }) => takes.length > 0));
  const removed = $derived(form && 'removed' in form ? form.removed : null);
  /** The line of time goes from the first take of all to today. */
  const firstDay = $derived(Math.min(...all.map(({ date }) => dayOf(date)), dayOf(view.today) - 7));
  const share = (date: string) =>
    (100 * (dayOf(date) - firstDay)) / Math.max(1, dayOf(view.today) - firstDay);
  const sayKept = ({ lengthMs, isKept }: (typeof all)[number]) =>
    lengthMs === null ? '; its sound is still on the device' : isKept ? '; kept' : '';
  /** So many of an item are open; the others unfold. */
  const LATEST = 3;
  const goesSoon = (date: string | null) => date !== null && dayOf(date) - dayOf(view.today) <= SAID_DAYS;
</script>

{#snippet row(take: (typeof all)[number])}
  <li>
    <a href="/takes/{take.id}"
      >{take.date === view.today ? 'today' : sayDate(dayOf(take.date))}{#if take.lengthMs !== null}, {sayMs(
          take.lengthMs
        )}{/if}</a
    >
    <span class="soft"
      >{SOURCES[take.source]}, {sayBars(take)}{sayKept(
        take
      )}{#if sayKept(take) === '' && goesSoon(take.goesOn)}; <b>goes {sayDate(dayOf(take.goesOn!))}</b
        >{/if}</span
    >
    <form method="POST" action="?/remove" use:send>
      <input type="hidden" name="id" value={take.id} />
      <button class="quiet">take out</button>
    </form>
  </li>
{/snippet}

<svelte:head><title>Takes · {view.candidate.name} · Irvot</title></svelte:head>
<h2>Takes</h2>
{#if all.length === 0}
  <p class="first">
    Nothing is recorded yet. At the desk each run can be; then it is heard here for one thing at a time, and
    what is marked becomes spots.
  </p>
{:else}
  <p class="soft">
    A take goes after {KEPT_DAYS} days, unless it is kept, a spot was found in it, or it is the first of its item
    while the season lasts.
  </p>
{/if}
{#if takesOut}<OnThisDevice {takesOut} />{/if}
{#if removed}
  <form class="notice" method="POST" action="?/remove" use:send>
    <input type="hidden" name="id" value={removed} /><input type="hidden" name="back" value="1" />
    The take is taken out; its sound goes in a day. <button class="quiet">Put it back</button>
  </form>
{/if}
{#each rows as item (item.id)}
  <section>
    <h3>
      <bdi>{item.name}</bdi>
      {#if item.takes.filter(({ lengthMs, source }) => lengthMs !== null && source !== 'other').length > 1}<a
          class="pair"
          href="/auditions/{view.audition.id}/takes/{item.id}">first and latest side by side</a
        >{/if}
    </h3>
    <div class="time" aria-hidden="true">
      {#each item.takes as take (take.id)}<i class:kept={take.isKept} style:left="{share(take.date)}%"
        ></i>{/each}
    </div>
    <div class="rows">
      <ul>
        {#each item.takes.slice(0, LATEST) as take (take.id)}{@render row(take)}{/each}
      </ul>
      {#if item.takes.length > LATEST}<details>
          <summary>{item.takes.length - LATEST} earlier</summary>
          <ul>
            {#each item.takes.slice(LATEST) as take (take.id)}{@render row(take)}{/each}
          </ul>
        </details>{/if}
    </div>
  </section>
{/each}
{#if view.items.length > 0}
  {#if view.isAskedFirst}<p>
      Nobody is recorded before a guardian has said yes: the teacher notes the day of it with the candidate.
    </p>{:else}<TakeFile items={view.items} today={view.today} />{/if}
{/if}

<style>
  h2 {
    margin: 18px 0 4px;
  }
  section {
    display: grid;
    grid-template-columns: minmax(180px, 1fr) 2fr;
    gap: 4px 32px;
    margin: 18px 0;
    padding-top: 10px;
    border-top: 1px solid var(--rule);
  }
  .pair {
    display: block;
    font-size: 15px;
    font-weight: 400;
  }
  .time {
    position: relative;
    align-self: center;
    height: 2px;
    background: var(--rule);
  }
  .time i {
    position: absolute;
    top: -7px;
    width: 4px;
    height: 16px;
    background: var(--ink);
  }
  .time .kept {
    width: 8px;
  }
  .rows {
    grid-column: 2;
  }
  summary {
    padding: 8px 0;
    color: var(--soft);
  }
  ul {
    margin: 0;
    padding: 0;
    list-style: none;
  }
  li {
    display: flex;
    flex-wrap: wrap;
    gap: 2px 14px;
    align-items: baseline;
    min-height: 44px;
  }
  @media (max-width: 720px) {
    section {
      display: block;
    }
    .time {
      margin: 14px 0;
    }
  }
</style>

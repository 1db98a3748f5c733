<script lang="ts">
  import Moves from '$lib/components/countback/Moves.svelte';
  import { dayOf, sayDate } from '$lib/core/units';
  import type { PageData } from './$types';

  let { data }: { data: PageData } = $props();
  const view = $derived(data.view);
  const base = $derived(`/auditions/${view.audition.id}/layings`);
</script>

<svelte:head><title>Earlier plans · {view.candidate.name} · Irvot</title></svelte:head>
<h2>Earlier plans</h2>
<p class="soft">
  The plan is laid again after each log entry or changed fact, with the least change. Each plan can be looked
  at as it was.
</p>
{#if view.all.length > 1}
  <form method="GET" action="{base}/compare">
    <label>
      <span>Compare plan</span>
      <select name="a" value={String(view.all[1]!.number)}>
        {#each view.all as version (version.number)}<option value={String(version.number)}
            >{version.number}, {sayDate(dayOf(version.laidOn))}</option
          >{/each}
      </select>
    </label>
    <label>
      <span>with plan</span>
      <select name="b" value={String(view.all[0]!.number)}>
        {#each view.all as version (version.number)}<option value={String(version.number)}
            >{version.number}, {sayDate(dayOf(version.laidOn))}</option
          >{/each}
      </select>
    </label>
    <button class="action">Side by side</button>
  </form>
{/if}
<ol>
  {#each view.versions as version (version.number)}
    <li>
      <a href="{base}/{version.number}">Plan {version.number}</a>
      <span>{sayDate(dayOf(version.laidOn))}</span>
      <div>
        {#if version.moves.length > 0}<Moves moves={version.moves} cause={version.cause} />{:else}<span
            >{version.cause}</span
          >{/if}
      </div>
    </li>
  {/each}
</ol>
{#if view.earlier !== null}<p class="more"><a href="{base}?before={view.earlier}">Earlier ones</a></p>{/if}

<style>
  h2 {
    margin-top: 20px;
  }
  .more {
    margin-top: 12px;
  }
  form {
    display: flex;
    flex-wrap: wrap;
    gap: 8px 12px;
    align-items: end;
    margin-top: 12px;
  }
  select {
    padding: 0 8px;
  }
  label span {
    display: block;
    color: var(--soft);
    font-size: 0.87rem;
  }
  ol {
    margin-top: 10px;
    padding: 0;
    border-top: 1.5px solid var(--ink);
    list-style: none;
  }
  li {
    display: grid;
    grid-template-columns: 110px 110px 1fr;
    gap: 8px;
    padding: 6px 0;
    border-bottom: 1px solid var(--rule);
  }
  @media (max-width: 720px) {
    li {
      grid-template-columns: 1fr 1fr;
    }
    li div {
      grid-column: 1 / -1;
    }
  }
</style>

<script lang="ts">
  import ItemList from '$lib/components/list/ItemList.svelte';
  import { send } from '$lib/state/send';
  import type { PageData } from './$types';

  let { data }: { data: PageData } = $props();
  const { call, items, asked, candidates } = $derived(data.list);
  const base = $derived(`/lists/${call.id}`);
  const isOff = $derived(data.removed !== null && !items.some(({ id }) => id === data.removed));
</script>

<svelte:head><title>{call.name} · Irvot</title></svelte:head>
<div class="top">
  <h2>The list</h2>
  <p class="ways">
    <a href="{base}/call">The call</a>
    <a href="{base}/import">Paste a list</a>
    <a class="action" href="{base}/new">Add an item</a>
  </p>
</div>
{#if isOff}
  <form class="undo" method="POST" action="?/restore" use:send>
    <input type="hidden" name="id" value={data.removed} />
    The item is off the list. <button class="quiet">Put it back</button>
  </form>
{/if}
{#if items.length > 0}
  <ItemList {items} planned={asked} spots={[]} {base} canOrder isUntaken />
  {#if candidates.length > 0}
    <form class="take" method="POST" action="?/take" use:send>
      <label for="candidate">Who takes it</label>
      <select id="candidate" name="candidate">
        {#each candidates as { id, name } (id)}<option value={id}>{name}</option>{/each}
      </select>
      <button class="action">Lay a plan for it</button>
    </form>
  {/if}
  <p class="soft">Targets, order and what holds are each candidate’s own from then on.</p>
{:else}
  <p class="first">
    The list is empty. Paste it as you have it, or add its items one by one: etudes, excerpts, the solo,
    scales, sight-reading.
  </p>
{/if}

<style>
  .top {
    display: flex;
    flex-wrap: wrap;
    gap: 4px 16px;
    align-items: center;
    margin: 20px 0 10px;
  }
  .ways {
    display: flex;
    gap: 20px;
    align-items: center;
    margin-left: auto;
  }
  .undo {
    margin: 8px 0;
    padding: 6px 12px;
    border-left: 4px solid var(--ink);
    background: var(--ground);
  }
  .take {
    display: flex;
    flex-wrap: wrap;
    gap: 8px 12px;
    align-items: center;
    margin: 20px 0 8px;
  }
  .first {
    max-width: 60ch;
    font-size: 1.07rem;
  }
</style>

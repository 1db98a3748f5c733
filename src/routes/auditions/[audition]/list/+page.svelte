<script lang="ts">
  import { send } from '$lib/state/send';
  import Groundwork from '$lib/components/list/Groundwork.svelte';
  import ItemList from '$lib/components/list/ItemList.svelte';
  import UndoLine from '$lib/components/ui/UndoLine.svelte';
  import type { ActionData, PageData } from './$types';

  let { data, form }: { data: PageData; form: ActionData } = $props();
  const view = $derived(data.view);
  const isTeacher = $derived(data.who?.kind === 'teacher');
  const isOff = $derived(data.removed !== null && !view.items.some((item) => item.id === data.removed));
</script>

<svelte:head><title>List · {view.candidate.name} · Irvot</title></svelte:head>
<div class="top">
  <h2>The list</h2>
  {#if isTeacher}<p class="soft">In your order: where minutes are short, the lowest give way first.</p>{/if}
  <p class="ways">
    {#if view.items.length > 0}<a href="/auditions/{view.audition.id}/takes">Takes</a>
      <a href="/auditions/{view.audition.id}/spots"
        >{view.spots.length > 0 ? `Spots: ${view.spots.length}` : 'Spots'}</a
      >{/if}
    {#if isTeacher}
      <a href="/auditions/{view.audition.id}/list/import">Paste a list</a>
      <a class="action" href="/auditions/{view.audition.id}/list/new">Add an item</a>
    {/if}
  </p>
</div>
{#if isTeacher && isOff}
  <form class="undo" method="POST" action="?/restore" use:send>
    <input type="hidden" name="id" value={data.removed} />
    The item is off the list; its log is kept. <button class="quiet">Put it back</button>
  </form>
{/if}
{#if form && 'undo' in form && form.undo}{#key form.undo}<UndoLine {...form.undo} />{/key}{/if}
{#if view.items.length > 0}
  <ItemList
    items={view.items}
    planned={view.planned}
    spots={view.spots}
    base="/auditions/{view.audition.id}/list"
    canOrder={isTeacher}
  />
  <Groundwork items={view.items} ticks={view.ticks} dueOn={view.groundworkTo} />
  <p class="soft out">
    <a href="/auditions/{view.audition.id}/list.csv" download>The list as a table (CSV)</a>
  </p>
{:else}
  <p class="first">
    The list is empty. {isTeacher
      ? 'Add everything the call requires: etudes, excerpts, the solo, scales, sight-reading.'
      : 'Your teacher enters it.'}
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
  .out {
    margin-top: 14px;
  }
  .undo {
    margin: 8px 0;
    padding: 6px 12px;
    border-left: 4px solid var(--ink);
    background: var(--ground);
  }
  .first {
    max-width: 60ch;
    font-size: 1.07rem;
  }
</style>

<!-- What can be done with what is free, less time today in one entry, and a block put in besides. Laid into a grid of two columns. -->
<script lang="ts">
  import { type DeskBlock, leaveForLater, offersFor } from '$lib/core/practice';
  import type { TodayView } from '$lib/schema/view';
  import type { DeskSession } from '$lib/state/desk.svelte';

  let {
    view,
    session,
    all,
    freeMin
  }: {
    view: TodayView;
    session: DeskSession;
    /** Blocks of the day, those left out too. */
    all: readonly DeskBlock[];
    /** What the clock has beside them. */
    freeMin: number;
  } = $props();

  let less = $state('');
  let fault = $state('');
  let says = $state('');
  let chosen = $state('');
  const laid = $derived(new Set(all.flatMap(({ spots = [] }) => spots.map(({ id }) => id))));
  const isAhead = $derived(all.some((block) => !block.isDropped && block.run === null));
  const offers = $derived(
    offersFor({
      canAdd: view.canAdd,
      blocks: all.filter(({ isDropped }) => !isDropped),
      freeMin,
      isHurt: session.isHurt
    })
  );

  const put = (block: TodayView['canAdd'][number]) => session.add(block, (all.at(-1)?.place ?? 0) + 1);
  async function add() {
    const block = view.canAdd[Number(chosen)];
    if (chosen === '' || !block) return;
    await put({ ...block, spots: block.spots?.filter((spot) => !laid.has(spot.id)) ?? [] });
  }
  async function lessTime(event: SubmitEvent) {
    event.preventDefault();
    const minutes = Number(less.trim().replace(',', '.'));
    says = '';
    if (!Number.isInteger(minutes) || minutes < 1 || less.trim() === '')
      return void (fault = 'How many minutes are left today? A whole number, at least 1.');
    fault = '';
    const left = leaveForLater(all, minutes);
    await session.changes.together(`less time, ${left.length} left`, async () => {
      for (const id of left) await session.set(id, { isDropped: true });
    });
    const names = all.filter((block) => left.includes(block.id)).map((block) => block.name);
    says = names.length === 0 ? 'All of it fits.' : `These wait: ${names.join(', ')}.`;
  }
</script>

{#if offers.length > 0}
  <h3>{freeMin} minutes free</h3>
  <p class="less">
    {#each offers as { block, says }, i (i)}<button class="quiet" onclick={() => put(block)}
        >{says}, {block.minutes} min</button
      >{/each}
  </p>
{/if}
{#if isAhead}
  <h3>Less time today</h3>
  <form class="less" onsubmit={lessTime}>
    <label
      ><input
        inputmode="numeric"
        size="4"
        bind:value={less}
        aria-invalid={fault ? 'true' : undefined}
        aria-describedby="less-says"
      /> minutes are left</label
    >
    <button class="action">Fit it in</button>
    <span id="less-says" role="status">{fault || says}</span>
  </form>
{/if}
{#if view.canAdd.length > 0}
  <h3>Add a block</h3>
  <p class="less">
    <select bind:value={chosen} aria-label="Item to add">
      <option value="">choose an item</option>
      {#each view.canAdd as block, i (i)}<option value={String(i)}
          >{block.name}{block.hunt ? `, ${block.why}` : ''}</option
        >{/each}
    </select>
    <button class="action" disabled={chosen === ''} onclick={add}
      >{chosen === '' ? 'Add it' : `Add ${view.canAdd[Number(chosen)]?.minutes} minutes`}</button
    >
  </p>
{/if}

<style>
  .less {
    display: flex;
    flex-wrap: wrap;
    align-items: baseline;
    gap: 6px 16px;
  }
  /* on two lines, where one is not enough */
  .less .quiet {
    text-align: left;
  }
</style>

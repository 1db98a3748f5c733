<!-- A week opened in place: each day's minutes with their arithmetic, and its blocks in order. -->
<script lang="ts">
  import BlockTempo from '$lib/components/note/BlockTempo.svelte';
  import {
    type PlannedBlock,
    type PlannedWeek,
    type SeasonPlan,
    rungOfBlock,
    sayPart
  } from '$lib/core/season';
  import { dayOf, sayDate, saySpan } from '$lib/core/units';
  import PinForm from './PinForm.svelte';

  let {
    plan,
    week,
    canPin,
    onClose
  }: { plan: SeasonPlan; week: PlannedWeek; canPin: boolean; onClose: () => void } = $props();

  const days = $derived(plan.days.filter((d) => d.date >= week.from && d.date <= week.to));
  const itemOf = (block: PlannedBlock) => plan.items.find((i) => i.id === block.itemId)!;
  const clickOf = (block: PlannedBlock) => rungOfBlock(itemOf(block), block)?.click;
  /** The first of an item's blocks on a day stands for all its minutes there. */
  const pinnable = (blocks: readonly PlannedBlock[], i: number) => {
    const { itemId, kind } = blocks[i]!;
    const own = blocks.filter((b) => b.itemId === itemId && b.kind === kind);
    const isWork = kind === 'ladder' || (kind === 'minutes' && itemOf(blocks[i]!).state === 'minutes');
    return isWork && own[0] === blocks[i] ? own.reduce((sum, b) => sum + b.minutes, 0) : null;
  };
  const KINDS = {
    ladder: '',
    minutes: '',
    'keep-warm': 'keep warm',
    run: 'run',
    'easy-run': 'one easy run'
  } as const;
</script>

{#snippet pin(date: string, block: PlannedBlock, minutes: number | null)}
  {@const where = `${itemOf(block).name} on ${sayDate(dayOf(date))}`}
  {#if block.isPinned && !canPin}
    <span class="soft">pinned</span>
  {:else if canPin && minutes !== null}
    <PinForm
      action={block.isPinned ? 'unpinBlock' : 'pinBlock'}
      fields={block.isPinned ? { itemId: block.itemId, date } : { itemId: block.itemId, date, minutes }}
      word={block.isPinned ? 'Unpin' : 'Pin'}
      label={block.isPinned ? `Take the pin off ${where}` : `Pin ${minutes} minutes of ${where}`}
    />
  {/if}
{/snippet}

<section aria-label="Days of {saySpan(dayOf(week.from), dayOf(week.to))}">
  <header>
    <h2>{saySpan(dayOf(week.from), dayOf(week.to))}</h2>
    <p>
      {week.plannedMin} min planned of {week.thereMin}.
      {#if week.isJump}<strong
          >More than 20 % above the two weeks before: raise gradually, stop at pain.</strong
        >{/if}
    </p>
    <button class="quiet" onclick={onClose}>Close</button>
  </header>
  <ol>
    {#each days as day (day.date)}
      <li class:off={day.capacityMin === 0}>
        <h3>{sayDate(dayOf(day.date))}</h3>
        <p class="soft" title={day.parts.map((p) => `${p.what} ${p.minutes}`).join(', ')}>
          {#if day.capacityMin > 0}{day.plannedMin} of {day.capacityMin} min{:else}{day.parts[0]?.what ===
            'the weekday'
              ? 'no minutes'
              : day.parts[0]?.what}{/if}
        </p>
        {#each day.blocks as block, i (i)}
          {@const click = clickOf(block)}
          <p class="block">
            <span class="length">{block.start ?? ''} {block.minutes} min</span>
            {itemOf(block).name}
            {#if block.part}<span class="soft bars">{sayPart(block.part)}</span>{/if}
            {#if block.bars}<span class="soft bars">bars {block.bars.fromBar}–{block.bars.toBar}</span>{/if}
            {#if click}<BlockTempo item={itemOf(block)} {block} height={13} />{:else}<span class="soft"
                >{KINDS[block.kind]}</span
              >{/if}
            {@render pin(day.date, block, pinnable(day.blocks, i))}
          </p>
        {/each}
        {#each plan.unkept?.filter((one) => one.date === day.date) ?? [] as { says } (says)}<p class="soft">
            {says}
          </p>{/each}
        {#if day.capacityMin > 0}
          <p class="sum soft">
            {day.parts.map((p) => `${p.what} ${p.minutes > 0 ? p.minutes : `−${-p.minutes}`}`).join(', ')}
          </p>
        {/if}
      </li>
    {/each}
  </ol>
</section>

<style>
  .bars {
    white-space: nowrap;
  }
  section {
    margin-bottom: 12px;
    padding: 10px 0 12px;
    border-top: 1.5px solid var(--ink);
    border-bottom: 1.5px solid var(--ink);
  }
  header {
    display: flex;
    gap: 16px;
    align-items: baseline;
  }
  header button {
    margin-left: auto;
  }
  ol {
    display: grid;
    grid-template-columns: repeat(7, 1fr);
    gap: 16px;
    margin-top: 8px;
    padding: 0;
    list-style: none;
    font-size: 0.87rem;
  }
  li.off {
    color: var(--soft);
  }
  .block {
    margin-top: 6px;
    line-height: 1.25;
  }
  .length {
    display: block;
    color: var(--soft);
    font-size: 0.8rem;
  }
  .sum {
    margin-top: 8px;
    font-size: 0.8rem;
    font-stretch: 84%;
    line-height: 1.25;
  }
  @media (max-width: 900px) {
    ol {
      grid-template-columns: 1fr 1fr;
    }
  }
</style>

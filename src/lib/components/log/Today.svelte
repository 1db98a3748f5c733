<!-- Today's road map: the day's blocks in order. A block fills the form. -->
<script lang="ts">
  import BlockTempo from '$lib/components/note/BlockTempo.svelte';
  import { type PlannedBlock, type SeasonPlan, barsOf, rungOfBlock, sayPart } from '$lib/core/season';
  import { type Tempo, dayOf, sayDate } from '$lib/core/units';

  type Picked = { itemId: string; sectionId: string | null; click: Tempo | null; minutes: number };
  let { plan, onPick }: { plan: SeasonPlan; onPick: (block: Picked) => void } = $props();

  const day = $derived(plan.days.find((d) => d.date === plan.today));
  const itemOf = (block: PlannedBlock) => plan.items.find((i) => i.id === block.itemId)!;
  const sectionOf = (block: PlannedBlock) => barsOf(itemOf(block), block);
  const clickOf = (block: PlannedBlock) => rungOfBlock(itemOf(block), block)?.click;
  const KINDS = {
    ladder: '',
    minutes: 'free work',
    'keep-warm': 'keep it warm',
    run: 'one run',
    'easy-run': 'one easy run'
  } as const;
</script>

<aside>
  <h2>Today, {sayDate(dayOf(plan.today))}</h2>
  {#if day && day.blocks.length > 0}
    <ol>
      {#each day.blocks as block, i (i)}
        {@const click = clickOf(block)}
        {@const section = sectionOf(block)}
        <li>
          <button
            onclick={() =>
              onPick({
                itemId: block.itemId,
                sectionId: block.sectionId,
                minutes: block.minutes,
                click: click ?? null
              })}
          >
            <span class="length">{block.minutes} min{block.start ? `, ${block.start}` : ''}</span>
            <span>
              <strong>{itemOf(block).name}</strong><br />
              <span class="soft"
                >{#if click && section}{block.part
                    ? sayPart(block.part)
                    : `bars ${section.fromBar}–${section.toBar}`} at <BlockTempo
                    item={itemOf(block)}
                    {block}
                    height={13}
                  />{:else}{KINDS[block.kind]}{/if}</span
              >
            </span>
          </button>
        </li>
      {/each}
    </ol>
    <p class="soft">
      {day.plannedMin} min left today. Choose a block to log it. Stop at pain, numbness or stiffness that lasts.
    </p>
  {:else}
    <p class="soft">{day && day.capacityMin === 0 ? 'No minutes today.' : 'Nothing is left for today.'}</p>
  {/if}
</aside>

<style>
  @media (min-width: 901px) {
    aside {
      position: sticky;
      top: 16px;
      align-self: start;
    }
  }
  ol {
    margin: 8px 0;
    padding: 0;
    border-top: 1.5px solid var(--ink);
    list-style: none;
  }
  li {
    border-bottom: 1px solid var(--rule);
  }
  button {
    display: grid;
    grid-template-columns: 104px 1fr;
    width: 100%;
    padding: 7px 0;
    border: 0;
    background: none;
    line-height: 1.3;
    text-align: left;
  }
  button:hover {
    background: var(--ground);
  }
  .length {
    color: var(--soft);
    font-size: 0.93rem;
  }
  strong {
    font-weight: 620;
  }
</style>

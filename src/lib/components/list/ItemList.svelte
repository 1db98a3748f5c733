<!-- The list in the teacher's order. Order by dragging, by the handle and arrow keys, or by the two buttons. -->
<script lang="ts">
  import { tick } from 'svelte';
  import { dragHandle, dragHandleZone } from 'svelte-dnd-action';
  import ArrowDown from '@lucide/svelte/icons/arrow-down';
  import ArrowUp from '@lucide/svelte/icons/arrow-up';
  import GripVertical from '@lucide/svelte/icons/grip-vertical';
  import { send } from '$lib/state/send';
  import BarStrip from './BarStrip.svelte';
  import Tempo from '$lib/components/note/Tempo.svelte';
  import type { PlannedSection } from '$lib/core/season';
  import { sayBpm } from '$lib/core/units';
  import type { WholeItem } from '$lib/schema/item-form';

  /** What holds of a section is known where somebody takes the list. */
  type Shown = Pick<PlannedSection, 'id' | 'fromBar' | 'toBar' | 'unit' | 'targetBpm'> &
    Partial<Pick<PlannedSection, 'held' | 'says'>>;
  let {
    items,
    planned,
    spots,
    base,
    canOrder,
    isUntaken = false
  }: {
    items: readonly WholeItem[];
    planned: Readonly<Record<string, readonly Shown[]>>;
    /** Of all items, those that are not laid to rest. */
    spots: readonly {
      readonly itemId: string;
      readonly fromBar: number;
      readonly toBar: number;
      readonly issue: string;
    }[];
    base: string;
    canOrder: boolean;
    /** Nobody takes the list yet: nothing is said of what holds. */
    isUntaken?: boolean;
  } = $props();

  // As it is kept; from then on the effect below follows it.
  // svelte-ignore state_referenced_locally
  let order = $state.raw([...items]);
  let form = $state<HTMLFormElement>();
  /** Orders that were sent and not answered yet, and whether an item is in the hand: until then the order here is the newer one. */
  let sent = 0;
  let isInHand = false;

  $effect.pre(() => {
    const kept = items;
    if (sent === 0 && !isInHand) order = [...kept];
  });

  async function move(button: HTMLButtonElement, index: number, by: number) {
    const next = [...order];
    next.splice(index + by, 0, ...next.splice(index, 1));
    order = next;
    save();
    // the item may go further: what was pressed went along with it, and is pressed again
    await tick();
    const other = button.parentElement?.querySelector<HTMLButtonElement>('button:enabled');
    (button.disabled ? other : button)?.focus();
  }

  function save() {
    queueMicrotask(() => form?.requestSubmit());
  }

  function onSend() {
    sent += 1;
    return ({ type }: { readonly type: string }) => {
      sent -= 1;
      if (type !== 'success' && sent === 0) order = [...items];
    };
  }
</script>

<form bind:this={form} method="POST" action="?/order" use:send={{ reset: false, onSend }}>
  <input type="hidden" name="ids" value={order.map((item) => item.id).join(',')} />
</form>
<ol
  class="items"
  use:dragHandleZone={{ items: order, dragDisabled: !canOrder, flipDurationMs: 0, dropTargetStyle: {} }}
  onconsider={(event) => ([order, isInHand] = [event.detail.items, true])}
  onfinalize={(event) => {
    [order, isInHand] = [event.detail.items, false];
    save();
  }}
>
  {#each order as item, index (item.id)}
    {@const sections = planned[item.id] ?? []}
    <li>
      <span class="place">
        {#if canOrder}<span
            class="grip"
            role="button"
            tabindex="0"
            use:dragHandle
            aria-label="Move {item.name}: drag, or press Enter and use the arrow keys"
            ><GripVertical size={16} /></span
          >{/if}
        {index + 1}
      </span>
      <div class="what">
        {#if canOrder}<a href="{base}/{item.id}"><bdi>{item.name}</bdi></a>{:else}<strong
            ><bdi>{item.name}</bdi></strong
          >{/if}
        <p class="soft"><bdi>{item.composer}</bdi>{item.edition ? ` · ${item.edition}` : ''}</p>
        {#if item.instrument}<p class="soft">on <bdi>{item.instrument}</bdi></p>{/if}
        {#if item.pages}<p class="soft">pages {item.pages}</p>{/if}
        {#if item.tested}<p class="soft">tested: {item.tested}</p>{/if}
        {#each item.errata as erratum (erratum.bar + erratum.says)}
          <p class="erratum"><strong>bar {erratum.bar}:</strong> {erratum.says}</p>
        {/each}
        {#if item.cuts.length > 0}
          <p>
            cuts: bars {item.cuts
              .map(({ fromBar, toBar }) => (fromBar === toBar ? `${fromBar}` : `${fromBar}–${toBar}`))
              .join(', ')}
          </p>
        {/if}
      </div>
      <div class="bars">
        {#if item.kind !== 'sight-reading'}
          <BarStrip
            {item}
            sections={sections.map((s) => ({ ...s, isFree: s.unit === null }))}
            errata={item.errata}
            cuts={item.cuts}
            spots={spots.filter(({ itemId }) => itemId === item.id)}
          />
        {:else}
          <p class="soft">{item.minutesPerWeek} min a week, no ladder</p>
        {/if}
      </div>
      <div class="tempo">
        {#each sections as section (section.id)}
          {#if section.unit && section.targetBpm}
            <p>
              <Tempo bpm={section.targetBpm} unit={section.unit} height={15} />
              {#if !isUntaken}<span class="soft"
                  >{section.held ? `holds at ${sayBpm(section.held.bpm)}` : 'no evidence yet'}</span
                >{/if}
            </p>
          {:else}<p class="soft">free</p>{/if}
        {/each}
        {#if item.hasOwnSections}<p class="soft">own tempos</p>{/if}
      </div>
      {#if canOrder}
        <div class="moves">
          <button
            type="button"
            disabled={index === 0}
            aria-label="Move {item.name} up"
            onclick={({ currentTarget }) => move(currentTarget, index, -1)}><ArrowUp size={16} /></button
          >
          <button
            type="button"
            disabled={index === order.length - 1}
            aria-label="Move {item.name} down"
            onclick={({ currentTarget }) => move(currentTarget, index, 1)}><ArrowDown size={16} /></button
          >
        </div>
      {/if}
    </li>
  {/each}
</ol>

<style>
  ol {
    padding: 0;
    border-top: 1.5px solid var(--ink);
    list-style: none;
  }
  li {
    display: grid;
    grid-template-columns: 44px 250px 1fr 190px auto;
    gap: 0 16px;
    align-items: start;
    padding: 10px 0;
    border-bottom: 1px solid var(--rule);
    background: var(--paper);
  }
  .place {
    display: flex;
    gap: 2px;
    align-items: center;
    color: var(--soft);
  }
  .grip {
    display: grid;
    place-items: center;
    width: 24px;
    height: 24px;
    cursor: grab;
  }
  .what a {
    color: inherit;
    font-weight: 650;
  }
  .what p,
  .tempo p {
    font-size: 0.87rem;
    line-height: 1.35;
  }
  .moves {
    display: flex;
  }
  .moves button {
    display: grid;
    place-items: center;
    width: 30px;
    height: 30px;
    border: 0;
    background: none;
  }
  .moves button:disabled {
    opacity: 0.25;
  }
  .moves button:not(:disabled):hover {
    background: var(--ground);
  }
  @media (max-width: 900px) {
    li {
      grid-template-columns: 44px 1fr auto;
      gap: 6px 8px;
    }
    .bars,
    .tempo {
      grid-column: 2 / -1;
    }
    .moves {
      grid-column: 3;
      grid-row: 1;
    }
    .moves button {
      width: 36px;
      height: 36px;
    }
  }
</style>

<!-- One item in the lesson: what the log says of it since last time, what the plan says next, and its target and step. -->
<script lang="ts">
  import { send } from '$lib/state/send';
  import ArrowDown from '@lucide/svelte/icons/arrow-down';
  import ArrowUp from '@lucide/svelte/icons/arrow-up';
  import NoteValue from '$lib/components/note/NoteValue.svelte';
  import { type ItemSince, type PlannedItem, type SeasonItem, sayRung } from '$lib/core/season';
  import { dayOf, sayBpm, sayDate } from '$lib/core/units';
  import { STEP_NAMES, stepKey } from '$lib/schema/steps';

  let {
    item,
    since,
    planned,
    ids,
    base
  }: {
    item: SeasonItem & { readonly composer: string };
    since: ItemSince;
    planned: PlannedItem | undefined;
    /** All items in the teacher's order. */
    ids: readonly string[];
    base: string;
  } = $props();

  const index = $derived(ids.indexOf(item.id));
  const next = $derived(planned?.rungs.filter((r) => r.date !== null).at(0));
  const last = $derived(planned?.rungs.at(-1));

  function moved(by: number): string {
    const order = [...ids];
    order.splice(index + by, 0, ...order.splice(index, 1));
    return order.join(',');
  }
  const round = (clicks: number) => Math.round(Math.abs(clicks) * 10) / 10;
</script>

<tr>
  <td class="order">
    <form method="POST" action="?/order" use:send>
      <button name="ids" value={moved(-1)} disabled={index === 0} aria-label="{item.name} up"
        ><ArrowUp size={15} /></button
      ><button name="ids" value={moved(1)} disabled={index === ids.length - 1} aria-label="{item.name} down"
        ><ArrowDown size={15} /></button
      >
    </form>
  </td>
  <td class="name">
    <a href="{base}/list/{item.id}"><bdi>{item.name}</bdi></a>
    <p class="soft"><bdi>{item.composer}</bdi></p>
  </td>
  <td class="number" class:soft={since.touches === 0}>
    {since.minutes} min
    <p class="soft">{since.touches} {since.touches === 1 ? 'touch' : 'touches'}</p>
  </td>
  <td>
    {#each since.sections as section (section.sectionId)}
      <p>
        {#if since.sections.length > 1}<span class="soft">{section.fromBar}–{section.toBar}</span>{/if}
        {#if section.now === null}<span class="soft">no evidence</span>
        {:else if section.before === section.now}<strong>{sayBpm(section.now)}</strong>
          <span class="soft">as before</span>
        {:else}{section.before === null ? '–' : sayBpm(section.before)} →
          <strong>{sayBpm(section.now)}</strong>{#if section.clicks !== null}<span class="soft"
              >, {section.clicks < 0 ? 'down' : 'up'}
              {round(section.clicks)}
              {round(section.clicks) === 1 ? 'click' : 'clicks'}</span
            >{/if}{/if}
      </p>
    {/each}
  </td>
  <td class="stuck">
    {#each since.stuck as stuck (`${stuck.date} ${stuck.fromBar} ${stuck.toBar}`)}
      <p>
        {stuck.fromBar === null || (stuck.fromBar === item.fromBar && stuck.toBar === item.toBar)
          ? 'whole'
          : `bars ${stuck.fromBar}${stuck.toBar === stuck.fromBar ? '' : `–${stuck.toBar}`}`}{stuck.bpm
          ? ` at ${sayBpm(stuck.bpm)}`
          : ''}{stuck.says ? `: ${stuck.says}` : ''}
        <span class="soft date">{sayDate(dayOf(stuck.date))}</span>
      </p>
    {/each}
  </td>
  <td>
    {#if planned?.state === 'holds'}<span class="soft">holds: kept warm</span>
    {:else if planned?.state === 'left-out'}<span class="soft">left out of the plan</span>
    {:else if next?.date}
      <p><strong>{sayRung(next)}</strong> by {sayDate(dayOf(next.date))}</p>
      <p class="soft">
        {last?.date
          ? `target by ${sayDate(dayOf(last.date))}`
          : `${planned!.shortMin} min short: target open`}
      </p>
    {:else if planned && planned.shortMin > 0}<strong>{planned.shortMin} min short</strong>
    {:else}<span class="soft">minutes every week</span>{/if}
  </td>
  <td class="target">
    {#each since.sections as section (section.sectionId)}
      <form method="POST" action="?/target" use:send={{ reset: false }}>
        <input type="hidden" name="itemId" value={item.id} /><input
          type="hidden"
          name="sectionId"
          value={section.sectionId}
        />
        <NoteValue unit={section.unit} height={16} />
        <input
          class="bpm"
          name="bpm"
          inputmode="decimal"
          aria-label="Target of {item.name}, bars {section.fromBar} to {section.toBar}"
          value={section.targetBpm}
          onchange={(event) => event.currentTarget.form?.requestSubmit()}
        />
      </form>
    {/each}
  </td>
  <td>
    {#if since.sections.length > 0}
      <form method="POST" action="?/step" use:send={{ reset: false }}>
        <input type="hidden" name="itemId" value={item.id} />
        <select
          name="step"
          aria-label="Step of {item.name}"
          value={stepKey(item.schools?.step)}
          onchange={(event) => event.currentTarget.form?.requestSubmit()}
        >
          {#each Object.entries(STEP_NAMES) as [key, name] (key)}<option value={key}>{name}</option>{/each}
        </select>
      </form>
    {/if}
  </td>
</tr>

<style>
  .date {
    white-space: nowrap;
  }
  td {
    padding: 4px 10px 4px 0;
    font-size: 0.93rem;
    line-height: 1.35;
  }
  .order {
    width: 56px;
    white-space: nowrap;
  }
  .order form {
    display: flex;
  }
  .order button {
    display: grid;
    place-items: center;
    width: 24px;
    height: 24px;
    padding: 0;
    border: 0;
    background: none;
  }
  .order button:disabled {
    opacity: 0.2;
  }
  .name {
    width: 200px;
  }
  .name a {
    color: inherit;
    font-weight: 650;
  }
  .stuck {
    max-width: 240px;
  }
  .target form {
    display: flex;
    gap: 6px;
    align-items: center;
    min-height: 30px;
  }
  .target form + form {
    margin-top: 4px;
  }
  .bpm,
  select {
    min-height: 30px;
    padding: 2px 6px;
  }
  .bpm {
    width: 58px;
    font-weight: 650;
  }
  select {
    width: 132px;
  }
</style>

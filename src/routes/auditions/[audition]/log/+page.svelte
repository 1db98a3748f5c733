<script lang="ts">
  import type { ComponentProps } from 'svelte';
  import { send } from '$lib/state/send';
  import LogLine from '$lib/components/log/LogLine.svelte';
  import Marks from '$lib/components/log/Marks.svelte';
  import Today from '$lib/components/log/Today.svelte';
  import TouchFields from '$lib/components/log/TouchFields.svelte';
  import Moves from '$lib/components/countback/Moves.svelte';
  import Tempo from '$lib/components/note/Tempo.svelte';
  import { seriesOf } from '$lib/core/practice';
  import { familyOf } from '$lib/core/record/family';
  import { sayMs } from '$lib/components/take/systems';
  import { dayOf, sayDate } from '$lib/core/units';
  import type { ActionData, PageData } from './$types';

  let { data, form }: { data: PageData; form: ActionData } = $props();
  const view = $derived(data.view);
  const nameOf = (id: string) => view.items.find((i) => i.id === id)?.name ?? '';
  function sayNotHeld(touch: (typeof view.touches)[number]): string {
    const elements = seriesOf(touch).flatMap(({ notHeld = [] }) => notHeld);
    return elements.length > 0 ? `not yet: ${[...new Set(elements)].join(', ')}` : '';
  }
  const takesOf = ({ itemId, date }: (typeof view.touches)[number]) =>
    view.takes.filter((take) => take.itemId === itemId && take.date === date);
  /** What was changed of the instrument since the day of the touch before, newest first. */
  const markedBefore = (i: number) =>
    view.equipment
      .filter(({ date }) => date >= view.touches[i]!.date && (i === 0 || date < view.touches[i - 1]!.date))
      .toReversed();
  const removed = $derived(form && 'removed' in form ? form.removed : null);
  const logged = $derived(form && 'logged' in form ? form.logged : null);
  let picked = $state<Parameters<ComponentProps<typeof Today>['onPick']>[0] | null>(null);
</script>

<svelte:head><title>Log · {view.candidate.name} · Irvot</title></svelte:head>
{#if view.items.length === 0}
  <p class="first">The list is empty, so there is nothing to log yet.</p>
{:else}
  <div class="columns">
    <div>
      <h2>Log a touch</h2>
      {#key view.audition.id}<LogLine
          form={data.line}
          items={view.items}
          auditionId={view.audition.id}
        />{/key}
      {#if logged}
        <div class="laid" role="status">
          <p>
            <strong>Logged.</strong>
            {logged.moves.length > 0 ? 'The plan is laid again.' : 'No date moved.'}
          </p>
          <Moves moves={logged.moves} cause="this touch" isShown />
        </div>
      {/if}
      <details open={picked !== null}>
        <summary>or fill in the form</summary>
        {#key [picked, view.audition.id]}<TouchFields
            form={data.form}
            items={view.items}
            {picked}
            today={view.today}
            auditionId={view.audition.id}
            family={familyOf(view.candidate.instruments)}
          />{/key}
      </details>
    </div>
    {#if view.plan}<Today plan={view.plan} onPick={(block) => (picked = block)} />{/if}
    <div class="touches">
      {#if removed}
        <form class="notice" method="POST" action="?/remove" use:send>
          <input type="hidden" name="id" value={removed} /><input type="hidden" name="back" value="1" />
          The touch is out of the log. <button class="quiet">Put it back</button>
        </form>
      {/if}
      <h2 class="recent">
        {view.logged > view.touches.length
          ? `The last ${view.touches.length} of ${view.logged} touches`
          : 'Touches so far'}
      </h2>
      {#if view.touches.length > 0}
        <div class="scroll">
          <table>
            <thead>
              <tr>
                <th scope="col">date</th><th scope="col">item</th><th scope="col">bars</th><th
                  scope="col"
                  class="number">min</th
                ><th scope="col">tempo and attempts</th><th scope="col">note</th><th scope="col"
                  ><span class="hidden">take out</span></th
                >
              </tr>
            </thead>
            <tbody>
              {#each view.touches as touch, i (touch.id)}
                {#each markedBefore(i) as mark (mark.id)}
                  <tr class="equipment">
                    <td class="date">{sayDate(dayOf(mark.date))}</td>
                    <td colspan="6">equipment: <bdi>{mark.says}</bdi></td>
                  </tr>
                {/each}
                <tr>
                  <td class="date">{sayDate(dayOf(touch.date))}</td>
                  <td>{nameOf(touch.itemId)}</td>
                  <td
                    >{touch.fromBar === undefined
                      ? 'whole'
                      : touch.fromBar === touch.toBar
                        ? touch.fromBar
                        : `${touch.fromBar}–${touch.toBar}`}</td
                  >
                  <td class="number">{touch.minutes}</td>
                  <td class="all">
                    {#each seriesOf(touch) as { tempoBpm, unit, attempts }, i (i)}<span class="series"
                        >{#if tempoBpm !== undefined && unit}<Tempo bpm={tempoBpm} {unit} height={14} />{/if}
                        <Marks attempts={attempts ?? ''} /></span
                      >{/each}
                  </td>
                  <td
                    >{[sayNotHeld(touch), touch.note].filter(Boolean).join(' · ')}
                    {#each takesOf(touch) as take (take.id)}<a href="/takes/{take.id}?from=log"
                        >hear it, {sayMs(take.lengthMs)}</a
                      >
                    {/each}</td
                  >
                  <td>
                    <form method="POST" action="?/remove" use:send>
                      <input type="hidden" name="id" value={touch.id} /><button
                        class="quiet"
                        aria-label="Take out {nameOf(touch.itemId)} of {touch.date}">Take out</button
                      >
                    </form>
                  </td>
                </tr>
              {/each}
            </tbody>
          </table>
        </div>
      {:else}
        <p class="soft">Nothing yet. What is logged decides what holds, and the plan follows.</p>
      {/if}
    </div>
  </div>
{/if}

<style>
  .columns {
    display: grid;
    grid-template-columns: minmax(0, 1fr) 340px;
    grid-template-rows: auto 1fr;
    gap: 8px 48px;
    margin-top: 20px;
  }
  .columns > :global(aside) {
    grid-row: 1 / 3;
    grid-column: 2;
  }
  .touches {
    min-width: 0;
  }
  .first {
    margin-top: 24px;
    font-size: 1.07rem;
  }
  details {
    margin-top: 14px;
  }
  summary {
    cursor: pointer;
  }
  .laid,
  .recent {
    margin: 20px 0 6px;
  }
  .scroll {
    position: relative;
    overflow-x: auto;
  }
  td {
    padding: 5px 12px 5px 0;
    font-size: 0.93rem;
  }
  .date {
    white-space: nowrap;
  }
  .series {
    display: inline-flex;
    gap: 6px;
    align-items: center;
    margin-right: 18px;
    white-space: nowrap;
  }
  .all {
    width: 44%;
  }
  .touches td:last-child {
    white-space: nowrap;
  }
  @media (max-width: 900px) {
    .columns {
      grid-template-columns: minmax(0, 1fr);
    }
    .columns > :global(aside) {
      grid-row: auto;
      grid-column: auto;
    }
  }
</style>

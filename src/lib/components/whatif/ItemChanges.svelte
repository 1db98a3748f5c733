<!-- Changes by hand, item by item: targets, strategy, step, shape, and whether it is on the plan. -->
<script lang="ts">
  import NoteValue from '$lib/components/note/NoteValue.svelte';
  import { RAMP_SHAPES, type RampShape } from '$lib/core/plan';
  import {
    type Changes,
    STRATEGIES,
    type Schools,
    type SeasonItem,
    type Strategy,
    targetFault
  } from '$lib/core/season';
  import { targetOf } from '$lib/core/tempo';
  import { STEPS, STEP_NAMES, STRATEGY_NAMES, stepKey } from '$lib/schema/steps';
  import type { ScratchSeason } from '$lib/state/scratch.svelte';
  import type { SeasonFacts } from '$lib/workers/season.worker';

  let {
    request,
    changes,
    scratch,
    onFault
  }: {
    request: SeasonFacts;
    changes: Changes;
    scratch: ScratchSeason;
    /** Hears what is wrong with what was typed; '' where nothing is. */
    onFault: (says: string) => void;
  } = $props();

  const changeOf = (item: SeasonItem) => changes.items?.find((c) => c.itemId === item.id);
  const schoolsOf = (item: SeasonItem) => ({ ...item.schools, ...changeOf(item)?.schools });
  const isClicked = (item: SeasonItem) => item.sections.some((s) => s.tempo.kind !== 'free');
  const clicked = $derived(request.items.filter(isClicked));
  type Options = readonly (readonly [key: string, name: string])[];
  const strategyOptions: Options = STRATEGIES.map((strategy) => [strategy, STRATEGY_NAMES[strategy]]);
  const shapeOptions: Options = RAMP_SHAPES.map((shape) => [shape, shape.replaceAll('-', ' ')]);
  const asTheyAre = (options: Options): Options => [['', 'as they are'], ...options];
  const targetIn = (item: SeasonItem, section: SeasonItem['sections'][number]) =>
    changeOf(item)?.targets?.find((t) => t.sectionId === section.id)?.bpm ?? targetOf(section.tempo)?.bpm;
  function setSchools(items: readonly SeasonItem[], more: Partial<Schools>) {
    const ids = new Set(items.map((item) => item.id));
    const others = (changes.items ?? []).filter((change) => !ids.has(change.itemId));
    const changed = items.map((item) => ({
      ...changeOf(item),
      itemId: item.id,
      schools: { ...changeOf(item)?.schools, ...more }
    }));
    scratch.set({ ...changes, items: [...others, ...changed] });
  }

  function setTarget(item: SeasonItem, section: SeasonItem['sections'][number], text: string) {
    const bpm = Number(text);
    const fault =
      text.trim() === '' ? 'A tempo is a number of beats a minute.' : (targetFault(section.tempo, bpm) ?? '');
    onFault(fault);
    if (fault) return;
    const others = (changeOf(item)?.targets ?? []).filter((t) => t.sectionId !== section.id);
    scratch.setItem(item.id, {
      targets: bpm === targetOf(section.tempo)?.bpm ? others : [...others, { sectionId: section.id, bpm }]
    });
  }
</script>

{#snippet choice(
  label: string,
  options: Options,
  value: string,
  isChanged: boolean,
  onChoose: (key: string) => void
)}
  <select
    aria-label={label}
    class:changed={isChanged}
    {value}
    onchange={(e) => {
      if (e.currentTarget.value !== '') onChoose(e.currentTarget.value);
      if (value === '') e.currentTarget.value = '';
    }}
  >
    {#each options as [key, name] (key)}<option value={key}>{name}</option>{/each}
  </select>
{/snippet}

<div class="scroll">
  <table>
    <thead>
      <tr>
        {#each ['item', 'target', 'strategy', 'step', 'shape', 'on the plan'] as head (head)}<th scope="col"
            >{head}</th
          >{/each}
      </tr>
    </thead>
    <tbody>
      <tr>
        <th scope="row" class="soft">all items</th>
        <td></td>
        <td
          >{@render choice('Strategy of all items', asTheyAre(strategyOptions), '', false, (key) =>
            setSchools(clicked, { strategy: key as Strategy })
          )}</td
        >
        <td
          >{@render choice('Step of all items', asTheyAre(Object.entries(STEP_NAMES)), '', false, (key) =>
            setSchools(clicked, { step: STEPS[key as keyof typeof STEPS] })
          )}</td
        >
        <td
          >{@render choice('Shape of all items', asTheyAre(shapeOptions), '', false, (key) =>
            setSchools(clicked, { shape: key as RampShape })
          )}</td
        >
        <td></td>
      </tr>
      {#each request.items as item (item.id)}
        <tr>
          <th scope="row"><bdi>{item.name}</bdi></th>
          <td
            ><div class="targets">
              {#each item.sections as section (section.id)}
                {#if section.tempo.kind !== 'free'}
                  <span class="one"
                    ><NoteValue unit={section.tempo.unit} height={18} />
                    <input
                      type="number"
                      step="any"
                      aria-label="Target of {item.name}, bars {section.fromBar} to {section.toBar}"
                      class:changed={targetIn(item, section) !== targetOf(section.tempo)?.bpm}
                      value={targetIn(item, section)}
                      onchange={(e) => setTarget(item, section, e.currentTarget.value)}
                    /></span
                  >
                {/if}
              {/each}
            </div></td
          >
          <td>
            {#if isClicked(item)}
              {@render choice(
                `Strategy of ${item.name}`,
                strategyOptions,
                schoolsOf(item).strategy ?? 'ramp',
                changeOf(item)?.schools?.strategy !== undefined,
                (key) => setSchools([item], { strategy: key as Strategy })
              )}
            {/if}
          </td>
          <td>
            {#if isClicked(item)}
              {@render choice(
                `Step of ${item.name}`,
                Object.entries(STEP_NAMES),
                stepKey(schoolsOf(item).step),
                changeOf(item)?.schools?.step !== undefined,
                (key) => setSchools([item], { step: STEPS[key as keyof typeof STEPS] })
              )}
            {/if}
          </td>
          <td>
            {#if isClicked(item)}
              {@render choice(
                `Shape of ${item.name}`,
                shapeOptions,
                schoolsOf(item).shape ?? 'equal-percent',
                changeOf(item)?.schools?.shape !== undefined,
                (key) => setSchools([item], { shape: key as RampShape })
              )}
            {/if}
          </td>
          <td
            ><label class="out"
              ><input
                type="checkbox"
                checked={!(changeOf(item)?.isLeftOut ?? item.isLeftOut)}
                onchange={(e) => scratch.setItem(item.id, { isLeftOut: !e.currentTarget.checked })}
              />
              <span class="hidden">{item.name} is</span> on the plan</label
            ></td
          >
        </tr>
      {/each}
    </tbody>
  </table>
</div>

<style>
  .scroll {
    overflow-x: auto;
  }
  th[scope='row'] {
    border-bottom: 1px solid var(--rule);
    color: var(--ink);
    font-size: 1rem;
    font-weight: 500;
    text-align: left;
  }
  td,
  th {
    padding: 4px 16px 4px 0;
  }
  .targets {
    display: flex;
    flex-wrap: wrap;
    gap: 4px 12px;
  }
  .one {
    display: flex;
    gap: 4px;
    align-items: center;
  }
  .out {
    flex-direction: row;
    gap: 6px;
    align-items: center;
    min-height: 34px;
  }
  label {
    display: flex;
    color: var(--soft);
    font-size: 0.87rem;
  }
  input:not([type='checkbox']),
  select {
    min-height: 34px;
    padding: 3px 6px;
  }
  input[type='number'] {
    width: 72px;
    text-align: right;
  }
  .changed {
    border: 2px solid var(--plan);
    font-weight: 650;
  }
</style>

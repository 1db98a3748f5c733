<!-- Changes by hand: minutes of the weekdays, fundamentals, days into the mock window, the next round's date, and the items. -->
<script lang="ts">
  import NoteValue from '$lib/components/note/NoteValue.svelte';
  import {
    STRATEGIES,
    type Changes,
    type Schools,
    type SeasonItem,
    type Strategy,
    targetFault,
    outOfReach
  } from '$lib/core/season';
  import { RAMP_SHAPES, type RampShape } from '$lib/core/plan';
  import { targetOf } from '$lib/core/tempo';
  import { WEEKDAY_NAMES } from '$lib/core/units';
  import { STEPS, STEP_NAMES, STRATEGY_NAMES, stepKey } from '$lib/schema/steps';
  import type { ScratchSeason } from '$lib/state/scratch.svelte';
  import type { SeasonFacts } from '$lib/workers/season.worker';

  let { request, changes, scratch }: { request: SeasonFacts; changes: Changes; scratch: ScratchSeason } =
    $props();

  let fault = $state('');
  const next = $derived(
    request.rounds.find((r) => r.date >= request.today && (request.countsDownTo?.includes(r.id) ?? true))
  );
  const roundDate = $derived(changes.rounds?.find((r) => r.roundId === next?.id)?.date ?? next?.date ?? '');
  const baseDays = $derived(request.daysIntoMock ?? request.items[0]?.daysIntoMock ?? 0);
  const baseMin = (weekday: number) =>
    request.time.week.filter((s) => s.weekday === weekday).reduce((sum, s) => sum + s.minutes, 0);
  const addMin = (weekday: number) => changes.week?.find((w) => w.weekday === weekday)?.addMin ?? 0;
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
  const whole = (text: string, most: number) => {
    const n = Number(text);
    return text.trim() !== '' && Number.isInteger(n) && n >= 0 && n <= most ? n : null;
  };

  function setWeekday(weekday: number, text: string) {
    const minutes = whole(text, 720);
    fault = minutes === null ? `Minutes of a ${WEEKDAY_NAMES[weekday - 1]} are whole, from 0 to 720.` : '';
    if (minutes === null) return;
    const others = (changes.week ?? []).filter((w) => w.weekday !== weekday);
    const add = minutes - baseMin(weekday);
    scratch.set({ ...changes, week: add === 0 ? others : [...others, { weekday, addMin: add }] });
  }

  function setNumber(
    key: 'fundamentalsMin' | 'daysIntoMock' | 'lighterDays',
    base: number,
    most: number,
    text: string
  ) {
    const n = whole(text, most);
    fault = n === null ? `A whole number from 0 to ${most}, please.` : '';
    if (n !== null) scratch.set({ ...changes, [key]: n === base ? undefined : n });
  }

  function setDate(date: string) {
    fault = date > request.today ? (outOfReach(date, request.today) ?? '') : 'Choose a day after today.';
    if (fault || !next) return;
    const others = (changes.rounds ?? []).filter((r) => r.roundId !== next.id);
    scratch.set({
      ...changes,
      rounds: date === next.date ? others : [...others, { roundId: next.id, date }]
    });
  }

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
    fault =
      text.trim() === '' ? 'A tempo is a number of beats a minute.' : (targetFault(section.tempo, bpm) ?? '');
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

<details>
  <summary>Change it by hand</summary>
  {#if fault}<p class="fault" role="alert">{fault}</p>{/if}
  <div class="numbers">
    {#each WEEKDAY_NAMES as name, i (name)}
      <label
        >{name.slice(0, 3)}
        <input
          type="number"
          min="0"
          max="720"
          aria-label="Minutes on {name}s"
          class:changed={addMin(i + 1) !== 0}
          value={baseMin(i + 1) + addMin(i + 1)}
          onchange={(e) => setWeekday(i + 1, e.currentTarget.value)}
        /></label
      >
    {/each}
    <label
      >fundamentals, min
      <input
        type="number"
        min="0"
        max="240"
        class:changed={changes.fundamentalsMin !== undefined}
        value={changes.fundamentalsMin ?? request.time.fundamentalsMin}
        onchange={(e) =>
          setNumber('fundamentalsMin', request.time.fundamentalsMin, 240, e.currentTarget.value)}
      /></label
    >
    <label
      >next days at half, days
      <input
        type="number"
        min="0"
        max="14"
        class:changed={changes.lighterDays !== undefined}
        value={changes.lighterDays ?? 0}
        onchange={(e) => setNumber('lighterDays', 0, 14, e.currentTarget.value)}
      /></label
    >
    <label
      >ramp into the mocks, days
      <input
        type="number"
        min="0"
        max="14"
        class:changed={changes.daysIntoMock !== undefined}
        value={changes.daysIntoMock ?? baseDays}
        onchange={(e) => setNumber('daysIntoMock', baseDays, 14, e.currentTarget.value)}
      /></label
    >
    {#if next}
      <label class="date"
        >{next.name}
        <input
          type="date"
          class:changed={roundDate !== next.date}
          value={roundDate}
          onchange={(e) => setDate(e.currentTarget.value)}
        /></label
      >
    {/if}
  </div>
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
</details>

<style>
  details {
    margin-top: 10px;
  }
  summary {
    cursor: pointer;
    font-weight: 620;
  }
  .numbers {
    display: flex;
    flex-wrap: wrap;
    gap: 8px 10px;
    align-items: end;
    margin: 10px 0 14px;
  }
  label {
    display: flex;
    flex-direction: column;
    gap: 2px;
    color: var(--soft);
    font-size: 0.87rem;
  }
  .out {
    flex-direction: row;
    gap: 6px;
    align-items: center;
    min-height: 34px;
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
  .fault {
    padding: 4px 0 4px 8px;
  }
</style>

<!-- What stands beside the day: its spots, what waits, tomorrow and what to lay ready for it, and the lesson's note. Laid into a grid of two columns. -->
<script lang="ts">
  import type { DeskBlock, EquipmentMark } from '$lib/core/practice';
  import { dayOf, sayDate } from '$lib/core/units';
  import { sayAt } from '$lib/components/desk/tempo-words';
  import { cautionsOf } from '$lib/core/practice';
  import type { TodayView } from '$lib/schema/view';
  import { layReady } from './lay-ready';

  let {
    view,
    all,
    equipment,
    onEquip
  }: {
    view: TodayView;
    /** Blocks of the day, those left out too. */
    all: readonly DeskBlock[];
    equipment: readonly EquipmentMark[];
    /** What was changed of the instrument; empty takes the mark of that id out. */
    onEquip: (says: string, mark?: string) => unknown;
  } = $props();

  let says = $state('');
  function equip(event: SubmitEvent) {
    event.preventDefault();
    if (says.trim() !== '') onEquip(says.trim());
    says = '';
  }

  const spotCount = (state: string) => view.spots.filter((spot) => spot.state === state).length;
  const laid = $derived(new Set(all.flatMap(({ spots = [] }) => spots.map(({ id }) => id))));
  /** Open ones that today has no room for. */
  const waiting = $derived(view.spots.filter(({ id, state }) => state === 'open' && !laid.has(id)).length);
  const ready = $derived(layReady(view));
  const cautions = $derived(
    cautionsOf({
      blocks: all.filter(({ isDropped }) => !isDropped),
      family: view.family,
      isJump: view.isJump
    })
  );
  const asked = (keys: TodayView['scales'][number]['keys'], toBpm: number) =>
    keys.filter(({ bpm }) => bpm >= toBpm).length;
</script>

{#if view.light}
  <h3>Today</h3>
  <p>{view.light}</p>
{/if}
{#if view.due.length > 0}
  <h3>Around the audition</h3>
  <ul>
    {#each view.due as { id, name, dueOn } (id)}
      <li>
        <a href="/auditions/{view.audition.id}/around"><bdi>{name}</bdi></a>, {dueOn === view.today
          ? 'today'
          : `by ${sayDate(dayOf(dueOn!))}`}
      </li>
    {/each}
  </ul>
{/if}
{#if cautions.length > 0}
  <h3>Care</h3>
  <p>{cautions.join(' ')}</p>
{/if}
<h3>Spots</h3>
<p>
  <a href="/auditions/{view.audition.id}/spots"
    >{view.spots.length > 0
      ? `${spotCount('open')} open, ${spotCount('resting')} at rest and asked again`
      : 'None yet: note the first'}</a
  >{#if waiting > 0}<span class="soft">; {waiting} wait for a day of their item</span>{/if}
</p>
<p><a href="/auditions/{view.audition.id}/takes">Takes, to be heard</a></p>
{#if view.waiting.length > 0}
  <h3>Fundamentals</h3>
  <p>Without minutes today, and first tomorrow: {view.waiting.join(', ')}.</p>
{/if}
{#each view.scales as { name, unit, toBpm, keys }, i (i)}
  <h3>{name}</h3>
  <p class="keys">
    <span
      >{asked(keys, toBpm)} of {keys.length} keys at {sayAt(toBpm, unit)}{keys.some(({ isWeak }) => isWeak)
        ? '; dotted ones are drawn twice as often'
        : ''}:</span
    >
    {#each keys as { key, bpm, stage, isWeak }, i (i)}<span class:weak={isWeak} title="click: {stage}"
        >{key.replace(/ (major|minor)$/, '')} <b>{sayAt(bpm, unit)}</b></span
      >{/each}
  </p>
{/each}
<h3>Tomorrow</h3>
<p>
  {#if view.tomorrow.roadMap.length > 0}{sayDate(dayOf(view.tomorrow.date))},
    {view.tomorrow.roadMap.reduce((total, block) => total + block.minutes, 0)} minutes:
    {view.tomorrow.roadMap.map((block) => `${block.name} ${block.minutes}`).join(' · ')}{:else}No practice.{/if}
</p>
{#if ready.length > 0}
  <h3>Lay ready</h3>
  <p>{ready.join(' · ')}</p>
{/if}
<h3>Equipment</h3>
<form onsubmit={equip}>
  {#each equipment as mark (mark.id)}<p>
      {sayDate(dayOf(mark.date))}: <bdi>{mark.says}</bdi>
      <button
        type="button"
        class="quiet"
        aria-label="Take out {mark.says}"
        onclick={() => onEquip('', mark.id)}>Take out</button
      >
    </p>{/each}
  <label class="hidden" for="equipment">What was changed of the instrument</label>
  <input
    id="equipment"
    bind:value={says}
    dir="auto"
    maxlength="200"
    autocomplete="off"
    placeholder="reed 3, new strings ..."
  />
  <button class="action">Mark it today</button>
</form>
{#if view.lessonNote}
  <h3>From the lesson</h3>
  <p class="note">
    {view.lessonNote.note} <span class="soft">{sayDate(dayOf(view.lessonNote.date))}</span>
  </p>
{/if}

<style>
  ul {
    margin: 0;
    padding: 0;
    list-style: none;
  }
  input {
    width: 220px;
    margin-right: 8px;
  }
  .keys {
    display: flex;
    flex-wrap: wrap;
    gap: 2px 14px;
    font-stretch: 88%;
  }
  .weak {
    border-bottom: 2px dotted var(--ink);
  }
  .note {
    white-space: pre-line;
  }
</style>

<!-- Changes by hand: minutes of the weekdays, fundamentals, days into the mock window, the next round's date, and the items. -->
<script lang="ts">
  import { type Changes, outOfReach } from '$lib/core/season';
  import { WEEKDAY_NAMES } from '$lib/core/units';
  import ItemChanges from './ItemChanges.svelte';
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
</script>

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
  <ItemChanges {request} {changes} {scratch} onFault={(says) => (fault = says)} />
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
  input {
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
  .fault {
    padding: 4px 0 4px 8px;
  }
</style>

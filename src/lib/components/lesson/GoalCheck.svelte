<!-- A milestone in one's own words is told what it has and what it lacks. What a plan can keep of it, is kept as a pin. -->
<script lang="ts">
  import { onMount } from 'svelte';
  import { type Pace, type PlannedItem, type SeasonItem, checkGoal, readGoal } from '$lib/core/season';
  import { dayOf, sayBpm, sayDate } from '$lib/core/units';
  import { send } from '$lib/state/send';
  import { draftOf } from '$lib/state/draft';

  let {
    items,
    planned,
    paces,
    today,
    whose
  }: {
    items: readonly SeasonItem[];
    /** As the plan has them: a milestone can be kept as a pin of one of their rungs. */
    planned: readonly PlannedItem[];
    paces: readonly Pace[];
    today: string;
    whose: string;
  } = $props();

  let text = $state('');
  // the page is set up anew for another candidate
  // svelte-ignore state_referenced_locally
  const draft = draftOf(`milestone ${whose}`);
  onMount(() => void draft.read().then((before) => (text ||= typeof before === 'string' ? before : '')));
  const readings = $derived(text.trim() === '' ? [] : checkGoal(text, items, paces, today));
  const goal = $derived(text.trim() === '' ? null : readGoal(text, items, today));
  /** The lowest rung at or above its tempo, of the bars it names. */
  const rung = $derived.by(() => {
    if (!goal) return null;
    const item = planned.find(({ id }) => id === goal.itemId);
    const fits = item?.rungs.filter(({ sectionId, bpm, bars }) => {
      const section = item.sections.find(({ id }) => id === sectionId);
      const isThere =
        !goal.bars || (section && section.fromBar <= goal.bars.to && goal.bars.from <= section.toBar);
      return !bars && isThere && bpm >= goal.bpm;
    });
    return fits?.sort((a, b) => a.bpm - b.bpm)[0] ?? null;
  });
  const SIGNS = { true: 'has it', false: 'lacks it', null: 'not known' } as const;
</script>

<section>
  <h2><label for="goal">A milestone in your own words</label></h2>
  <input
    id="goal"
    dir="auto"
    bind:value={text}
    oninput={() => (text === '' ? draft.forget() : draft.write(text))}
    placeholder="Millrace bars 31-36 at 54, 3 in a row, by 20 December"
  />
  {#if readings.length > 0}
    <dl aria-live="polite">
      {#each readings as { quality, has, says } (quality)}
        <div class:lacks={has === false}>
          <dt>{quality} <span class="soft">{SIGNS[`${has}`]}</span></dt>
          <dd>{says}</dd>
        </div>
      {/each}
    </dl>
    {#if goal && rung}
      <form method="POST" action="?/pin" use:send>
        <input type="hidden" name="itemId" value={goal.itemId} />
        <input type="hidden" name="sectionId" value={rung.sectionId} />
        <input type="hidden" name="bpm" value={rung.bpm} />
        <input type="hidden" name="date" value={goal.date} />
        <button class="action">Keep it in the plan: {sayBpm(rung.bpm)} on {sayDate(dayOf(goal.date))}</button>
        <span class="soft"
          >{rung.bpm === goal.bpm
            ? 'Its rung is set to that day.'
            : `The ladder has ${sayBpm(rung.bpm)} next.`}</span
        >
      </form>
    {:else if goal}<p class="soft">The plan has no rung at or above {sayBpm(goal.bpm)} there.</p>{/if}
  {/if}
</section>

<style>
  section {
    margin-top: 24px;
  }
  input {
    width: 100%;
    max-width: 760px;
    margin-top: 6px;
  }
  dl {
    max-width: 760px;
    margin: 8px 0 0;
  }
  dl > div {
    display: grid;
    grid-template-columns: 190px 1fr;
    gap: 0 12px;
    padding: 4px 0 4px 8px;
    border-left: 3px solid transparent;
    border-bottom: 1px solid var(--rule);
  }
  form {
    display: flex;
    flex-wrap: wrap;
    gap: 6px 16px;
    align-items: center;
    margin-top: 10px;
  }
  .lacks {
    border-left-color: var(--ink);
  }
  .lacks dt {
    font-weight: 650;
  }
  dd {
    margin: 0;
  }
  @media (max-width: 720px) {
    dl > div {
      grid-template-columns: 1fr;
    }
  }
</style>

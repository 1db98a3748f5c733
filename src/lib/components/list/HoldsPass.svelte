<!-- One pass over the list: each section is played once, and the tempo that holds is tapped or typed. -->
<script lang="ts">
  import type { SuperValidated } from 'sveltekit-superforms';
  import Tempo from '$lib/components/note/Tempo.svelte';
  import FormFaults from '$lib/components/ui/FormFaults.svelte';
  import { EVIDENCE_NAMES } from '$lib/core/record/words';
  import { heardBy } from '$lib/state/heard-by';
  import { settingsBetween } from '$lib/core/tempo';
  import { dayOf, sayBpm, sayDate, tempoIn, type Tempo as TempoOf } from '$lib/core/units';
  import type { HoldsForm } from '$lib/schema/holds-form';
  import LastTimes from '$lib/components/around/LastTimes.svelte';
  import type { LastTime } from '$lib/schema/before-view';
  import type { HoldsAsked } from '$lib/schema/view';
  import { keptForm } from '$lib/state/kept-form';

  let {
    asked,
    times,
    form: initial,
    draftKey,
    base
  }: {
    asked: readonly HoldsAsked[];
    /** Auditions that are behind. */
    times: readonly LastTime[];
    form: SuperValidated<HoldsForm>;
    draftKey: string;
    base: string;
  } = $props();

  // Read once, while it is set up: what comes later must not undo what is typed.
  // svelte-ignore state_referenced_locally
  const { form, errors, enhance, submitting, trouble } = keptForm(initial, draftKey);

  /** So many settings to tap, from under half of the target up to it. */
  const CHIPS = 8;
  function chipsOf({ bpm, unit }: TempoOf): number[] {
    // halves of a setting are for those who type them
    const settings = [...settingsBetween(bpm * 0.4, bpm, unit).filter(Number.isInteger), bpm];
    if (settings.length <= CHIPS) return settings;
    return Array.from(
      { length: CHIPS },
      (_, n) => settings[Math.round((n * (settings.length - 1)) / (CHIPS - 1))]!
    );
  }
  const rowOf = (one: HoldsAsked) =>
    $form.rows.findIndex((row) => row.itemId === one.itemId && row.sectionId === one.sectionId);
  const groups = $derived([
    { name: '', sections: asked.filter((one) => !one.isKnown) },
    { name: 'Known already', sections: asked.filter((one) => one.isKnown) }
  ]);
  const said = $derived($form.rows.filter(({ bpm }) => bpm !== null).length);
  const placeOf = (one: HoldsAsked) =>
    [
      one.kind === 'scales' ? '' : `bars ${one.fromBar}–${one.toBar}`,
      isSeveral(one) ? one.name : '',
      one.isKnown ? one.says : ''
    ]
      .filter(Boolean)
      .join(', ');
  const isSeveral = (one: HoldsAsked) => asked.filter(({ itemId }) => itemId === one.itemId).length > 1;
</script>

<form method="POST" action="?/save" use:enhance>
  <h2>What holds today?</h2>
  <p class="soft lead">
    Play each once, from where it feels easy: the fastest tempo that holds. Half of the target is presumed
    where nothing is said.
  </p>
  <LastTimes {times} />
  <FormFaults errors={$trouble ? [$trouble] : $errors._errors} />
  <div class="by" role="radiogroup" aria-label="Heard by">
    <span class="soft">heard by</span>
    {#each heardBy() as by (by)}<label
        ><input type="radio" name="heardBy" value={by} bind:group={$form.heardBy} />
        {EVIDENCE_NAMES[by]}</label
      >{/each}
  </div>
  {#each groups as { name, sections } (name)}
    {#if sections.length > 0 && name}<h3>{name}</h3>{/if}
    {#each sections as one (one.itemId + one.sectionId)}
      {@const i = rowOf(one)}
      {#if i >= 0}
        {@const fault = $errors.rows?.[i]?.bpm?.[0]}
        <div class="row" role="group" aria-label={one.itemName}>
          <p class="what">
            <strong dir="auto">{one.itemName}</strong>
            <span class="soft">{placeOf(one)}</span>
          </p>
          {#if one.before}{@const then = tempoIn(one.before, one.target.unit)}
            <p class="then">
              <button
                type="button"
                class="quiet"
                aria-pressed={$form.rows[i]!.bpm === then}
                onclick={() => ($form.rows[i]!.bpm = $form.rows[i]!.bpm === then ? null : then)}
                >held {sayBpm(then)} on {sayDate(dayOf(one.before.on))}, {one.before.audition}: does it still?</button
              >
            </p>{/if}
          <p class="chips">
            {#each chipsOf(one.target) as bpm (bpm)}<button
                type="button"
                aria-pressed={$form.rows[i]!.bpm === bpm}
                onclick={() => ($form.rows[i]!.bpm = $form.rows[i]!.bpm === bpm ? null : bpm)}
                >{sayBpm(bpm)}</button
              >{/each}
          </p>
          <label class="typed"
            ><span class="hidden">Holds now, {one.itemName}, bpm</span><input
              type="number"
              step="any"
              placeholder="other"
              aria-invalid={fault ? 'true' : undefined}
              aria-describedby={fault ? `fault-${i}` : undefined}
              bind:value={$form.rows[i]!.bpm}
            /></label
          >
          <span class="target">of&nbsp;<Tempo {...one.target} /></span>
          {#if fault}<p class="fault" id="fault-{i}">{fault}</p>{/if}
        </div>
      {/if}
    {/each}
  {/each}
  <p class="ends">
    <button class="action main" disabled={$submitting}
      >{said === 0 ? 'Go on without' : `Lay the plan from ${said === 1 ? 'this' : `these ${said}`}`}</button
    >
    <a href="{base}/list">Back to the list</a>
  </p>
</form>

<style>
  h2 {
    margin: 20px 0 4px;
  }
  h3 {
    margin: 22px 0 4px;
  }
  .lead {
    max-width: 100ch;
  }
  .by {
    display: flex;
    flex-wrap: wrap;
    gap: 4px 24px;
    align-items: center;
    margin: 10px 0 12px;
  }
  .row {
    display: grid;
    grid-template-columns: 300px minmax(0, 1fr) 84px 96px;
    gap: 4px 18px;
    align-items: center;
    padding: 7px 0;
    border-top: 1px solid var(--rule);
  }
  .what span {
    display: block;
    font-size: 0.87rem;
  }
  .chips {
    display: flex;
  }
  .chips button {
    flex: 1 1 0;
    min-width: 0;
    min-height: 44px;
    padding: 0;
    border: 1px solid var(--ink);
    border-left-width: 0;
    background: none;
    color: var(--ink);
    font-size: 1.07rem;
    cursor: pointer;
  }
  .chips button:first-child {
    border-left-width: 1px;
  }
  .chips button[aria-pressed='true'] {
    background: var(--ink);
    color: var(--paper);
    font-weight: 700;
  }
  .typed input {
    width: 84px;
    min-height: 44px;
  }
  .target {
    white-space: nowrap;
  }
  .row .fault {
    grid-column: 2 / -1;
  }
  .ends {
    display: flex;
    gap: 20px;
    align-items: center;
    margin-top: 20px;
  }
  @media (max-width: 900px) {
    .row {
      grid-template-columns: minmax(0, 1fr) 84px;
    }
    .what {
      grid-column: 1;
      order: 0;
    }
    .target {
      order: 1;
      text-align: right;
    }
    .chips {
      grid-column: 1 / -1;
      order: 2;
    }
    .typed {
      grid-column: 1;
      order: 3;
    }
    .row .fault {
      grid-column: 1 / -1;
      order: 4;
    }
  }
  .then {
    grid-column: 1 / -1;
  }
  .then [aria-pressed='true'] {
    font-weight: 700;
  }
</style>

<!-- The week in spans of minutes, what comes off first, lessons, and dates on which it is otherwise. -->
<script lang="ts">
  import type { SuperValidated } from 'sveltekit-superforms';
  import DraftBack from '$lib/components/ui/DraftBack.svelte';
  import Field from '$lib/components/ui/Field.svelte';
  import FormFaults from '$lib/components/ui/FormFaults.svelte';
  import { BREAK_MIN_PER_HOUR, weekCautions } from '$lib/core/plan';
  import { WEEKDAY_NAMES } from '$lib/core/units';
  import type { TimeForm } from '$lib/schema/time-form';
  import ExceptionsEditor from './ExceptionsEditor.svelte';
  import RotationEditor from './RotationEditor.svelte';
  import { keptForm } from '$lib/state/kept-form';

  let {
    form: initial,
    draftKey,
    instruments,
    today,
    from
  }: {
    form: SuperValidated<TimeForm>;
    draftKey: string;
    instruments: string;
    today: string;
    /** Audition to go back to. */ from: string | null;
  } = $props();

  // Read once, while it is set up: what comes later must not undo what is typed or opened.
  // svelte-ignore state_referenced_locally
  const { form, errors, enhance, submitting, trouble, isBack, forget } = keptForm(initial, draftKey);

  const spansOf = (day: number) =>
    $form.week.map((span, i) => ({ span, i })).filter(({ span }) => span.weekday === day);
  const grossOf = (day: number) => spansOf(day).reduce((sum, { span }) => sum + (span.minutes || 0), 0);
  function leftOf(day: number): number {
    const gross = grossOf(day);
    const lessons = $form.lessons
      .filter((l) => l.weekday === day && !l.isInside)
      .reduce((sum, l) => sum + (l.minutes || 0), 0);
    return Math.max(
      0,
      gross - lessons - $form.warmUpMin - $form.fundamentalsMin - BREAK_MIN_PER_HOUR * Math.floor(gross / 60)
    );
  }
  const practised = $derived([1, 2, 3, 4, 5, 6, 7].filter((day) => grossOf(day) > 0));
  const total = $derived(
    [1, 2, 3, 4, 5, 6, 7].reduce((sum, day) => sum + (grossOf(day) > 0 ? leftOf(day) : 0), 0)
  );
</script>

<form method="POST" action="?/save{from ? `&from=${from}` : ''}" use:enhance>
  {#if $isBack}<DraftBack {forget} />{/if}
  <FormFaults errors={$trouble ? [$trouble] : $errors._errors} />
  <div class="columns">
    <section>
      <h3>The week</h3>
      <ol>
        {#each WEEKDAY_NAMES as name, d (name)}
          {@const day = d + 1}
          <li>
            <h4>{name}</h4>
            <div class="spans">
              {#each spansOf(day) as { span, i } (i)}
                <div class="span">
                  <Field
                    id="week-{i}-minutes"
                    label="minutes, {name}"
                    isLabelHidden
                    errors={$errors.week?.[i]?.minutes}
                    type="number"
                    bind:value={span.minutes}
                    oninput={() => ($form.week = $form.week)}
                  />
                  <span>min from</span>
                  <Field
                    id="week-{i}-start"
                    label="start, {name}, may stay empty"
                    isLabelHidden
                    errors={$errors.week?.[i]?.start}
                    type="time"
                    bind:value={span.start}
                  />
                  <button
                    type="button"
                    class="quiet"
                    aria-label="Remove this time of {name}"
                    onclick={() => ($form.week = $form.week.filter((_, j) => j !== i))}>Remove</button
                  >
                </div>
              {:else}<span class="soft">no practice</span>{/each}
            </div>
            <button
              type="button"
              class="quiet"
              onclick={() => ($form.week = [...$form.week, { weekday: day, start: '', minutes: 60 }])}
            >
              {spansOf(day).length > 0 ? 'Add a time of day' : `Practise on ${name}`}
            </button>
            <span class="left soft">{grossOf(day) > 0 ? `${leftOf(day)} for the list` : ''}</span>
          </li>
        {/each}
      </ol>
      <p class="total">
        <strong>{total} min a week for the list</strong>, after warm-up, fundamentals, lessons and {BREAK_MIN_PER_HOUR}
        min of break in each full hour.
      </p>
      {#each weekCautions($form.week) as says (says)}<p class="caution">{says}</p>{/each}
    </section>
    <section>
      <h3>Comes off first, every day; and how long one thing lasts</h3>
      <div class="pair">
        <Field
          id="warmUpMin"
          label="Warm-up, minutes"
          errors={$errors.warmUpMin}
          type="number"
          bind:value={$form.warmUpMin}
        />
        <Field
          id="fundamentalsMin"
          label="Fundamentals, minutes"
          errors={$errors.fundamentalsMin}
          type="number"
          bind:value={$form.fundamentalsMin}
        />
        <Field
          id="longestBlockMin"
          label="Longest block, minutes"
          hint="The desk shortens it by 3 when a mind wandered, and raises it when more was wanted."
          errors={$errors.longestBlockMin}
          type="number"
          bind:value={$form.longestBlockMin}
        />
      </div>

      <h3>Weekly lesson</h3>
      {#each $form.lessons as lesson, i (i)}
        <div class="lesson">
          <Field id="lesson-{i}-weekday" label="Day" errors={$errors.lessons?.[i]?.weekday}>
            {#snippet control(w)}<select {...w} bind:value={lesson.weekday}
                >{#each WEEKDAY_NAMES as name, d (name)}<option value={d + 1}>{name}</option>{/each}</select
              >{/snippet}
          </Field>
          <Field
            id="lesson-{i}-start"
            label="Start"
            errors={$errors.lessons?.[i]?.start}
            type="time"
            bind:value={lesson.start}
          />
          <Field
            id="lesson-{i}-minutes"
            label="Minutes"
            errors={$errors.lessons?.[i]?.minutes}
            type="number"
            bind:value={lesson.minutes}
          />
          <label class="inside"
            ><input type="checkbox" bind:checked={lesson.isInside} /> does not take from that day’s minutes</label
          >
          <button
            type="button"
            class="quiet"
            onclick={() => ($form.lessons = $form.lessons.filter((_, j) => j !== i))}>Remove</button
          >
        </div>
      {/each}
      <button
        type="button"
        class="action"
        onclick={() =>
          ($form.lessons = [...$form.lessons, { weekday: 2, start: '', minutes: 45, isInside: true }])}
        >Add a lesson</button
      >

      <ExceptionsEditor {form} errors={$errors.exceptions} />
    </section>
  </div>
  <RotationEditor
    {form}
    errors={$errors.rotation}
    minutesADay={$form.fundamentalsMin || 0}
    {practised}
    {instruments}
    {today}
  />
  <button class="action main save" disabled={$submitting}>Save and lay the plan again</button>
</form>

<style>
  form {
    margin-top: 16px;
  }
  .columns {
    display: grid;
    grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
    gap: 24px 48px;
  }
  h3:not(:first-child) {
    margin-top: 28px;
  }
  ol {
    padding: 0;
    border-top: 1.5px solid var(--ink);
    list-style: none;
  }
  li {
    display: grid;
    grid-template-columns: 84px 1fr auto 84px;
    gap: 4px 10px;
    align-items: center;
    min-height: 48px;
    padding: 5px 0;
    border-bottom: 1px solid var(--rule);
  }
  li h4 {
    margin: 0;
    font-size: 0.93rem;
  }
  .span > span {
    white-space: nowrap;
  }
  .span {
    display: flex;
    gap: 6px;
    align-items: center;
    font-size: 0.87rem;
  }
  .span :global(input[type='number']) {
    width: 64px;
  }
  .span :global(input[type='time']) {
    width: 112px;
  }
  .quiet {
    font-size: 0.87rem;
  }
  .left {
    font-size: 0.87rem;
    text-align: right;
  }
  .total {
    margin-top: 8px;
  }
  .caution {
    margin-top: 8px;
    padding-left: 8px;
    border-left: 4px solid var(--ink);
  }
  .pair,
  .lesson {
    display: grid;
    gap: 8px 12px;
    align-items: start;
    margin-top: 8px;
  }
  .pair {
    grid-template-columns: 1fr 1fr;
  }
  .lesson {
    grid-template-columns: 1.2fr 1fr 90px auto;
  }
  .lesson .inside {
    grid-column: 1 / -1;
    grid-row: 2;
  }
  .lesson button {
    align-self: end;
    min-height: 36px;
  }
  section > .action {
    margin-top: 12px;
  }
  .save {
    margin-top: 28px;
  }
  @media (max-width: 1000px) {
    .columns {
      grid-template-columns: minmax(0, 1fr);
    }
  }
  @media (max-width: 720px) {
    .span {
      flex-wrap: wrap;
    }
    .lesson {
      grid-template-columns: 1fr 1fr;
    }
    .lesson .inside {
      grid-row: auto;
    }
    li {
      grid-template-columns: 1fr auto;
      padding: 10px 0;
    }
    .spans {
      grid-column: 1 / -1;
      grid-row: 2;
    }
    .left {
      grid-column: 2;
      grid-row: 1;
    }
  }
</style>

<script lang="ts">
  import LessonItem from '$lib/components/lesson/LessonItem.svelte';
  import GoalCheck from '$lib/components/lesson/GoalCheck.svelte';
  import SpotEntry from '$lib/components/spots/SpotEntry.svelte';
  import SpotLine from '$lib/components/spots/SpotLine.svelte';
  import LogLine from '$lib/components/log/LogLine.svelte';
  import LessonSide from '$lib/components/lesson/LessonSide.svelte';
  import UndoLine from '$lib/components/ui/UndoLine.svelte';
  import { sayMs } from '$lib/components/take/systems';
  import { dayOf, sayBars, sayDate } from '$lib/core/units';
  import type { ActionData, PageData } from './$types';

  let { data, form }: { data: PageData; form: ActionData } = $props();
  const lesson = $derived(data.lesson);
  const base = $derived(`/auditions/${lesson.audition.id}`);
  const ids = $derived(lesson.items.map((item) => item.id));
  /** More than these are for their own page. */
  const SPOTS_SHOWN = 6;
  const say = (date: string) => sayDate(dayOf(date));
</script>

<svelte:head><title>Lesson · {lesson.candidate.name} · Irvot</title></svelte:head>
<div class="top">
  <h2>Lesson, {say(lesson.today)}</h2>
  <p>
    Since {say(lesson.since)}: played on <strong>{lesson.daysPractised}</strong> of {lesson.days} days,
    <strong>{lesson.minutes}</strong> minutes.
    {#if lesson.plan?.short}<strong class="short">The plan is {lesson.plan.short.minutes} min short.</strong
      >{:else if lesson.plan?.daysToGo === null}Every round has taken place.{:else if lesson.plan}The plan
      fits.{/if}
    <a href="{base}/today">Today at the desk</a>
  </p>
</div>
{#if lesson.hurtSince}
  <p class="fault">
    <strong>It hurt at the desk on {say(lesson.hurtSince)}</strong>, and was not yet said to be well. No plan
    is urged: <a href="{base}/what-if?lighter=3">see what three lighter days would do</a>, and where it lasts,
    a licensed health professional judges it.
  </p>
{/if}
{#if lesson.plan?.short}
  <p class="soft">
    {lesson.plan.short.reasons[0]?.says} <a href="{base}/what-if">What would make it fit</a>
  </p>
{/if}
{#if form && 'fault' in form}<p class="fault" role="alert">{form.fault} Nothing was changed.</p>{/if}
{#if form && 'undo' in form && form.undo}{#key form.undo}<UndoLine {...form.undo} />{/key}{/if}
{#if lesson.takes.length > 0}
  <p class="takes">
    <strong>To be heard:</strong>
    {#each lesson.takes as take (take.id)}
      <a href="/takes/{take.id}?from=lesson"
        ><bdi>{take.name}</bdi>, {sayBars(take)}, {sayMs(take.lengthMs)}, {say(take.date)}</a
      >
    {/each}
  </p>
{/if}
{#if lesson.items.length > 0}
  <div class="scroll">
    <table>
      <thead>
        <tr>
          <th scope="col"><span class="hidden">order</span></th><th scope="col">in your order</th><th
            scope="col"
            class="number">since last time</th
          ><th scope="col">holds</th><th scope="col">where it stuck</th><th scope="col">the plan next</th><th
            scope="col">target</th
          ><th scope="col">step</th>
        </tr>
      </thead>
      <tbody>
        {#each lesson.items as item (item.id)}
          <LessonItem
            {item}
            {ids}
            {base}
            since={lesson.read.find((r) => r.itemId === item.id)!}
            planned={lesson.plan?.items.find((i) => i.id === item.id)}
          />
        {/each}
      </tbody>
    </table>
  </div>
{:else}<p class="first">The list is empty. <a href="{base}/list">Add the first item</a></p>{/if}
{#if lesson.items.length > 0}
  <section class="spots">
    <h2>Heard today</h2>
    {#key lesson.audition.id}<LogLine
        form={data.line}
        items={lesson.items}
        auditionId={lesson.audition.id}
      />{/key}
    {#if form && 'logged' in form && form.logged}<p role="status">
        <strong>Logged, heard by the teacher.</strong>
        {form.logged.moves.length > 0 ? 'The plan is laid again.' : 'No date moved.'}
      </p>{/if}
  </section>
  <section class="spots">
    <h2>Spots</h2>
    {#key lesson.audition.id}<SpotEntry
        items={lesson.items.filter(({ kind }) => kind !== 'sight-reading')}
        newId={lesson.newSpotId}
        auditionId={lesson.audition.id}
        fault={(form && 'spotFault' in form ? form.spotFault : '') ?? ''}
      />{/key}
    {#each lesson.spots.slice(0, SPOTS_SHOWN) as spot, i (spot.id)}<SpotLine
        {spot}
        href="{base}/spots/{spot.id}"
        today={lesson.today}
        name={lesson.items.find(({ id }) => id === spot.itemId)?.name}
        isNext={i === 0}
      />{/each}
    {#if lesson.spots.length > SPOTS_SHOWN}<p class="all">
        <a href="{base}/spots">All {lesson.spots.length} open spots</a>
      </p>{/if}
  </section>
{/if}
{#key lesson.candidate.id}<LessonSide
    week={lesson.week}
    wishes={lesson.wishes}
    note={lesson.note}
    notes={lesson.notes}
    whatIfHref="{base}/what-if"
    noteHref="{base}/paper/note"
    noteNow={(form && 'noteNow' in form ? form.noteNow : null) ?? null}
    whose={lesson.candidate.id}
    today={lesson.today}
  />{/key}
{#if lesson.plan}<GoalCheck
    items={lesson.items}
    planned={lesson.plan.items}
    paces={lesson.paces}
    today={lesson.today}
    whose={lesson.candidate.id}
  />{/if}

<style>
  .takes {
    display: flex;
    flex-wrap: wrap;
    gap: 6px 20px;
    margin: 6px 0;
  }
  .takes a {
    padding: 2px 0;
  }
  .top {
    display: flex;
    flex-wrap: wrap;
    gap: 2px 20px;
    align-items: baseline;
    margin: 18px 0 6px;
  }
  .short {
    margin-left: 6px;
    padding-left: 8px;
    border-left: 4px solid var(--ink);
  }
  .spots {
    margin-top: 28px;
  }
  .spots > :global(form) {
    margin-bottom: 10px;
  }
  .all a {
    display: inline-block;
    padding: 6px 0;
  }
  .scroll {
    position: relative;
    margin-top: 10px;
    overflow-x: auto;
  }
  @media (max-width: 900px) {
    .scroll table {
      min-width: 980px;
    }
  }
  .fault {
    margin: 8px 0;
    padding: 6px 12px;
    border-left: 4px solid var(--ink);
    background: var(--ground);
  }
</style>

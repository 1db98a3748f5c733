<script lang="ts">
  import LastTimes from '$lib/components/around/LastTimes.svelte';
  import TaskRow from '$lib/components/around/TaskRow.svelte';
  import UndoLine from '$lib/components/ui/UndoLine.svelte';
  import { send } from '$lib/state/send';
  import type { Undo } from '$lib/schema/view';
  import type { ActionData, PageData } from './$types';

  let { data, form }: { data: PageData; form: ActionData } = $props();
  const view = $derived(data.view);
  type Answered = { undo?: Undo; what?: string; fault?: string };
  const answered = $derived((form ?? {}) as Answered);
  const open = $derived(
    view.tasks
      .filter(({ doneOn }) => doneOn === null)
      .sort((a, b) => ((a.dueOn ?? '9999') < (b.dueOn ?? '9999') ? -1 : 1))
  );
  const done = $derived(view.tasks.filter(({ doneOn }) => doneOn !== null));
</script>

<svelte:head><title>Around the audition · {view.candidate.name} · Irvot</title></svelte:head>
<h2>Around the audition</h2>
<p class="soft">
  What has to be done besides playing; what has a day stands on the countback and in the calendar.
</p>
{#if answered.undo}{#key answered.undo.token}<UndoLine
      token={answered.undo.token}
      says={answered.undo.says}
    />{/key}{/if}
{#if answered.fault}<p class="fault" role="alert">{answered.fault}</p>{/if}

{#if view.tasks.length === 0}<p>
    Nothing is entered yet. The usual ones are a beginning, and can be changed.
  </p>{/if}
<ul>
  {#each open as task (task.id)}<TaskRow {task} today={view.today} />{/each}
</ul>
<form class="new" method="POST" action="?/put" use:send>
  <label class="what"
    ><span>One more</span><input name="name" required maxlength="120" dir="auto" autocomplete="off" /></label
  >
  <label><span>By</span><input type="date" name="dueOn" /></label>
  <label><span>Who</span><input name="who" maxlength="200" dir="auto" autocomplete="off" /></label>
  <button class="action">Enter it</button>
</form>
<form method="POST" action="?/usual" use:send>
  <button class="quiet"
    >{open.some(({ dueOn }) => dueOn === null)
      ? 'count the usual ones back from the dates'
      : 'enter the usual ones'}</button
  >
</form>
{#if done.length > 0}
  <h3>Done</h3>
  <ul>
    {#each done as task (task.id)}<TaskRow {task} today={view.today} />{/each}
  </ul>
{/if}
{#if view.times.length > 0}
  <h3>Last time</h3>
  <LastTimes times={view.times} />
{/if}
<p class="ways">
  <a href="/auditions/{view.audition.id}/call">The call</a>
  <a href="/auditions/{view.audition.id}/day">The day</a>
  <a href="/auditions/{view.audition.id}/paper/piano">A sheet for the accompanist</a>
  {#if view.isRecorded}<a href="/auditions/{view.audition.id}/pre-screening">The recorded round</a>{/if}
</p>

<style>
  h2 {
    margin: 20px 0 2px;
  }
  h3 {
    margin: 26px 0 0;
  }
  ul {
    margin: 14px 0;
    padding: 0;
    list-style: none;
  }
  .new {
    display: flex;
    flex-wrap: wrap;
    gap: 8px 16px;
    align-items: end;
    margin: 18px 0 12px;
  }
  .new span {
    display: block;
    color: var(--soft);
    font-size: 0.87rem;
  }
  .new input {
    min-height: 40px;
  }
  .what {
    flex: 1 1 220px;
    max-width: 420px;
  }
  .what input {
    width: 100%;
  }
  .ways {
    display: flex;
    gap: 20px;
    margin-top: 26px;
  }
</style>

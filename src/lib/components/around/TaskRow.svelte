<!-- A task: ticked by one tap, changed in place. -->
<script lang="ts">
  import type { Task } from '$lib/core/record';
  import { dayOf, sayDate } from '$lib/core/units';
  import { send } from '$lib/state/send';

  let { task, today }: { task: Task; today: string } = $props();

  let isOpen = $state(false);
  const days = $derived(task.dueOn === null ? null : dayOf(task.dueOn) - dayOf(today));
  function sayDue(): string {
    if (task.doneOn !== null) return `done ${sayDate(dayOf(task.doneOn))}`;
    if (task.dueOn === null || days === null) return 'no day yet';
    const when = sayDate(dayOf(task.dueOn));
    if (days < 0) return `was for ${when}`;
    return days === 0 ? 'today' : days === 1 ? `${when}, tomorrow` : `${when}, in ${days} days`;
  }
</script>

<li class={{ done: task.doneOn !== null, now: task.doneOn === null && days !== null && days <= 7 }}>
  <form method="POST" action="?/tick" use:send>
    <input type="hidden" name="id" value={task.id} />
    <button
      class="tick"
      name="isDone"
      value={task.doneOn === null ? '1' : ''}
      aria-label={task.doneOn === null ? `${task.name}: done` : `${task.name}: not done after all`}
      aria-pressed={task.doneOn !== null}
    ></button>
  </form>
  <span class="name"><bdi>{task.name}</bdi></span>
  <span class="due">{sayDue()}</span>
  <span class="who"
    >{#if task.who}<bdi>{task.who}</bdi>{/if}</span
  >
  <button class="quiet" aria-expanded={isOpen} onclick={() => (isOpen = !isOpen)}>change</button>
  {#if isOpen}
    <div class="edit">
      <form method="POST" action="?/put" use:send={{ reset: false, onSend: () => () => (isOpen = false) }}>
        <input type="hidden" name="id" value={task.id} />
        <label class="what"
          ><span>What</span><input name="name" required maxlength="120" dir="auto" value={task.name} /></label
        >
        <label><span>By</span><input type="date" name="dueOn" value={task.dueOn ?? ''} /></label>
        <label><span>Who</span><input name="who" maxlength="200" dir="auto" value={task.who} /></label>
        <button class="action">Keep it</button>
      </form>
      <form method="POST" action="?/drop" use:send>
        <input type="hidden" name="id" value={task.id} /><button class="quiet">take it out</button>
      </form>
    </div>
  {/if}
</li>

<style>
  li {
    display: grid;
    grid-template-columns: 48px minmax(0, 3fr) minmax(0, 2fr) minmax(0, 1fr) auto;
    gap: 0 12px;
    align-items: center;
    min-height: 48px;
    border-top: 1px solid var(--rule);
  }
  .tick {
    position: relative;
    width: 48px;
    height: 48px;
    border: 0;
    background: none;
  }
  .tick::before {
    position: absolute;
    inset: 13px;
    border: 2px solid var(--ink);
    content: '';
  }
  .tick[aria-pressed='true']::before {
    background: var(--ink);
  }
  .now .name,
  .now .due {
    font-weight: 650;
  }
  .done,
  .who {
    color: var(--soft);
  }
  .edit {
    display: flex;
    flex-wrap: wrap;
    grid-column: 2 / -1;
    gap: 8px 20px;
    align-items: end;
    padding: 4px 0 12px;
  }
  .edit form {
    display: flex;
    flex-wrap: wrap;
    gap: 8px 14px;
    align-items: end;
  }
  .edit span {
    display: block;
    color: var(--soft);
    font-size: 0.87rem;
  }
  .edit input {
    min-height: 40px;
  }
  @media (max-width: 720px) {
    li {
      grid-template-columns: 48px minmax(0, 1fr) auto;
    }
    .due,
    .who {
      grid-column: 2;
    }
    .who:empty {
      display: none;
    }
    li > .quiet {
      grid-column: 3;
      grid-row: 1;
    }
  }
</style>

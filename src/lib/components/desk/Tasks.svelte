<!-- What a block has to work at, as brackets: its spots, then its bars or their parts; what holds at today's rung thick; a tap takes one up. -->
<script lang="ts">
  import {
    type DeskBlock,
    type DeskDay,
    type TaskInHand,
    isSameTask,
    sayTask,
    spotsOf,
    standingOf
  } from '$lib/core/practice';

  import { sayBars } from '$lib/core/units';

  let { day, block, onTake }: { day: DeskDay; block: DeskBlock; onTake: (task: TaskInHand) => void } =
    $props();

  const spots = $derived(spotsOf(day, block));
  const inHand = $derived<TaskInHand>(block.run?.task ?? { part: 0 });
  const first = $derived(block.firstPart ?? 0);
  /** While a spot is in hand the section stands as one: its parts come after. */
  const parts = $derived(
    inHand.spot === undefined ? Math.max(1, block.parts.length + (block.isJoined ? 1 : 0)) : 1
  );
  const tasks = $derived<TaskInHand[]>([
    ...spots.map(({ id, methods }) => ({ part: first, spot: id, method: methods[0] })),
    ...(parts === 1 ? [{ part: first }] : Array.from({ length: parts }, (_, part) => ({ part })))
  ]);
  const nameOf = (task: TaskInHand) =>
    inHand.spot !== undefined && task.spot === undefined && block.bars
      ? sayBars(block.bars)
      : sayTask(day, block, task);
  function isHeld(task: TaskInHand): boolean {
    const of = standingOf(day, block, task);
    return of !== null && of.heldBpm !== null && of.heldBpm >= of.goalBpm;
  }
</script>

{#if tasks.length > 1}
  <div class="tasks" role="group" aria-label="Spots and parts">
    {#each tasks as task (`${task.spot} ${task.part}`)}
      {@const name = nameOf(task)}
      <button
        class:held={isHeld(task)}
        class:spot={task.spot !== undefined}
        aria-current={isSameTask(task, inHand) ? 'step' : undefined}
        aria-label="{task.spot === undefined ? '' : 'spot, '}{name}{isHeld(task) ? ', holds' : ''}"
        onclick={() => onTake(task)}>{name.replace(/^bars? /, '')}</button
      >
    {/each}
  </div>
{/if}

<style>
  .tasks {
    display: flex;
    flex-wrap: wrap;
    gap: 2px 10px;
    margin-top: 4px;
  }
  button {
    min-width: 64px;
    min-height: 44px;
    padding: 0 8px;
    border: solid var(--soft);
    border-width: 2px 2px 0;
    background: none;
    color: var(--soft);
    font-size: 18px;
    font-stretch: 80%;
  }
  .spot {
    border-width: 2px;
  }
  .held {
    border-color: var(--ink);
    border-top-width: 6px;
    color: var(--ink);
  }
  button[aria-current] {
    color: var(--ink);
    font-weight: 700;
    text-decoration: underline 3px;
    text-underline-offset: 5px;
  }
</style>

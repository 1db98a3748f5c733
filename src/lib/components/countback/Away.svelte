<!-- A time away in one entry, and what the plan makes of it. -->
<script lang="ts">
  import UndoLine from '$lib/components/ui/UndoLine.svelte';
  import { dayOf, sayDate } from '$lib/core/units';
  import type { Undo } from '$lib/schema/view';
  import { keepFields } from '$lib/state/kept-fields';

  let {
    aways,
    today,
    fault,
    undo,
    candidateId
  }: {
    aways: readonly { readonly from: string; readonly to: string; readonly isOver: boolean }[];
    today: string;
    fault: string | null;
    /** What was just entered, and how to take it back. */
    undo: Undo | null;
    candidateId: string;
  } = $props();
  // Whose it is stays: the page of another is set up anew.
  // svelte-ignore state_referenced_locally
  const entry = keepFields(`away ${candidateId}`, { reset: true });
  const { trouble } = entry;
  const say = (date: string) => sayDate(dayOf(date));
</script>

{#each aways as { from, to, isOver } (from)}
  <p class="notice">
    <strong>Away {say(from)} to {say(to)}.</strong>
    {isOver
      ? 'Work starts again two clicks below what held'
      : 'After it, work starts two clicks below what held'}, and the first week has 60 % of its minutes.
    Nothing is to be made up for.
  </p>
{/each}
{#if undo}{#key undo}<UndoLine {...undo} />{/key}{/if}
<details class="aside" open={fault !== null || $trouble !== ''}>
  <summary>Away for some days</summary>
  <form method="POST" action="?/away" use:entry.action>
    <label>from <input type="date" name="from" value={today} required /></label>
    <label>to <input type="date" name="to" required /></label>
    <label>why <input name="why" placeholder="travel, exams, ill" /></label>
    <button class="action">Lay the plan around it</button>
    {#if fault || $trouble}<p class="fault" role="alert">{fault || $trouble}</p>{/if}
  </form>
</details>

<style>
  details form {
    display: flex;
    flex-wrap: wrap;
    gap: 8px 18px;
    align-items: center;
    padding: 8px 0;
  }
  input {
    min-height: 34px;
    padding: 3px 6px;
  }
  .fault {
    flex-basis: 100%;
    color: var(--ink);
  }
</style>

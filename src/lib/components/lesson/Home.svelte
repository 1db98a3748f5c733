<!-- What was taken home from lessons, and wishes: a candidate's proposals, which wait for the teacher. -->
<script lang="ts">
  import UndoLine from '$lib/components/ui/UndoLine.svelte';
  import { onMount } from 'svelte';
  import { dayOf, sayDate } from '$lib/core/units';
  import type { Undo } from '$lib/schema/view';
  import { keepFields } from '$lib/state/kept-fields';

  let {
    home,
    candidateId,
    isTeacher,
    fault,
    undo
  }: {
    home: {
      readonly notes: readonly { readonly date: string; readonly note: string }[];
      readonly wishes: readonly {
        readonly id: string;
        readonly madeOn: string;
        readonly says: string;
        readonly answer: string | null;
      }[];
    };
    candidateId: string;
    isTeacher: boolean;
    fault: string | null;
    undo: Undo | null;
  } = $props();
  // Whose it is stays: the page of another is set up anew.
  // svelte-ignore state_referenced_locally
  const wish = keepFields(`wish ${candidateId}`, { reset: true });
  const { trouble } = wish;
  let field = $state<HTMLInputElement>();
  onMount(() => {
    // what the day's page proposes; what was typed before stays
    const proposed = new URL(location.href).searchParams.get('wish');
    if (proposed !== 'lighter' || !field) return;
    field.value ||= LIGHTER;
    field.focus();
  });
  const LIGHTER = 'It hurt: half the minutes on my next three days';
  const say = (date: string) => sayDate(dayOf(date));
</script>

{#if home.notes.length > 0}
  <section>
    <h2>From the lessons</h2>
    {#each home.notes as { date, note } (date)}
      <p class="note"><span class="soft">{say(date)}</span><bdi>{note}</bdi></p>
    {/each}
  </section>
{/if}
{#if !isTeacher || home.wishes.length > 0}
  <section>
    <h2>Wishes</h2>
    {#each home.wishes as { id, says, madeOn, answer } (id)}
      <p><bdi>{says}</bdi> <span class="soft">{say(madeOn)}, {answer ?? 'waits'}</span></p>
    {/each}
    {#if undo}{#key undo}<UndoLine {...undo} />{/key}{/if}
    {#if !isTeacher}
      {#if fault || $trouble}<p class="fault" role="alert">{fault || $trouble}</p>{/if}
      <form method="POST" action="?/wish" use:wish.action>
        <label for="says">A wish for the plan; your teacher answers it in the lesson</label>
        <input
          bind:this={field}
          id="says"
          name="says"
          dir="auto"
          placeholder="another target, an item more or less, other minutes"
        />
        <button class="action">Leave it</button>
      </form>
    {/if}
  </section>
{/if}

<style>
  section {
    max-width: 720px;
    margin-top: 32px;
  }
  section > * + * {
    margin-top: 8px;
  }
  .note {
    display: grid;
    grid-template-columns: 90px 1fr;
    white-space: pre-line;
  }
  form {
    display: grid;
    grid-template-columns: 1fr auto;
    gap: 4px 12px;
  }
  label {
    grid-column: 1 / -1;
    color: var(--soft);
    font-size: 0.87rem;
  }
</style>

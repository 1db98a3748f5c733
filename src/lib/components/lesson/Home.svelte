<!-- What was taken home from lessons, and wishes: a candidate's proposals, which wait for the teacher. -->
<script lang="ts">
  import UndoLine from '$lib/components/ui/UndoLine.svelte';
  import { dayOf, sayDate } from '$lib/core/units';
  import type { CanWish, Undo } from '$lib/schema/view';
  import WishForm from './WishForm.svelte';

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
        readonly reply?: string | undefined;
      }[];
      readonly canWish: CanWish;
    };
    candidateId: string;
    isTeacher: boolean;
    fault: string | null;
    undo: Undo | null;
  } = $props();
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
    {#each home.wishes as { id, says, madeOn, answer, reply } (id)}
      <p>
        <bdi>{says}</bdi> <span class="soft">{say(madeOn)}, {answer ?? 'waits'}</span>
        {#if reply}<br /><bdi class="reply">{reply}</bdi>{/if}
      </p>
    {/each}
    {#if undo}{#key undo}<UndoLine {...undo} />{/key}{/if}
    {#if !isTeacher}
      <p class="soft">It changes nothing by itself: your teacher answers it.</p>
      {#key candidateId}<WishForm {candidateId} can={home.canWish} {fault} />{/key}
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
  .reply {
    padding-left: 12px;
    border-left: 3px solid var(--ink);
  }
</style>

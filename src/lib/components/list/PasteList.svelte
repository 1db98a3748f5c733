<!-- A list as somebody has it, pasted or as a file: read, looked over, and only then added. -->
<script lang="ts">
  import type { SuperValidated } from 'sveltekit-superforms';
  import type { z } from 'zod';
  import type { ListRow, listForm } from '$lib/schema/list/row';
  import { keepFields } from '$lib/state/kept-fields';
  import ImportReview from './ImportReview.svelte';

  type Read = { readonly rows: readonly ListRow[]; readonly notes: readonly string[] };
  let {
    form,
    answer,
    today,
    of,
    isUntaken = false
  }: {
    form: SuperValidated<z.infer<typeof listForm>>;
    /** What the last action said. */
    answer: Read | { readonly fault: string } | object | null;
    /** What holds, holds on this day. */
    today: string;
    /** Id of what it is added to: what is typed for one never stands at another's. */
    of: string;
    /** Nobody takes the list yet: what holds is not asked. */
    isUntaken?: boolean;
  } = $props();
  // Read once, while it is set up: another list has a page of its own.
  // svelte-ignore state_referenced_locally
  const pasted = keepFields(`pasted list ${of}`);
  const { trouble } = pasted;
  /** What was read stays on the page while the review is mended. */
  let read = $state.raw<Read | null>(null);
  $effect.pre(() => {
    // the answer of the reading; a refused save brings none
    if (answer && 'rows' in answer && answer.rows) read = answer;
  });
  const fault = $derived($trouble || (answer && 'fault' in answer ? answer.fault : ''));
</script>

<h2>Paste a list</h2>
<p class="soft">
  One item a line, as you have it, or a table with any columns. It is read, you look it over, and only then is
  it added; what is not understood is shown.
</p>
{#if fault}<p class="fault" role="alert">{fault}</p>{/if}
<form method="POST" action="?/read" enctype="multipart/form-data" use:pasted.action>
  <label for="text">The list</label>
  <textarea
    id="text"
    name="text"
    rows={read ? 3 : 7}
    dir="auto"
    placeholder="Étude 14 “Millrace”, Quill, bars 1-48, 6/8, dotted quarter 58-66, holds 44&#10;Osterrede: Three Fables, II, excerpt, mm. 5-16, quarter = 66&#10;Sight-reading, 20 min a week"
  ></textarea>
  <p class="file">
    <label for="file">or a file</label>
    <input id="file" type="file" name="file" accept=".csv,.txt,.tsv,text/plain,text/csv" />
    <button class="action">Read it</button>
  </p>
</form>
{#if read && read.notes.length > 0}<p class="soft note">{read.notes.join(' ')}</p>{/if}
{#key read}<ImportReview
    {form}
    rows={read?.rows ?? null}
    {today}
    {isUntaken}
    draftKey="list import {of}"
  />{/key}

<style>
  h2 {
    margin: 20px 0 4px;
  }
  form {
    max-width: 900px;
    margin-top: 12px;
  }
  label {
    color: var(--soft);
    font-size: 0.87rem;
  }
  textarea {
    display: block;
    width: 100%;
    margin-top: 3px;
  }
  .file {
    display: flex;
    flex-wrap: wrap;
    gap: 10px;
    align-items: center;
    margin-top: 8px;
  }
  .fault,
  .note {
    margin: 8px 0;
  }
</style>

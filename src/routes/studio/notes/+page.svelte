<script lang="ts">
  import { page } from '$app/state';
  import ChosenSheets from '$lib/components/paper/ChosenSheets.svelte';
  import { sizeIn } from '$lib/components/paper/PageSize.svelte';
  import NoteSheet from '$lib/components/paper/NoteSheet.svelte';
  import Sheet from '$lib/components/paper/Sheet.svelte';
  import { dayOf, sayDate } from '$lib/core/units';
  import type { PageData } from './$types';

  let { data }: { data: PageData } = $props();
  const isLetter = $derived(sizeIn(page.url) === 'letter');
</script>

<svelte:head>
  <title>Lesson notes · Irvot</title>
</svelte:head>
<ChosenSheets
  label="Lesson notes"
  sheets={data.sheets.map(({ candidateId, name, note }) => ({
    id: candidateId,
    name,
    says: sayDate(dayOf(note.date))
  }))}
  one="note"
  many="notes"
  none="No note of the last seven days: a note is written in a candidate’s lesson."
>
  {#snippet chosen(ids)}
    {#each data.sheets.filter( ({ candidateId }) => ids.includes(candidateId) ) as { candidateId, name, audition, next, today, plan, note } (candidateId)}
      <Sheet {name} {audition} {next} {today} {isLetter} isOneOfMany
        ><NoteSheet {plan} {today} notes={[note]} /></Sheet
      >
    {/each}
  {/snippet}
</ChosenSheets>

<script lang="ts">
  import { page } from '$app/state';
  import PageSize, { sizeIn } from '$lib/components/paper/PageSize.svelte';
  import NoteSheet from '$lib/components/paper/NoteSheet.svelte';
  import Sheet from '$lib/components/paper/Sheet.svelte';
  import { dayOf, sayDate } from '$lib/core/units';
  import type { PageData } from './$types';

  let { data }: { data: PageData } = $props();
  const size = $derived(sizeIn(page.url));
  /** Those that are not to be printed. */
  let left = $state<readonly string[]>([]);
  const printed = $derived(data.sheets.filter(({ candidateId }) => !left.includes(candidateId)));
  const toggle = (id: string) =>
    (left = left.includes(id) ? left.filter((one) => one !== id) : [...left, id]);
</script>

<svelte:head>
  <title>Lesson notes · Irvot</title>
</svelte:head>
<nav class="tools" aria-label="Lesson notes">
  <a href="/studio">Studio</a>
  <PageSize />
  {#each data.sheets as { candidateId, name, note } (candidateId)}<label
      ><input type="checkbox" checked={!left.includes(candidateId)} onchange={() => toggle(candidateId)} />
      <bdi>{name}</bdi>, {sayDate(dayOf(note.date))}</label
    >{/each}
  {#if printed.length > 0}<button class="action main" onclick={() => window.print()}
      >Print {printed.length === 1 ? 'this note' : `these ${printed.length} notes`}</button
    >{/if}
</nav>
{#each printed as { candidateId, name, audition, next, today, plan, note } (candidateId)}
  <Sheet {name} {audition} {next} {today} isLetter={size === 'letter'}
    ><NoteSheet {plan} {today} notes={[note]} /></Sheet
  >
{:else}<p class="first">
    {data.sheets.length === 0
      ? 'No note of the last seven days: a note is written in a candidate’s lesson.'
      : 'None is chosen.'}
  </p>{/each}

<style>
  .tools {
    display: flex;
    flex-wrap: wrap;
    gap: 6px 20px;
    align-items: center;
    padding: 14px var(--edge);
  }
  .first {
    padding: 24px var(--edge);
  }
  @media print {
    .tools {
      display: none;
    }
  }
</style>
